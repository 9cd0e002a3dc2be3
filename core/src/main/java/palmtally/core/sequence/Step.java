package palmtally.core.sequence;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Position;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.profile.Band;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.detail.Branch;
import palmtally.core.sequence.detail.ClientPart;
import palmtally.core.sequence.detail.Comparison;
import palmtally.core.sequence.detail.Detail;
import palmtally.core.sequence.detail.OtherHand;
import palmtally.core.technique.Dose;
import palmtally.core.technique.HandName;
import palmtally.core.technique.ScopeTopic;
import palmtally.core.technique.Stroke;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Tool;

/**
 * One step of a sequence.
 *
 * @param id unique in its sequence
 * @param name what is done, in the teacher's words
 * @param technique as it was when the step was made or followed it
 * @param zones what is worked on, at least one
 * @param tool the hand, as the rules know it
 * @param hand the school's own word for it, or null
 * @param depth intended, 0–5
 * @param band where the client's number should stay, or null for the profile's band of the phase
 * @param dose what a client needs on one side
 * @param secondSide dose of the second side where it differs, or null for the same
 * @param minimumSeconds least that still counts, or null for half the dose
 * @param targetSeconds what the fit aims at, or null for the dose
 * @param classSeconds what a demonstration shows, or null for the dose
 * @param before ids of steps that must not start before this one
 * @param direction which way the stroke goes, or null where it is not said
 * @param stands where the therapist stands
 * @param care what is done for the client's sake as the step begins
 * @param detail what else is said of it, or null for nothing
 */
public record Step(
        String id,
        String name,
        Technique technique,
        List<Zone> zones,
        Sides side,
        Tool tool,
        @Nullable String hand,
        int depth,
        @Nullable Band band,
        Dose dose,
        @Nullable Dose secondSide,
        @Nullable Double minimumSeconds,
        @Nullable Double targetSeconds,
        @Nullable Double classSeconds,
        Lubricant lubricant,
        Sheet sheet,
        Position position,
        Technique.Effort effort,
        Stance stance,
        List<Saying> say,
        Phase phase,
        Importance importance,
        List<String> before,
        @Nullable Direction direction,
        Stands stands,
        Set<Care> care,
        @Nullable Detail detail) {
    public Step {
        care = care.isEmpty() ? Set.of() : Collections.unmodifiableSet(EnumSet.copyOf(care));
        zones = List.copyOf(zones);
        say = List.copyOf(say);
        before = List.copyOf(before);
        if (Detail.NONE.equals(detail)) detail = null;
        var faults = new ArrayList<Fault>();
        if (id.isBlank() || id.length() > 64) faults.add(new Fault("id", id, "must be 1 to 64 characters"));
        if (name.isBlank() || name.length() > 200) faults.add(new Fault("name", name, "must be 1 to 200 characters"));
        if (hand != null && (hand.isBlank() || hand.length() > HandName.MOST_LETTERS))
            faults.add(new Fault("hand", hand, "must be 1 to " + HandName.MOST_LETTERS + " characters"));
        if (zones.isEmpty()) faults.add(new Fault("zones", "[]", "needs at least one zone"));
        if (depth < 0 || depth > 5) faults.add(new Fault("depth", String.valueOf(depth), "must be 0 to 5"));
        positive(faults, "minimumSeconds", minimumSeconds);
        positive(faults, "targetSeconds", targetSeconds);
        positive(faults, "classSeconds", classSeconds);
        if (before.contains(id)) faults.add(new Fault("before", id, "names the step itself"));
        if (!faults.isEmpty()) throw new InvalidValue("step " + id, faults);
    }

    private static void positive(List<Fault> faults, String field, @Nullable Double value) {
        if (value != null && !(value > 0 && value <= Dose.MOST_SECONDS))
            faults.add(new Fault(field, value.toString(), "must be above 0 and at most 3600"));
    }

    /** What else is said of it. */
    public Detail details() {
        return detail == null ? Detail.NONE : detail;
    }

    /** The hand in the school's own word, else in the trade's. */
    public String handWords() {
        return hand != null ? hand : tool.label();
    }

    /** Where the client's number should stay: the step's own band, or the profile's for gentle and for specific work. */
    public Band bandUnder(Profile profile) {
        if (band != null) return band;
        return phase.gentle()
                ? profile.pressure().warmBand()
                : profile.pressure().specificBand();
    }

    /** Topics that may be beyond scope somewhere and that it touches. */
    public Set<ScopeTopic> topics() {
        var topics = EnumSet.noneOf(ScopeTopic.class);
        topics.addAll(technique.topics());
        var stroke = technique.stroke();
        if (zones.stream().anyMatch(Zone.FRONT_OF_NECK::contains)) topics.add(ScopeTopic.FRONT_OF_NECK);
        if (zones.contains(Zone.INSIDE_MOUTH)) topics.add(ScopeTopic.INSIDE_MOUTH);
        if (zones.contains(Zone.BREAST)) topics.add(ScopeTopic.BREAST_TISSUE);
        if (stroke == Stroke.JOINT_GLIDE) topics.add(ScopeTopic.JOINT_MOVEMENT);
        if (stroke.passiveModality() || stroke.cools()) topics.add(ScopeTopic.HEAT_AND_COLD);
        if (zones.stream().anyMatch(z -> z.unit() == DrapeUnit.ABDOMEN)) topics.add(ScopeTopic.ABDOMINAL);
        if (say.stream().anyMatch(s -> ScopeWords.EXERCISE.in(s.words()))) topics.add(ScopeTopic.EXERCISE_ADVICE);
        if (ScopeWords.DIAGNOSIS.in(name) || say.stream().anyMatch(s -> ScopeWords.DIAGNOSIS.in(s.words())))
            topics.add(ScopeTopic.DIAGNOSIS);
        return topics;
    }

    /** Seconds from which a step counts as done. */
    public double minimum() {
        return minimumSeconds != null ? minimumSeconds : dose.totalSeconds() / 2;
    }

    /** Seconds a demonstration shows. */
    public double shownInClass() {
        return classSeconds != null ? classSeconds : dose.totalSeconds();
    }

    /** Whether it is broad, light, gliding or kneading: what warms a zone or flushes it, below the firm depth. */
    public boolean calms(int firmDepth) {
        return depth > 0
                && depth < firmDepth
                && !tool.pointed()
                && technique.stroke().warming();
    }

    /** Whether it is still hands through the sheet before the work begins: no treatment, so it asks no permission and starts no order. */
    public boolean settles() {
        return phase == Phase.SETTLE && depth <= 1 && sheet != Sheet.OPEN;
    }

    /** Whether the hands are on one of these zones. */
    public boolean works(Set<Zone> on) {
        if (depth == 0) return false;
        for (var zone : zones) if (on.contains(zone)) return true;
        return false;
    }

    /** Whether the hands are in one of these regions. */
    public boolean works(Region... in) {
        if (depth == 0) return false;
        for (var zone : zones) for (var region : in) if (zone.region() == region) return true;
        return false;
    }

    /** Whether it is done where a sheet lies. */
    public boolean draped() {
        return zones.stream().anyMatch(z -> z.unit().draped());
    }

    /** Whether it gives length, by whoever moves. */
    public boolean lengthens() {
        var stroke = technique.stroke();
        return stroke == Stroke.PIN_AND_LENGTHEN || stroke == Stroke.STRETCH || stroke == Stroke.RANGE_OF_MOTION;
    }

    /** The one step that this warm-up is linked to and so is there for; null where there is none, or several. */
    public @Nullable String preparesOnly() {
        return phase == Phase.WARM && before.size() == 1 ? before.get(0) : null;
    }

    /** Whether the sheet cannot slide: its edge is tucked, or the other hand holds it. */
    public boolean securesSheet() {
        return care.contains(Care.SHEET_SECURED) || details().otherHand() == OtherHand.HOLDS_THE_SHEET;
    }

    /** Whether a thumb bears the load alone: nothing supports it, nor does the other hand. */
    public boolean bareThumb() {
        return tool == Tool.BARE_THUMB && details().otherHand() != OtherHand.REINFORCES;
    }

    /** Whether something is compared in it, before, between the sides or after. */
    public boolean compares(Comparison.When when) {
        var compared = details().compares();
        return compared != null && compared.when() == when;
    }

    /** Whether the out-breath gives the moment. */
    public boolean onTheOutBreath() {
        return effort == Technique.Effort.BREATH
                || details().part().stream().anyMatch(p -> p.does() == ClientPart.Does.BREATHES_OUT);
    }

    /** Whether the client moves, by themselves or against the hand. */
    public boolean clientMoves() {
        return effort == Technique.Effort.ACTIVE || effort == Technique.Effort.RESISTED;
    }

    /**
     * This step as it goes on by one of its branches: what the branch does not say stays as it was, a lighter hand is a grade lighter.
     *
     * @param of the sequence, for another technique; the step keeps its own where the sequence does not have it
     */
    public Step taking(Branch branch, Sequence of) {
        return with(e -> {
            if (branch.tool() != null) {
                e.tool = branch.tool();
                e.hand = null;
            }
            if (branch.technique() != null) of.technique(branch.technique()).ifPresent(t -> e.technique = t);
            if (!branch.zones().isEmpty()) e.zones = branch.zones();
            if (branch.depth() != null) e.depth = branch.depth();
            else if (branch.then() == Branch.Then.LIGHTER) e.depth = Math.max(Math.min(1, depth), depth - 1);
            if (branch.sheet() != null) e.sheet = branch.sheet();
            else if (branch.then() == Branch.Then.THROUGH_THE_SHEET || branch.then() == Branch.Then.CLOTHED)
                e.sheet = Sheet.THROUGH;
        });
    }

    /** This step with one thing or several changed. */
    public Step with(Consumer<StepEdit> change) {
        var edit = new StepEdit(this);
        change.accept(edit);
        return edit.step();
    }

    public boolean says(SayKind kind) {
        return say.stream().anyMatch(s -> s.kind() == kind);
    }

    public Step withDose(Dose changed) {
        return with(e -> e.dose = changed);
    }

    public Step withSecondSide(@Nullable Dose changed) {
        return with(e -> e.secondSide = changed);
    }

    public Step withDepth(int changed) {
        return with(e -> e.depth = changed);
    }

    public Step saying(Saying added) {
        return with(e -> e.say.add(added));
    }
}

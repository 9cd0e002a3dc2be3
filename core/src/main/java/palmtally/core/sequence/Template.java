package palmtally.core.sequence;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Sums;
import palmtally.core.Texts;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.profile.Profile;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Technique;

/**
 * A pattern of steps that teachers repeat: written once and laid over zones, muscles or points. What comes out obeys the profile where
 * the profile has a say: depths stay under the ceilings and rise one grade at a time, firm work is warmed first, doses lie in their
 * windows, strong work is announced, each heavier hand is followed by a question, and the last stroke calms.
 */
public enum Template {
    /** From broad to pointed over each zone: palm, loose fist, reinforced fingers, supported thumb, and a flush. */
    TOOL_LADDER("Tool ladder", "palm, loose fist, reinforced fingers, supported thumb, then a flush, on each zone"),
    /** Warm, isolate, compress, lengthen, reset on each muscle. */
    PROTOCOL("Protocol", "warm, isolate, compress, lengthen, reset, on each muscle"),
    /** Find, ask, hold and ease, ask again, restore length, on each point. */
    INTERVIEW("Interview", "find the point, ask, hold and ask again, restore length, at each point");

    private final String word = Texts.word(this);

    /** A session that tries everything on this many zones at once is taken for a mistake. */
    public static final int MOST_ZONES = 20;

    private final String label;
    private final String words;

    Template(String label, String words) {
        this.label = label;
        this.words = words;
    }

    public String label() {
        return label;
    }

    /** What it lays down, in words. */
    public String words() {
        return words;
    }

    @Override
    public String toString() {
        return word;
    }

    /**
     * A sequence made of this template alone, with an opening and an end.
     *
     * @param zones what it is laid over, in this order, at least one
     * @throws InvalidValue for no zone, too many, or one that takes no pressure at all
     */
    public Sequence sequence(
            String id, String name, Region region, double slotSeconds, List<Zone> zones, Profile profile) {
        check(zones, profile);
        var bare = bare(id, name, region, slotSeconds, zones.get(0), profile);
        var blocks = new ArrayList<>(bare.blocks());
        blocks.addAll(1, blocks(bare, zones, profile));
        return bare.withBlocks(blocks);
    }

    /** A sequence that only opens and closes: agree and settle, cover and close. */
    public static Sequence bare(String id, String name, Region region, double slotSeconds, Zone on, Profile profile) {
        var sensitive = profile.draping().sensitive();
        var zone = profile.draping().asks(on) ? Zone.neutral(on.usualPosition(), sensitive) : on;
        var open = StepEdit.of("settle", profile.techniques().toUse("still-hold"), List.of(zone));
        open.position = on.usualPosition();
        open.name = "Agree and settle";
        open.depth = Math.min(1, zone.ceiling().map(Zone.Ceiling::low).orElse(1));
        open.side = zone.paired() ? Sides.BOTH : Sides.MIDLINE;
        open.sheet = Sheet.THROUGH;
        open.lubricant = Lubricant.DRY;
        open.importance = Importance.MUST;
        for (var kind : SayKind.values()) if (kind.opens()) open.say.add(new Saying(kind, null, 0));
        var first = open.step();
        var last = first.with(e -> {
            e.id = "cover";
            e.name = "Cover and close";
            e.phase = Phase.COVER;
            e.sheet = Sheet.COVERED;
            e.dose = Dose.seconds(20);
            e.say = new ArrayList<>(List.of(Saying.of(SayKind.CLOSING, "That was it. Take your time getting up.")));
        });
        return new Sequence(
                id,
                name,
                region,
                slotSeconds,
                palmtally.core.body.Side.LEFT,
                "",
                null,
                List.of(
                        new Block("open", "Open", Block.Order.IN_ORDER, Block.Repeat.ONCE, List.of(first)),
                        new Block("close", "Close", Block.Order.IN_ORDER, Block.Repeat.ONCE, List.of(last))));
    }

    /**
     * The blocks this template adds to a sequence: one for each zone, run on each side where the zone is paired.
     *
     * @throws InvalidValue for no zone, too many, or one that takes no pressure at all
     */
    public List<Block> blocks(Sequence sequence, List<Zone> zones, Profile profile) {
        check(zones, profile);
        var blocks = new ArrayList<Block>();
        var used = new java.util.HashSet<String>();
        sequence.steps().forEach(s -> used.add(s.id()));
        var blockIds = new java.util.HashSet<String>();
        sequence.blocks().forEach(b -> blockIds.add(b.id()));
        for (var zone : zones) {
            var steps = new ArrayList<Step>();
            for (var edit : steps(zone, profile)) {
                var stem = zone + "-" + edit.id;
                edit.id = stem;
                for (int i = 2; !used.add(edit.id); i++) edit.id = stem + "-" + i;
                steps.add(edit.step());
            }
            var id = zone.toString();
            for (int i = 2; !blockIds.add(id); i++) id = zone + "-" + i;
            blocks.add(new Block(
                    id,
                    label + ", " + zone.label().toLowerCase(Locale.ROOT),
                    Block.Order.IN_ORDER,
                    zone.paired() ? Block.Repeat.EACH_SIDE : Block.Repeat.ONCE,
                    steps));
        }
        return blocks;
    }

    private static int ceiling(Zone zone, Profile profile) {
        return profile.pressure().ceiling(zone);
    }

    private void check(List<Zone> zones, Profile profile) {
        var faults = new ArrayList<Fault>();
        if (zones.isEmpty() || zones.size() > MOST_ZONES)
            faults.add(new Fault("zones", zones.size() + " zones", "must be 1 to " + MOST_ZONES + " zones"));
        for (int i = 0; i < zones.size(); i++)
            if (ceiling(zones.get(i), profile) < 1)
                faults.add(new Fault("zones/" + i, zones.get(i).toString(), "takes no pressure at all"));
        if (!faults.isEmpty()) throw new InvalidValue("template", faults);
    }

    private List<StepEdit> steps(Zone zone, Profile profile) {
        var list = new ArrayList<StepEdit>();
        var laying = new Laying(zone, profile, list);
        boolean broad = zone.ceiling().map(Zone.Ceiling::broadOnly).orElse(false);
        switch (this) {
            case TOOL_LADDER -> {
                laying.add("palm", "effleurage", 2, Phase.WARM);
                laying.add("knead", "petrissage", 3, Phase.WARM);
                if (!broad) {
                    laying.add("fist", "fist-glide", 4, Phase.TREAT);
                    laying.add("fingers", "stripping-fingers", 4, Phase.TREAT);
                    laying.add("thumb", "stripping-thumb", 4, Phase.TREAT);
                }
            }
            case PROTOCOL -> {
                laying.add("warm", "effleurage", 2, Phase.WARM);
                laying.add("isolate", "petrissage", 3, Phase.ISOLATE);
                laying.add("compress", "compression", broad ? 2 : 4, Phase.TREAT);
                laying.add("lengthen", "stretch", 2, Phase.LENGTHEN);
                laying.add("reset", "rocking", 1, Phase.RESET);
            }
            case INTERVIEW -> {
                laying.add("find", "effleurage", 2, Phase.WARM);
                laying.add("search", "petrissage", 3, Phase.ISOLATE);
                if (!broad) laying.add("point", "trigger-point", 4, Phase.TREAT);
                laying.add("lengthen", "stretch", 2, Phase.LENGTHEN);
            }
        }
        laying.add("flush", "effleurage", 2, Phase.FLUSH);
        return list;
    }

    /** Lays steps over one zone, each a grade deeper than the last at most. */
    private static final class Laying {
        private final Zone zone;
        private final Profile profile;
        private final List<StepEdit> list;
        private int deepest;
        private boolean asked;

        Laying(Zone zone, Profile profile, List<StepEdit> list) {
            this.zone = zone;
            this.profile = profile;
            this.list = list;
        }

        void add(String id, String technique, int depth, Phase phase) {
            Technique t = profile.techniques().toUse(technique);
            var e = StepEdit.of(id, t, List.of(zone));
            e.name = t.shortName();
            e.depth = Math.min(Math.min(depth, ceiling(zone, profile)), deepest + (deepest == 0 ? 2 : 1));
            e.phase = phase;
            boolean sensitive = profile.draping().asks(zone);
            if (sensitive) {
                e.sheet = Sheet.THROUGH;
                e.lubricant = Lubricant.DRY;
                if (!asked) e.say.add(Saying.of(SayKind.CONSENT, "May I work here, with the sheet or without?"));
                asked = true;
            }
            if (e.depth >= profile.order().firmDepth()) warm();
            if (phase == Phase.WARM && list.isEmpty()) e.dose = Dose.passes(4, 10);
            if (phase == Phase.FLUSH) e.dose = Dose.passes(2, 10);
            if (technique.equals("petrissage")) e.dose = Dose.seconds(40);
            DoseWindow.of(t, List.of(zone), profile).ifPresent(w -> e.dose = w.clamp(e.dose));
            if (t.strong()) e.say.add(Saying.of(SayKind.WARNS, "This may feel strong; tell me and I ease at once."));
            if (technique.equals("trigger-point")) {
                e.say.add(Saying.of(SayKind.INTERVIEW, "Is it tender? What number, 0 to 10? Does it travel?"));
                e.say.add(new Saying(SayKind.INTERVIEW, "Is it easing: what number now?", 5));
                if (profile.dose().holdEnd() == Profile.HoldEnd.BY_BREATHS) e.dose = Dose.breaths(3);
                if (profile.dose().holdEnd() == Profile.HoldEnd.UNTIL_SOFT)
                    e.dose = Dose.untilSoft(profile.dose().softCapSeconds());
            } else if (e.depth >= profile.order().firmDepth())
                e.say.add(new Saying(SayKind.PRESSURE_QUESTION, "How is this pressure, as a number?", 10));
            if (t.stroke().bigMovement() && e.sheet == Sheet.OPEN && zone.unit().draped())
                e.care.add(Care.SHEET_SECURED);
            deepest = Math.max(deepest, e.depth);
            list.add(e);
        }

        /** Lengthens the first stroke until the zone is as warm as the profile wants it before firm work. */
        private void warm() {
            double had = Sums.of(list.stream()
                    .map(StepEdit::step)
                    .filter(s -> s.calms(profile.order().firmDepth()))
                    .mapToDouble(s -> s.dose().totalSeconds()));
            double missing = profile.order().warmUpSeconds() - had;
            if (missing <= 0 || list.isEmpty()) return;
            var first = list.get(0);
            first.dose = first.dose.withTotalSeconds(first.dose.totalSeconds() + missing);
        }
    }
}

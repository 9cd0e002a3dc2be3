package palmtally.core.register;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;
import palmtally.core.Sums;
import palmtally.core.calendar.HourKind;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Hours;
import palmtally.core.profile.Profile;
import palmtally.core.register.StudentHours.KindHours;
import palmtally.core.register.StudentHours.LabHours;
import palmtally.core.register.StudentHours.Missed;

/**
 * From what is marked at the door to hours by kind, what is missing, and where it can be made up. A part of a lab counts by the minutes
 * that somebody was there while it was held. What is not marked counts neither as there nor as away.
 */
public final class Register {
    /** Hours are compared to the minute. */
    private static final double MINUTE = 1 / 60.0;

    private static final int PLACES_NAMED = 3;

    /**
     * What is marked of one student.
     *
     * @param from the first lab that is theirs; what was before it they neither had nor missed
     * @param until the last lab that is theirs, or null while they are in the term
     * @param marks by lab
     */
    public record Marked(
            String student,
            LabPlace from,
            @Nullable LabPlace until,
            Map<LabPlace, Presence> marks,
            List<EnteredHours> entered) {
        boolean theirs(LabPlace lab) {
            return lab.compareTo(from) >= 0 && (until == null || lab.compareTo(until) <= 0);
        }
    }

    /** What a lab to come has of each kind. */
    private record Planned(LabPlace place, Map<HourKind, Double> minutes) {}

    private final TermLabs labs;
    private final List<Planned> planned;
    private final Map<LabPlace, HeldLab> held = new HashMap<>();
    private final Profile profile;
    private final Hours rules;

    private Register(TermLabs labs, Profile profile) {
        this.labs = labs;
        this.profile = profile;
        this.rules = profile.hours();
        labs.held().forEach(l -> held.put(l.place(), l));
        planned = labs.toCome().stream()
                .map(l -> {
                    Map<HourKind, Double> minutes = new EnumMap<>(HourKind.class);
                    for (var span : l.spans(rules))
                        if (span.kind() != null) minutes.merge(span.kind(), span.to() - span.from(), Double::sum);
                    return new Planned(l.place(), minutes);
                })
                .toList();
    }

    /** The hours of every student, in the order given. */
    public static List<StudentHours> hours(TermLabs labs, Profile profile, List<Marked> students) {
        var register = new Register(labs, profile);
        return students.stream().map(register::of).toList();
    }

    /** What there is to say of the term itself: labs that are over and were not marked. */
    public static List<RegisterFinding> findings(TermLabs labs, Profile profile) {
        var severity = profile.severity(RegisterRules.UNMARKED);
        if (severity == Severity.OFF) return List.of();
        return labs.unmarked().stream()
                .map(l -> new RegisterFinding(
                        RegisterRules.UNMARKED,
                        severity,
                        l,
                        null,
                        "Nobody is marked in week " + l.week() + ", lab " + l.lab()
                                + ": it counts neither as there nor as away.",
                        "Mark who was there, or say that it was not held by taking the week off the plan."))
                .toList();
    }

    private StudentHours of(Marked student) {
        var lines = new ArrayList<LabHours>();
        for (var lab : labs.held()) if (student.theirs(lab.place())) lines.add(line(lab, student));
        var kinds = new ArrayList<KindHours>();
        for (var kind : HourKind.values()) kinds.add(kind(kind, lines, student));
        var all = all(kinds);
        var missed = missed(lines);
        int labsMissed = (int) lines.stream()
                .filter(l -> l.presence() != null && l.presence().missed(rules))
                .filter(l -> l.missed().isEmpty() || l.madeUp() < sum(l.missed()) - 0.5)
                .count();
        var findings = new ArrayList<RegisterFinding>();
        for (var k : kinds) shortOf(k, findings);
        if (findings.isEmpty()) shortOf(all, findings);
        missedOften(lines, labsMissed, findings);
        return new StudentHours(
                student.student,
                List.copyOf(kinds),
                all,
                List.copyOf(lines),
                List.copyOf(student.entered),
                missed,
                labsMissed,
                List.copyOf(findings));
    }

    private LabHours line(HeldLab lab, Marked student) {
        var presence = student.marks.get(lab.place());
        Map<HourKind, Double> counted = new EnumMap<>(HourKind.class);
        Map<HourKind, Double> missed = new EnumMap<>(HourKind.class);
        if (presence != null) {
            boolean none = presence.missed(rules);
            double from = none ? lab.minutes() : presence.from(rules);
            double to = none ? lab.minutes() : presence.to(lab, rules);
            for (var span : lab.spans(rules)) {
                if (span.kind() == null) continue;
                double here = span.within(from, to);
                if (here > 0) counted.merge(span.kind(), here, Double::sum);
                double away = span.to() - span.from() - here;
                if (away > 0) missed.merge(span.kind(), away, Double::sum);
            }
        }
        double madeUp = Sums.of(student.entered.stream()
                .filter(e -> lab.place().equals(e.madeUp()))
                .mapToDouble(EnteredHours::minutes));
        return new LabHours(lab.place(), presence, counted, missed, madeUp);
    }

    private KindHours kind(HourKind kind, List<LabHours> lines, Marked student) {
        double attended = Sums.of(lines.stream().mapToDouble(l -> l.counted().getOrDefault(kind, 0.0)));
        double excused = Sums.of(lines.stream()
                .filter(l -> l.presence() != null && l.presence().kind() == Presence.Kind.EXCUSED)
                .mapToDouble(l -> l.missed().getOrDefault(kind, 0.0)));
        double toCome = Sums.of(planned.stream()
                .filter(p -> student.theirs(p.place))
                .mapToDouble(p -> p.minutes.getOrDefault(kind, 0.0)));
        double asked = labs.plan().kindHours().getOrDefault(kind, 0.0);
        double madeUp = entered(student, kind, true);
        double entered = entered(student, kind, false);
        // What was excused counts up to a share of what is asked; what was made up is not excused besides.
        double counts = Math.min(Math.max(0, excused / rules.hourMinutes() - madeUp), rules.excusedShare() * asked);
        // What is done elsewhere no plan holds: it is behind where it is less than its share of the term that is gone.
        double left = kind.inLabs() ? hours(toCome) : Math.max(0, asked - Math.max(entered, asked * gone(student)));
        return row(kind, hours(attended), madeUp, entered, counts, left, asked);
    }

    /** Share of the labs that are theirs that are over. */
    private double gone(Marked student) {
        long toCome = planned.stream().filter(p -> student.theirs(p.place)).count();
        long over = Stream.concat(labs.held().stream().map(HeldLab::place), labs.unmarked().stream())
                .filter(student::theirs)
                .count();
        return over + toCome == 0 ? 1 : over / (double) (over + toCome);
    }

    private double entered(Marked student, HourKind kind, boolean madeUp) {
        return hours(Sums.of(student.entered.stream()
                .filter(e -> e.kind() == kind && (e.madeUp() != null) == madeUp)
                .mapToDouble(EnteredHours::minutes)));
    }

    private KindHours all(List<KindHours> kinds) {
        double asked =
                Math.max(labs.plan().targetHours(), Sums.of(kinds.stream().mapToDouble(KindHours::asked)));
        return row(
                null,
                Sums.of(kinds.stream().mapToDouble(KindHours::attended)),
                Sums.of(kinds.stream().mapToDouble(KindHours::madeUp)),
                Sums.of(kinds.stream().mapToDouble(KindHours::entered)),
                Sums.of(kinds.stream().mapToDouble(KindHours::excused)),
                Sums.of(kinds.stream().mapToDouble(KindHours::toCome)),
                asked);
    }

    private static KindHours row(
            @Nullable HourKind kind,
            double attended,
            double madeUp,
            double entered,
            double excused,
            double toCome,
            double asked) {
        double lacking = asked - (attended + madeUp + entered + excused) - toCome;
        return new KindHours(
                kind, attended, madeUp, entered, excused, toCome, asked, lacking > MINUTE / 2 ? lacking : 0);
    }

    private double hours(double minutes) {
        return minutes / rules.hourMinutes();
    }

    private static double sum(Map<HourKind, Double> minutes) {
        return Sums.of(minutes.values().stream().mapToDouble(Double::doubleValue));
    }

    /** Parts of labs that were missed and not made up, with the next lab that has the same. */
    private List<Missed> missed(List<LabHours> lines) {
        var missed = new ArrayList<Missed>();
        for (var line : lines) {
            if (line.missed().isEmpty()) continue;
            var presence = java.util.Objects.requireNonNull(line.presence());
            var lab = java.util.Objects.requireNonNull(held.get(line.place()));
            double left = line.madeUp();
            boolean none = presence.missed(rules);
            double from = none ? lab.minutes() : presence.from(rules);
            double to = none ? lab.minutes() : presence.to(lab, rules);
            for (var span : lab.spans(rules)) {
                if (span.kind() == null) continue;
                double away = span.to() - span.from() - span.within(from, to);
                double covered = Math.min(left, away);
                left -= covered;
                if (away - covered >= 0.5)
                    missed.add(new Missed(line.place(), span.kind(), span.region(), away - covered, again(span)));
            }
        }
        return List.copyOf(missed);
    }

    private @Nullable LabPlace again(HeldLab.Span missed) {
        if (missed.region() == null) return null;
        return labs.toCome().stream()
                .filter(l ->
                        l.parts().stream().anyMatch(p -> p.region() == missed.region() && p.kind() == missed.kind()))
                .map(HeldLab::place)
                .findFirst()
                .orElse(null);
    }

    private void shortOf(KindHours k, List<RegisterFinding> findings) {
        if (k.asked() <= 0 || k.missing() <= 0) return;
        var what = k.kind() == null ? "The term" : capital(k.kind().label());
        var sentence = k.kind() == null || k.kind().inLabs()
                ? what + " comes to " + text(k.asked() - k.missing()) + " of the " + text(k.asked())
                        + " h asked for by the end of the term if nothing else is missed: " + text(k.missing())
                        + " h are lacking."
                : what + " is " + text(k.counts()) + " of the " + text(k.asked()) + " h asked for: " + text(k.missing())
                        + " h less than the part of the term that is gone.";
        report(findings, RegisterRules.SHORT, null, k.kind(), sentence, whereToMakeUp(k));
    }

    /** Labs to come with minutes that count for nothing else, then weeks without labs. */
    private String whereToMakeUp(KindHours k) {
        var kind = k.kind();
        int next = labs.toCome().isEmpty()
                ? labs.plan().weeks() + 1
                : labs.toCome().get(0).place().week();
        int weeks = labs.plan().weeks() - next + 1;
        if (kind != null && !kind.inLabs())
            return weeks < 1
                    ? "The term has no lab to come: agree how it is done after it, and enter it."
                    : "In the " + (weeks == 1 ? "week that is left" : weeks + " weeks that are left") + " that is "
                            + text(Math.ceil(10 * (k.missing() + k.toCome()) / weeks) / 10)
                            + " h a week for all of it. Enter what was done.";
        boolean openCounts = rules.openMinutes() == Hours.OpenMinutes.PRACTICE
                && (kind == null || kind == HourKind.SUPERVISED_PRACTICE);
        var places = new ArrayList<String>();
        if (!openCounts)
            labs.toCome().stream()
                    .filter(l -> l.openMinutes() >= 5)
                    .limit(PLACES_NAMED)
                    .forEach(l -> places.add(
                            l.place() + " (" + FastMath.round(l.openMinutes()) + " min that no lesson takes)"));
        labs.plan().off().stream()
                .filter(w -> w >= next)
                .limit(PLACES_NAMED - Math.min(PLACES_NAMED, places.size()))
                .forEach(w -> places.add("week " + w + ", which has no labs"));
        return places.isEmpty()
                ? "No lab to come has room for it: agree on a time outside the labs, and enter it as made up."
                : "It can be made up in " + String.join("; ", places) + ". Enter it as made up.";
    }

    private void missedOften(List<LabHours> lines, int missed, List<RegisterFinding> findings) {
        int marked = (int) lines.stream().filter(l -> l.presence() != null).count();
        if (missed == 0 || missed <= rules.missedShare() * marked + 1e-9) return;
        // One lab of the first few is no habit.
        if (missed == 1 && marked < FastMath.round(1 / Math.max(rules.missedShare(), 0.01))) return;
        report(
                findings,
                RegisterRules.MISSED,
                null,
                null,
                "Missed " + missed + " of " + marked + " labs and did not make them up; this school allows "
                        + FastMath.round(100 * rules.missedShare()) + " %.",
                "Talk about it, and agree when what was missed is made up.");
    }

    private void report(
            List<RegisterFinding> findings,
            Rule rule,
            @Nullable LabPlace where,
            @Nullable HourKind kind,
            String sentence,
            String remedy) {
        var severity = profile.severity(rule);
        if (severity != Severity.OFF) findings.add(new RegisterFinding(rule, severity, where, kind, sentence, remedy));
    }

    private static String capital(String text) {
        return text.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + text.substring(1);
    }

    /** Hours to the quarter minute are shown to a tenth. */
    static String text(double hours) {
        var text = String.valueOf(FastMath.round(hours * 10) / 10.0);
        return text.endsWith(".0") ? text.substring(0, text.length() - 2) : text;
    }
}

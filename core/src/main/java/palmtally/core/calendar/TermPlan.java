package palmtally.core.calendar;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Region;
import palmtally.core.calendar.TermFinding.TermMend;
import palmtally.core.calendar.TermFinding.TermPlace;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;

/** What the checks on a term look at: its lessons by region in order, and what is known of their sequences. */
final class TermPlan {
    final Curriculum term;
    final Profile profile;
    final SequenceFacts facts;
    final Map<Region, List<Lesson>> byRegion = new EnumMap<>(Region.class);
    final List<TermFinding> found = new ArrayList<>();
    final Map<String, Supplier<Stream<TermMend>>> proposals = new HashMap<>();

    TermPlan(Curriculum term, Profile profile, SequenceFacts facts) {
        this.term = term;
        this.profile = profile;
        this.facts = facts;
        // What is only explained is neither met nor asked for with the hands.
        for (var l : term.lessons())
            if (l.aim() != Aim.EXPLAIN)
                byRegion.computeIfAbsent(l.region(), r -> new ArrayList<>()).add(l);
    }

    List<Lesson> of(Region region) {
        return byRegion.getOrDefault(region, List.of());
    }

    /** The first lesson of a region with an aim, or null. */
    @Nullable
    Lesson first(Region region, Aim aim) {
        return of(region).stream().filter(l -> l.aim() == aim).findFirst().orElse(null);
    }

    @Nullable
    Sequence sequence(Lesson l) {
        return l.sequence() == null ? null : facts.sequence(l.sequence());
    }

    /** Whether a lesson comes before another in the term. */
    boolean before(Lesson a, Lesson b) {
        return term.lessons().indexOf(a) < term.lessons().indexOf(b);
    }

    void report(Rule rule, TermPlace where, String sentence, String remedy, Supplier<Stream<TermMend>> proposal) {
        report(rule, profile.severity(rule), where, sentence, remedy, proposal);
    }

    /** @param proposal edits that may mend it, the best first; the first that does without raising another is offered */
    void report(
            Rule rule,
            Severity severity,
            TermPlace where,
            String sentence,
            String remedy,
            Supplier<Stream<TermMend>> proposal) {
        if (severity == Severity.OFF) return;
        var finding = new TermFinding(rule, severity, where, sentence, remedy, null);
        found.add(finding);
        proposals.put(finding.key(), proposal);
    }

    /** Labs of the weeks that are not off, nearest to a week first; the earlier of two that are as near. */
    Stream<Lesson> moved(Lesson l, int fromWeek, int toWeek) {
        var labs = new ArrayList<Lesson>();
        for (int w = Math.max(1, fromWeek); w <= Math.min(term.weeks(), toWeek); w++)
            for (int lab = 1; lab <= term.labsAWeek(); lab++)
                if (!term.off().contains(w) && (w != l.week() || lab != l.lab())) labs.add(l.at(w, lab));
        labs.sort(java.util.Comparator.comparingInt(
                m -> Math.abs(m.week() - l.week()) * 10 + Math.abs(m.lab() - l.lab())));
        return labs.stream();
    }

    /** Edits that put a lesson elsewhere. */
    Stream<TermMend> moves(Lesson l, int fromWeek, int toWeek) {
        return moved(l, fromWeek, toWeek)
                .map(m -> new TermMend(
                        "Move \"" + what(l) + "\" to week " + m.week() + ", lab " + m.lab(), term.with(m)));
    }

    /** Edits that add a lesson, the wanted week first. */
    Stream<TermMend> additions(Region region, Aim aim, double minutes, int wanted, int fromWeek, int toWeek) {
        var named = of(region).stream()
                .map(Lesson::sequence)
                .filter(s -> s != null)
                .findFirst()
                .orElseGet(() -> facts.only(region));
        int start = Math.min(Math.max(1, wanted), term.weeks());
        var lesson = new Lesson(term.freshId(), start, 1, region, aim, minutes, named, "");
        var here = Stream.of(lesson)
                .filter(l -> start >= fromWeek && start <= toWeek && !term.off().contains(start));
        return Stream.concat(here, moved(lesson, fromWeek, toWeek))
                .map(l -> new TermMend(
                        "Add \"" + what(l) + "\", " + FastMath.round(minutes) + " min, in week " + l.week() + ", lab "
                                + l.lab(),
                        term.adding(l)));
    }

    static String what(Lesson l) {
        return l.aim().toString().replace('-', ' ') + " " + l.region().label().toLowerCase(Locale.ROOT);
    }
}

package palmtally.core.calendar;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import palmtally.core.body.Region;
import palmtally.core.calendar.TermFinding.TermMend;
import palmtally.core.finding.Rule;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;

/** Small terms for tests: eight weeks of two labs of two hours, and lessons that say only what the test is about. */
final class Terms {
    private Terms() {}

    static Curriculum of(Lesson... lessons) {
        return new Curriculum("t", "Term", 8, 2, 120, 0, Map.of(), Set.of(), List.of(lessons));
    }

    static Lesson lesson(int week, Region region, Aim aim) {
        return lesson(week, 1, region, aim, 30);
    }

    static Lesson lesson(int week, int lab, Region region, Aim aim, double minutes) {
        return new Lesson(region + "-" + aim + "-" + week + "." + lab, week, lab, region, aim, minutes, null, "");
    }

    /** A region taken as this trade would: taught and practised, practised, assessed, met again. */
    static List<Lesson> whole(Region region, int start, int... gaps) {
        var lessons = new ArrayList<Lesson>();
        lessons.add(lesson(start, region, Aim.TEACH));
        lessons.add(lesson(start, 2, region, Aim.PRACTISE, 30));
        int week = start;
        for (int i = 0; i < gaps.length; i++) {
            week += gaps[i];
            lessons.add(lesson(week, region, i == 0 ? Aim.ASSESS : Aim.MEET_AGAIN));
        }
        return lessons;
    }

    static Curriculum of(List<Lesson> lessons) {
        return of(lessons.toArray(Lesson[]::new));
    }

    static List<TermFinding> found(Curriculum term, Rule rule, Profile profile, Sequence... sequences) {
        return TermChecks.run(term, List.of(sequences), profile).findings().stream()
                .filter(f -> f.rule().equals(rule))
                .toList();
    }

    static List<TermFinding> found(Curriculum term, Rule rule, Sequence... sequences) {
        return found(term, rule, Profile.bySeconds(), sequences);
    }

    static TermMend mend(TermFinding finding) {
        var mend = finding.mend();
        if (mend == null) throw new AssertionError("no mend: " + finding.sentence());
        return mend;
    }
}

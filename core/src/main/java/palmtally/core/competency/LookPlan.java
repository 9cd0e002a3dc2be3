package palmtally.core.competency;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.finding.Criterion;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;

/**
 * What the graders of a term can see of a class, reckoned before the term begins: on how many days each student is looked at for each
 * criterion, when every look takes {@link Watch#SPOT_MINUTES} of somebody's eyes, students take turns, and nobody is looked at for the
 * same criterion twice in a lab.
 */
public final class LookPlan {
    /** Days on which a criterion must be seen before it can be secure (RULES 5). */
    public static final int ASKED_DAYS = 2;

    private LookPlan() {}

    /**
     * A lab in which students have their hands on.
     *
     * @param minutes for which they have
     * @param criteria those that what is worked can show
     */
    public record LookLab(int week, int lab, double minutes, Set<Criterion> criteria) {
        public LookLab {
            criteria = criteria.isEmpty() ? Set.of() : Set.copyOf(criteria);
        }
    }

    /**
     * One criterion of the term.
     *
     * @param labs in how many labs it can be seen
     */
    public record CriterionReach(Criterion criterion, int labs) {}

    /**
     * How far looks go.
     *
     * @param days on how many days everybody is seen at least, in each of the criteria that a lab can show
     * @param onOneMore how many of the students are seen on one day more
     * @param enough how many of the students are seen on enough days
     * @param there minutes of eyes there are in those labs
     * @param needed minutes that would do, where every lab could show everything
     * @param never criteria that no lab can show
     */
    public record Reach(
            int students,
            int graders,
            int days,
            int onOneMore,
            int enough,
            double there,
            double needed,
            List<CriterionReach> criteria,
            Set<Criterion> never,
            String sentence) {}

    /** The criteria that a practical of a sequence can show: draping where something is opened, order where there are two steps. */
    public static Set<Criterion> shows(Sequence sequence) {
        var shown = EnumSet.allOf(Criterion.class);
        if (sequence.steps().stream().noneMatch(s -> s.sheet() == Sheet.OPEN)) shown.remove(Criterion.DRAPING);
        if (sequence.steps().size() < 2) shown.remove(Criterion.ORDER);
        return shown;
    }

    /**
     * @param labs those that are still to come
     * @param students of the class
     * @param graders who look at the same time, 1 to 20
     * @throws InvalidValue for a number of graders that cannot be
     */
    public static Reach of(List<LookLab> labs, int students, int graders) {
        if (graders < 1 || graders > 20)
            throw new InvalidValue("looks", new Fault("graders", String.valueOf(graders), "must be 1 to 20"));
        Map<Criterion, Integer> in = new EnumMap<>(Criterion.class);
        for (var lab : labs) for (var c : lab.criteria) in.merge(c, 1, Integer::sum);
        var never = EnumSet.allOf(Criterion.class);
        never.removeAll(in.keySet());
        double there = 0;
        for (var lab : labs) if (!lab.criteria.isEmpty()) there += lab.minutes * graders;
        int looks = students == 0 || in.isEmpty() ? 0 : looks(labs, new ArrayList<>(in.keySet()), students, graders);
        int days = students == 0 ? 0 : looks / students;
        int more = students == 0 ? 0 : looks % students;
        int enough = !never.isEmpty() || in.isEmpty()
                ? 0
                : days >= ASKED_DAYS ? students : days == ASKED_DAYS - 1 ? more : 0;
        double needed = (double) ASKED_DAYS * students * in.size() * Watch.SPOT_MINUTES;
        var criteria = in.entrySet().stream()
                .map(e -> new CriterionReach(e.getKey(), e.getValue()))
                .toList();
        return new Reach(
                students,
                graders,
                days,
                more,
                enough,
                there,
                needed,
                criteria,
                Set.copyOf(never),
                sentence(students, graders, days, more, there, needed, never, criteria));
    }

    /**
     * Looks that every criterion gets where all get alike: of each set of criteria, no more than its labs have eyes and turns for. That
     * each such set has enough is all that is asked (the cuts of a flow from criteria to labs, Ford and Fulkerson 1956, from memory).
     */
    private static int looks(List<LookLab> labs, List<Criterion> criteria, int students, int graders) {
        int most = Integer.MAX_VALUE;
        for (int set = 1; set < 1 << criteria.size(); set++) {
            long room = 0;
            for (var lab : labs) {
                int of = 0;
                for (int c = 0; c < criteria.size(); c++)
                    if ((set >> c & 1) == 1 && lab.criteria.contains(criteria.get(c))) of++;
                long eyes = (long) Math.floor(lab.minutes * graders / Watch.SPOT_MINUTES + 1e-9);
                room += Math.min(eyes, (long) of * students);
            }
            most = (int) Math.min(most, room / Integer.bitCount(set));
        }
        return most;
    }

    private static String sentence(
            int students,
            int graders,
            int days,
            int more,
            double there,
            double needed,
            Set<Criterion> never,
            List<CriterionReach> criteria) {
        if (students == 0) return "There is no student in this term yet.";
        if (criteria.isEmpty())
            return "No lab to come has students with their hands on a sequence: nobody can be looked at. Plan lessons that practise,"
                    + " each with its sequence.";
        var who = graders == 1 ? "One grader sees" : graders + " graders see";
        var said = new StringBuilder(who + " each of " + students + (students == 1 ? " student" : " students") + " in "
                + names(criteria) + " on " + days(days)
                + (more > 0 ? ", " + more + " of them on one more" : "") + "; " + ASKED_DAYS + " are asked.");
        if (days < ASKED_DAYS) {
            double short_ = needed - there;
            said.append(
                    short_ > 0
                            ? " " + (long) Math.ceil(short_ / graders)
                                    + " minutes more of practice would do, or another grader."
                            : " There are minutes enough, in too few labs: spread what is seldom shown over more of them.");
        }
        if (!never.isEmpty())
            said.append(" No lab can show ")
                    .append(list(never.stream()
                            .sorted()
                            .map(c -> c.label().toLowerCase(java.util.Locale.ROOT))
                            .toList()))
                    .append(": plan a sequence that does.");
        return said.toString();
    }

    private static String names(List<CriterionReach> criteria) {
        if (criteria.size() == Criterion.values().length) return "all five criteria";
        return list(criteria.stream()
                .map(c -> c.criterion.label().toLowerCase(java.util.Locale.ROOT))
                .toList());
    }

    private static String days(int days) {
        return days == 0 ? "no day" : days == 1 ? "1 day" : days + " days";
    }

    private static String list(List<String> words) {
        if (words.size() == 1) return words.get(0);
        return String.join(", ", words.subList(0, words.size() - 1)) + " and " + words.get(words.size() - 1);
    }
}

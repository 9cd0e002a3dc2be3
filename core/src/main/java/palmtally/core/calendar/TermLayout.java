package palmtally.core.calendar;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Region;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;

/**
 * Lays a whole term out: each region taught, practised, assessed and met again at growing gaps, prerequisites first, in the hours there
 * are.
 *
 * <p>Branch and bound over the week in which each region starts and the gaps between its meetings. The best plan has the fewest lessons
 * before what they rest on, then the fewest minutes over the hours of a lab, then the fewest meetings left out, then starts spread most evenly. Minutes over a lab's hours only grow as
 * regions are added, which is the bound; lessons of a week go into its first lab with room, so "best" is among plans filled that way.
 *
 * @param overMinutes minutes that no lab has room for
 * @param missed meetings that the term is too short for
 * @param proven false where the search was cut off, so that a better plan may exist
 */
public record TermLayout(Curriculum term, double overMinutes, int missed, boolean proven) {
    /** Plans looked at before the search is cut off. */
    private static final int MOST_NODES = 200_000;

    /**
     * What is wanted of one sequence of a region, in minutes.
     *
     * @param sequence id of the sequence to show, or null
     * @param drapesLeg whether hands-on lessons of it drape a leg
     */
    public record Course(
            @Nullable String sequence, double teach, double practise, double assess, double again, boolean drapesLeg) {
        /** Minutes out of what a sequence needs, rounded up to 5; 45, 60, 60 and 20 where there is none. */
        static Course of(Region region, @Nullable Sequence sequence, Profile profile) {
            if (sequence == null) return new Course(null, 45, 60, 60, 20, LEGS.contains(region));
            var facts = new SequenceFacts(List.of(sequence), profile).of(sequence);
            return new Course(
                    sequence.id(),
                    rounded(15 + RoomChecks.needed(Aim.TEACH, facts)),
                    rounded(5 + RoomChecks.needed(Aim.PRACTISE, facts)),
                    rounded(10 + 2 * RoomChecks.needed(Aim.ASSESS, facts)),
                    rounded(RoomChecks.needed(Aim.MEET_AGAIN, facts)),
                    facts.drapesLeg());
        }

        private static double rounded(double minutes) {
            return Math.min(480, Math.ceil(minutes / 5) * 5);
        }

        double minutes(Aim aim) {
            return switch (aim) {
                case EXPLAIN -> 0;
                case TEACH -> teach;
                case PRACTISE -> practise;
                case ASSESS -> assess;
                case MEET_AGAIN -> again;
            };
        }
    }

    /**
     * What is wanted of a region.
     *
     * @param courses its sequences, in the order in which they are taught; one at least
     */
    public record Wish(Region region, List<Course> courses) {
        public Wish {
            courses = List.copyOf(courses);
        }

        /** @param sequences those of the region; without any a course of usual length is meant */
        public static Wish of(Region region, List<Sequence> sequences, Profile profile) {
            return new Wish(
                    region,
                    sequences.isEmpty()
                            ? List.of(Course.of(region, null, profile))
                            : sequences.stream()
                                    .map(s -> Course.of(region, s, profile))
                                    .toList());
        }
    }

    private static final Set<Region> LEGS = Set.of(Region.THIGH, Region.KNEE, Region.LOWER_LEG, Region.FOOT);

    /**
     * @param frame the term to fill; its own lessons are left out
     * @param wishes regions in the order in which the school would take them; prerequisites move ahead of what needs them
     * @throws InvalidValue where a region is wished for twice or the term is off from end to end
     */
    public static TermLayout of(Curriculum frame, Collection<Wish> wishes, Profile profile) {
        if (wishes.stream().map(Wish::region).distinct().count() != wishes.size())
            throw new InvalidValue("layout", new Fault("regions", "", "names a region twice"));
        if (frame.off().size() == frame.weeks())
            throw new InvalidValue("layout", new Fault("off", "every week", "leaves no week to plan"));
        return new Search(frame, inOrder(wishes), profile).run();
    }

    /** Neck before jaw; legs before the hip, as many as the profile asks for; else the order given. */
    static List<Wish> inOrder(Collection<Wish> wishes) {
        var order = new ArrayList<>(wishes);
        behind(order, Region.JAW, w -> w.region() == Region.NECK);
        behind(order, Region.HIP, w -> LEGS.contains(w.region()));
        behind(order, Region.WHOLE_BODY, w -> w.region() != Region.WHOLE_BODY);
        return order;
    }

    private static void behind(List<Wish> order, Region late, java.util.function.Predicate<Wish> first) {
        int at = -1;
        int last = -1;
        for (int i = 0; i < order.size(); i++) {
            if (order.get(i).region() == late) at = i;
            else if (first.test(order.get(i))) last = i;
        }
        if (at >= 0 && last > at) order.add(last, order.remove(at));
    }

    /** TermPlace the lessons of one region go, by week. */
    private record Placing(List<Integer> weeks, int missed, double cost) {}

    private static final class Search {
        final Curriculum frame;
        final List<Wish> wishes;
        final Profile profile;
        /** What is only explained stays where it is, and takes its minutes. */
        final List<Lesson> explained;

        final double[][] load;
        final List<Lesson> placed = new ArrayList<>();
        final List<List<Placing>> choices = new ArrayList<>();
        /** What the regions from one on cost at least: their best choices, were each alone. */
        final double[] least;

        List<Lesson> best = List.of();
        double bestCost = Double.POSITIVE_INFINITY;
        double bestOver;
        int bestMissed;
        /** Lessons so far that come before what they rest on. */
        int early;
        /** Ids of the lessons so far that drape a leg. */
        final Set<String> drapes = new HashSet<>();

        int nodes;

        Search(Curriculum frame, List<Wish> wishes, Profile profile) {
            this.frame = frame;
            this.wishes = wishes;
            this.profile = profile;
            load = new double[frame.weeks() + 1][frame.labsAWeek() + 1];
            explained =
                    frame.lessons().stream().filter(l -> l.aim() == Aim.EXPLAIN).toList();
            for (var l : explained) load[l.week()][l.lab()] += l.minutes();
            least = new double[wishes.size() + 1];
            for (int i = 0; i < wishes.size(); i++) choices.add(choices(i));
            for (int i = wishes.size() - 1; i >= 0; i--) {
                var first = choices.get(i).get(0);
                least[i] = least[i + 1] + first.missed * 1e3 + first.cost;
            }
        }

        TermLayout run() {
            go(0, 1, 0, 0, 0);
            var all = new ArrayList<>(best);
            for (int i = 0; i < explained.size(); i++) all.add(explained.get(i).called("e" + (i + 1)));
            return new TermLayout(frame.withLessons(all), bestOver, bestMissed, nodes < MOST_NODES);
        }

        /** Starts and gaps of a region, the most even first. */
        private List<Placing> choices(int i) {
            double ideal = 1 + i * Math.max(0.0, frame.weeks() * 0.75 - 1) / Math.max(1, wishes.size());
            var found = new ArrayList<Placing>();
            for (int start = 1; start <= frame.weeks(); start++)
                if (!frame.off().contains(start)) {
                    double off = Math.abs(start - ideal);
                    for (var weeks : gaps(start)) {
                        int missed = Math.max(0, Math.max(1, profile.terms().meetings()) - (weeks.size() - 1));
                        int stretch = weeks.get(weeks.size() - 1) - start;
                        found.add(new Placing(weeks, missed, off + 0.01 * stretch));
                    }
                }
            found.sort(Comparator.comparingInt(Placing::missed).thenComparingDouble(Placing::cost));
            return found;
        }

        /** Weeks of a region that starts in a week: every way to let the gaps grow by the least or by one week more. */
        private List<List<Integer>> gaps(int start) {
            var all = new ArrayList<List<Integer>>();
            for (int first = 1; first <= 2; first++) extend(List.of(start), first, all);
            return all.stream().distinct().toList();
        }

        private void extend(List<Integer> weeks, int gap, List<List<Integer>> all) {
            int wanted = Math.max(1, profile.terms().meetings());
            int longest = (int) Math.floor(profile.terms().longestGapWeeks());
            int last = weeks.get(weeks.size() - 1);
            int next = last + gap;
            while (frame.off().contains(next)) next++;
            if (weeks.size() - 1 == wanted || next > frame.weeks()) {
                all.add(weeks);
                return;
            }
            var longer = new ArrayList<>(weeks);
            longer.add(next);
            int least = LessonChecks.next(
                    next - last, profile.terms().gapGrowth(), profile.terms().longestGapWeeks());
            extend(List.copyOf(longer), least, all);
            if (least < longest) extend(List.copyOf(longer), least + 1, all);
        }

        private void go(int i, int earliest, double over, int missed, double spread) {
            double cost = early * 1e9 + over * 1e6 + missed * 1e3 + spread;
            if (cost + least[i] >= bestCost || nodes >= MOST_NODES) return;
            nodes++;
            if (i == wishes.size()) {
                bestCost = cost;
                bestOver = over;
                bestMissed = missed;
                best = List.copyOf(placed);
                return;
            }
            for (var choice : choices.get(i)) {
                int start = choice.weeks.get(0);
                // Choices come cheapest first: what follows costs no less.
                if (cost + choice.missed * 1e3 + choice.cost + least[i + 1] >= bestCost) break;
                if (start < earliest) continue;
                int size = placed.size();
                int before = early;
                double added = place(wishes.get(i), choice.weeks);
                early += early(wishes.get(i).region(), size);
                go(i + 1, start, over + added, missed + choice.missed, spread + choice.cost);
                early = before;
                while (placed.size() > size) {
                    var l = placed.remove(placed.size() - 1);
                    drapes.remove(l.id());
                    load[l.week()][l.lab()] -= l.minutes();
                }
            }
        }

        /** How many lessons of a region, placed from {@code from} on, come before what they rest on; none where the term has nothing of that. */
        private int early(Region region, int from) {
            if (region != Region.JAW && region != Region.HIP) return 0;
            var rests = placed.subList(0, from).stream()
                    .filter(l -> region == Region.JAW
                            ? l.region() == Region.NECK && l.aim() == Aim.TEACH
                            : l.aim().handsOn() && drapes.contains(l.id()))
                    .toList();
            int wanted = region == Region.JAW ? 1 : profile.terms().cleanDrapes();
            if (rests.isEmpty()) return 0;
            return (int) placed.subList(from, placed.size()).stream()
                    .filter(l -> region == Region.JAW || l.aim().handsOn())
                    .filter(l ->
                            rests.stream().filter(r -> inTime(r) <= inTime(l)).count() < wanted)
                    .count();
        }

        /** Of two of one lab the one that was placed first comes first. */
        private int inTime(Lesson l) {
            return l.week() * (frame.labsAWeek() + 1) + l.lab();
        }

        /** Puts the lessons of a region into their weeks and says by how many minutes the labs run over for it. */
        private double place(Wish wish, List<Integer> weeks) {
            int meetings = weeks.size() - 1;
            int courses = wish.courses().size();
            double over = begin(wish, 0, weeks.get(0));
            if (meetings == 0) over += put(wish, 0, Aim.ASSESS, weeks.get(0), frame.labsAWeek());
            int assess = meetings >= 3 ? 2 : 1;
            for (int m = 1; m <= meetings; m++) {
                int week = weeks.get(m);
                if (m < courses) over += begin(wish, m, week);
                if (m == assess) over += put(wish, 0, Aim.ASSESS, week, 1);
                else if (m > assess) over += put(wish, m % courses, Aim.MEET_AGAIN, week, 1);
                else if (m >= courses) over += put(wish, m % courses, Aim.PRACTISE, week, 1);
            }
            for (int late = meetings + 1; late < courses; late++) over += begin(wish, late, weeks.get(meetings));
            return over;
        }

        /** Teaches a sequence and has it practised at once. */
        private double begin(Wish wish, int course, int week) {
            double over = put(wish, course, Aim.TEACH, week, 1);
            return over
                    + put(
                            wish,
                            course,
                            Aim.PRACTISE,
                            week,
                            placed.get(placed.size() - 1).lab());
        }

        private double put(Wish wish, int course, Aim aim, int week, int fromLab) {
            var given = wish.courses().get(course);
            double minutes = given.minutes(aim);
            int lab = fromLab;
            for (int l = fromLab; l <= frame.labsAWeek(); l++) {
                if (load[week][l] + minutes <= frame.labMinutes() + 1e-9) {
                    lab = l;
                    break;
                }
                if (load[week][l] < load[week][lab]) lab = l;
            }
            double before = Math.max(0, load[week][lab] - frame.labMinutes());
            load[week][lab] += minutes;
            var id = "l" + (placed.size() + 1);
            if (given.drapesLeg()) drapes.add(id);
            placed.add(new Lesson(id, week, lab, wish.region(), aim, minutes, given.sequence(), ""));
            return Math.max(0, load[week][lab] - frame.labMinutes()) - before;
        }
    }
}

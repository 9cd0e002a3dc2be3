package palmtally.server.competency;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.body.Region;
import palmtally.core.calendar.Aim;
import palmtally.core.calendar.Curriculum;
import palmtally.core.calendar.Lesson;
import palmtally.core.competency.Competency;
import palmtally.core.competency.LookPlan;
import palmtally.core.competency.Pace;
import palmtally.core.competency.Watch;
import palmtally.core.finding.Criterion;
import palmtally.core.practical.Excerpt;
import palmtally.core.practical.Practical;
import palmtally.core.profile.Profile;
import palmtally.core.register.LabPlace;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.server.audit.Audit;
import palmtally.server.calendar.Curricula;
import palmtally.server.people.Caller;
import palmtally.server.people.Person;
import palmtally.server.people.Term;
import palmtally.server.people.Terms;
import palmtally.server.sequence.Sequences;

/** What to watch in the coming lab, and who will not be secure by the end of the term at this pace. */
@Service
public class Lookout {
    /** @param begins when it begins by the clock, where the term says so; minutes of the whole lab */
    public record NextLab(int week, int lab, @Nullable Instant begins, double minutes, List<Region> regions) {}

    public record LookLine(
            UUID student,
            String name,
            Region region,
            boolean whole,
            String sequence,
            List<Watch.Reason> reasons,
            String why,
            double minutes,
            double worth) {}

    /**
     * A region of which nothing can be set up.
     *
     * @param students how many are not secure in it
     * @param why what is missing, and what would mend it
     */
    public record NoLook(Region region, int students, String why) {}

    /**
     * @param left how many student–region–criterion are not secure and not on the list, of those that a look could be set up for
     * @param missing what was taught, or comes in that lab, and cannot be looked at yet
     */
    public record WatchList(
            @Nullable NextLab lab, double minutes, double used, int left, List<LookLine> looks, List<NoLook> missing) {}

    /** One that will not be secure at this pace, or is not known to be. */
    public record ForecastLine(
            UUID student,
            String name,
            Region region,
            Criterion criterion,
            Competency.State state,
            double forecast,
            Pace pace) {}

    /** @param hopeless how many of them no number of good looks would make secure in time */
    public record Forecast(double week, int weeks, int students, int hopeless, List<ForecastLine> lines) {}

    private final Standings standings;
    private final Terms terms;
    private final Curricula curricula;
    private final Sequences sequences;
    private final Audit audit;
    private final Clock clock;

    Lookout(Standings standings, Terms terms, Curricula curricula, Sequences sequences, Audit audit, Clock clock) {
        this.standings = standings;
        this.terms = terms;
        this.curricula = curricula;
        this.sequences = sequences;
        this.audit = audit;
        this.clock = clock;
    }

    /** @param minutes of the grader's eyes, or null for those of the coming lab */
    public WatchList watch(Caller caller, UUID termId, @Nullable Double minutes) {
        var now = standings.ofTerm(termId);
        var plan = curricula.newest(termId).curriculum();
        var lab = next(now.term(), plan);
        var sequenceOf = sequenceOf(now.profile());
        var chances = chances(now, plan, lab, sequenceOf);
        var students = terms.students(termId);
        var names = new HashMap<String, String>();
        var all = new ArrayList<Watch.Standing>();
        audit.readClass(caller, students.size(), "whom to watch");
        for (var student : students) {
            names.put(student.id().toString(), student.name());
            for (var region : chances.keySet())
                for (var criterion : Criterion.values())
                    all.add(new Watch.Standing(
                            student.id().toString(),
                            region,
                            criterion,
                            now.at(student.id(), region, criterion).competency()));
        }
        double room = minutes != null ? minutes : lab == null ? 60 : Math.min(Watch.MOST_MINUTES, lab.minutes);
        var looks = Watch.best(all, chances, room, now.profile());
        int on = looks.stream().mapToInt(l -> l.reasons().size()).sum();
        int open = (int) all.stream()
                .filter(s -> s.competency().state() != Competency.State.SECURE)
                .count();
        return new WatchList(
                lab,
                room,
                looks.stream().mapToDouble(Watch.Look::minutes).sum(),
                Math.max(0, open - on),
                looks.stream()
                        .map(l -> new LookLine(
                                UUID.fromString(l.student()),
                                names.getOrDefault(l.student(), ""),
                                l.region(),
                                l.whole(),
                                sequenceOf.get(l.region()).id(),
                                l.reasons(),
                                why(l.reasons()),
                                l.minutes(),
                                l.worth()))
                        .toList(),
                missing(now, taught(now, plan, lab == null ? now.term().weeks() : lab.week), sequenceOf, students));
    }

    /** The regions in which students wait for a look and no sequence shows what to look at. */
    private static List<NoLook> missing(
            Standings.Whole now, Set<Region> taught, Map<Region, Sequence> sequenceOf, List<Person> students) {
        var missing = new ArrayList<NoLook>();
        for (var region : taught) {
            if (sequenceOf.containsKey(region)) continue;
            int waiting = (int) students.stream()
                    .filter(s -> Arrays.stream(Criterion.values())
                            .anyMatch(
                                    c -> now.at(s.id(), region, c).competency().state() != Competency.State.SECURE))
                    .count();
            if (waiting > 0)
                missing.add(
                        new NoLook(
                                region,
                                waiting,
                                region.label() + ": " + waiting + (waiting == 1 ? " student waits" : " students wait")
                                        + " for a look, and no sequence works there, so none can be set up. Write one under Plan."));
        }
        return missing;
    }

    /** The reasons in sentences: criteria with the same one share it. */
    private static String why(List<Watch.Reason> reasons) {
        Map<String, List<String>> by = new java.util.LinkedHashMap<>();
        for (var r : reasons)
            by.computeIfAbsent(r.why(), k -> new ArrayList<>())
                    .add(r.criterion().label());
        var said = new ArrayList<String>();
        by.forEach((why, who) -> said.add(
                by.size() == 1
                        ? Character.toUpperCase(why.charAt(0)) + why.substring(1)
                        : String.join(", ", who) + ": " + why));
        return String.join(" ", said);
    }

    public Forecast forecast(Caller caller, UUID termId) {
        var now = standings.ofTerm(termId);
        var plan = curricula.newest(termId).curriculum();
        var taught = taught(now, plan, now.term().weeks());
        var lines = new ArrayList<ForecastLine>();
        int students = 0;
        int hopeless = 0;
        audit.readClass(caller, terms.students(termId).size(), "the forecast of the class");
        for (var student : terms.students(termId)) {
            boolean any = false;
            for (var region : now.regions()) {
                if (!taught.contains(region)) continue;
                for (var criterion : Criterion.values()) {
                    var s = now.at(student.id(), region, criterion);
                    // What nobody has seen twice is no question of pace.
                    var forecast = s.competency().forecast();
                    if (forecast == null || forecast >= 0.5 && s.competency().state() != Competency.State.AT_RISK)
                        continue;
                    var pace = Pace.of(
                            s.pieces(), s.carried(), now.week(), now.term().weeks(), now.profile());
                    if (pace == null) continue;
                    if (pace.looks() == null) hopeless++;
                    any = true;
                    lines.add(new ForecastLine(
                            student.id(),
                            student.name(),
                            region,
                            criterion,
                            s.competency().state(),
                            forecast,
                            pace));
                }
            }
            if (any) students++;
        }
        lines.sort(java.util.Comparator.comparingDouble(ForecastLine::forecast)
                .thenComparing(ForecastLine::name)
                .thenComparing(ForecastLine::region)
                .thenComparing(ForecastLine::criterion));
        return new Forecast(now.week(), now.term().weeks(), students, hopeless, lines);
    }

    /** What so many graders can see of the class in the labs that are still to come; before the term that is all of them. */
    public LookPlan.Reach reach(UUID termId, int graders) {
        var term = terms.term(termId);
        var plan = curricula.newest(termId).curriculum();
        Map<String, Sequence> byId = new HashMap<>();
        for (var v : sequences.all()) byId.put(v.document().id(), v.document());
        Map<LabPlace, Double> minutes = new TreeMap<>();
        Map<LabPlace, Set<Criterion>> shown = new HashMap<>();
        for (var l : left(term, plan)) {
            var sequence = l.sequence() == null ? null : byId.get(l.sequence());
            if (!l.aim().handsOn() || sequence == null) continue;
            var place = new LabPlace(l.week(), l.lab());
            minutes.merge(place, l.minutes(), Double::sum);
            shown.computeIfAbsent(place, k -> EnumSet.noneOf(Criterion.class)).addAll(LookPlan.shows(l.part(sequence)));
        }
        var labs = minutes.entrySet().stream()
                .map(e -> new LookPlan.LookLab(
                        e.getKey().week(), e.getKey().lab(), e.getValue(), shown.getOrDefault(e.getKey(), Set.of())))
                .toList();
        return LookPlan.of(labs, terms.students(termId).size(), graders);
    }

    /** A sequence that is evidence of each region, its own before another's. */
    private Map<Region, Sequence> sequenceOf(Profile profile) {
        Map<Region, Sequence> of = new EnumMap<>(Region.class);
        for (var v : sequences.all()) of.putIfAbsent(v.document().region(), v.document());
        for (var v : sequences.all()) covered(v.document(), profile).forEach(r -> of.putIfAbsent(r, v.document()));
        return of;
    }

    /** The regions that a practical of a sequence is evidence of. */
    private static Set<Region> covered(Sequence sequence, Profile profile) {
        return Excerpt.regions(new Practical(sequence, profile, List.of(), Sides.EACH, List.of()))
                .keySet();
    }

    /** The lab that is on or comes next; null where the term has no lab any more. */
    @Nullable
    NextLab next(Term term, Curriculum plan) {
        return left(term, plan).stream()
                .findFirst()
                .map(first -> new NextLab(
                        first.week(),
                        first.lab(),
                        begins(term, plan, first).orElse(null),
                        plan.labMinutes(),
                        plan.week(first.week()).stream()
                                .filter(l -> l.lab() == first.lab())
                                .map(Lesson::region)
                                .distinct()
                                .toList()))
                .orElse(null);
    }

    /** Lessons of the labs that are on or still come, the first first: by the calendar where it is known when labs begin. */
    private List<Lesson> left(Term term, Curriculum plan) {
        var now = clock.instant();
        int week = term.day(now, clock.getZone()) < 0 ? 1 : (int) Math.floor(term.week(now, clock.getZone())) + 1;
        if (plan.times().isEmpty())
            return plan.lessons().stream().filter(l -> l.week() >= week).toList();
        var lasts = Duration.ofSeconds(Math.round(60 * plan.labMinutes()));
        return plan.lessons().stream()
                .filter(l -> begins(term, plan, l).orElseThrow().plus(lasts).isAfter(now))
                .sorted(Comparator.comparing(l -> begins(term, plan, l).orElseThrow()))
                .toList();
    }

    private Optional<Instant> begins(Term term, Curriculum plan, Lesson lesson) {
        return plan.begins(term.startsOn(), lesson.week(), lesson.lab())
                .map(t -> t.atZone(clock.getZone()).toInstant());
    }

    /** Regions that were seen, or were taught by a week; all that have a sequence where the term has no plan. */
    private static java.util.Set<Region> taught(Standings.Whole now, Curriculum plan, int week) {
        var taught = new java.util.TreeSet<Region>();
        plan.lessons().stream()
                .filter(l -> l.aim() == Aim.TEACH && l.week() <= week)
                .forEach(l -> taught.add(l.region()));
        now.standings().keySet().forEach(k -> taught.add(k.region()));
        if (plan.lessons().isEmpty()) taught.addAll(now.regions());
        return taught;
    }

    private Map<Region, Watch.Chance> chances(
            Standings.Whole now, Curriculum plan, @Nullable NextLab lab, Map<Region, Sequence> sequenceOf) {
        // A lesson is one of every region that its sequence is evidence of.
        Map<String, Set<Region>> covered = new HashMap<>();
        for (var v : sequences.all()) covered.put(v.document().id(), covered(v.document(), now.profile()));
        Map<Region, Watch.Chance> chances = new EnumMap<>(Region.class);
        var coming = left(now.term(), plan);
        for (var region : taught(now, plan, lab == null ? now.term().weeks() : lab.week)) {
            // What no sequence works on cannot be set up: it is said, and takes no minutes.
            var sequence = sequenceOf.get(region);
            if (sequence == null) continue;
            int labs;
            boolean here;
            if (plan.lessons().isEmpty()) {
                labs = Math.max(1, (int) Math.ceil(now.term().weeks() - now.week()));
                here = true;
            } else if (lab == null) {
                labs = 0;
                here = false;
            } else {
                var left = coming.stream()
                        .filter(l -> l.region() == region
                                || l.sequence() != null
                                        && covered.getOrDefault(l.sequence(), Set.of())
                                                .contains(region))
                        .toList();
                labs = (int) left.stream()
                        .map(l -> l.week() * 10 + l.lab())
                        .distinct()
                        .count();
                here = left.stream().anyMatch(l -> l.week() == lab.week && l.lab() == lab.lab);
            }
            chances.put(region, new Watch.Chance(labs, here, Math.max(5, sequence.slotSeconds() / 60)));
        }
        return chances;
    }
}

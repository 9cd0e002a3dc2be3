package palmtally.server.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.calendar.Aim;
import palmtally.core.calendar.Curriculum;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding;
import palmtally.core.practical.Goal;
import palmtally.core.practical.Practical;
import palmtally.core.practical.Scores;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.timetable.Span;
import palmtally.formats.Documents;
import palmtally.formats.FormatException;
import palmtally.server.calendar.Curricula;
import palmtally.server.demo.Habits.Weakness;
import palmtally.server.demonstration.Demonstrations;
import palmtally.server.note.AgreedRegions;
import palmtally.server.pairing.Pairings;
import palmtally.server.people.Accounts;
import palmtally.server.people.Caller;
import palmtally.server.people.Duties;
import palmtally.server.people.Role;
import palmtally.server.people.School;
import palmtally.server.people.Terms;
import palmtally.server.practical.Award;
import palmtally.server.practical.Awards;
import palmtally.server.practical.Practicals;
import palmtally.server.profile.Profiles;
import palmtally.server.register.Registers;
import palmtally.server.register.TermHours;
import palmtally.server.sequence.Sequences;
import palmtally.server.timetable.DaySearch;
import palmtally.server.timetable.PracticalDays;

/** Fills an empty database with the demo school: one transaction, so that it is there whole or not at all. */
@Component
@Order(1)
@ConditionalOnProperty("palm.demo")
class Demo implements ApplicationRunner {
    private static final Logger log = LoggerFactory.getLogger(Demo.class);
    private static final List<String> SEQUENCES =
            List.of("neck", "shoulders", "forearms", "calves", "hip", "feet", "jaw", "side-neck");
    private static final List<Habits> STUDENTS = List.of(
            new Habits("Ana Quill", 0.28, 0.042, Set.of()),
            new Habits("Bram Oster", 0.36, 0.037, Set.of(Weakness.BARE_THUMBS)),
            new Habits("Cleo Fenn", 0.30, 0.040, Set.of(Weakness.HEAVY_HANDS)),
            new Habits("Dara Moss", 0.25, 0.046, Set.of(Weakness.LATE_CONSENT)),
            new Habits("Eli Thorne", 0.84, 0.004, Set.of()),
            new Habits("Fay Linden", 0.82, 0.018, Set.of()),
            new Habits("Gus Harrow", 0.04, 0.028, Set.of(Weakness.BENT_BACK, Weakness.LOOSE_SHEET)),
            new Habits("Ilse Marrow", 0.34, 0.044, Set.of(Weakness.SECOND_SIDE_FORGOTTEN)),
            new Habits("Jun Pell", 0.38, 0.034, Set.of(Weakness.OUT_OF_ORDER)),
            new Habits("Kit Sorrel", 0.32, 0.038, Set.of(Weakness.SILENT)),
            new Habits("Lena Brook", 0.40, 0.032, Set.of(Weakness.LOOSE_SHEET)),
            new Habits("Tobin Vale", 0.20, 0.054, Set.of()));

    /** What is graded in which week of the term, for everybody. */
    private record Lab(double week, String sequence) {}

    private static final List<Lab> LABS = List.of(
            new Lab(1.2, "neck"),
            new Lab(1.9, "shoulders"),
            new Lab(2.6, "neck"),
            new Lab(3.2, "shoulders"),
            new Lab(3.9, "forearms"),
            new Lab(4.9, "forearms"),
            new Lab(5.6, "calves"),
            new Lab(6.6, "calves"),
            new Lab(7.2, "hip"),
            new Lab(8.2, "hip"));

    /** The lab of which every run was marked by two graders. */
    private static final int TWICE = 5;

    /** Of the students by their number: who agrees nowhere to be worked on, and who has not said. */
    private static final int AGREES_TO_NONE = 6;

    private static final int SAYS_NOTHING = 9;

    /** Who marks themselves, and by how much too high. */
    private static final Map<String, Double> OWN_MARKS =
            Map.of("Kit Sorrel", 18.0, "Ana Quill", -4.0, "Gus Harrow", 22.0);

    private final Accounts accounts;
    private final Terms terms;
    private final School school;
    private final Sequences sequences;
    private final Profiles profiles;
    private final Practicals practicals;
    private final Awards awards;
    private final Curricula curricula;
    private final Demonstrations demonstrations;
    private final Duties duties;
    private final Registers registers;
    private final TermHours hours;
    private final Pairings pairings;
    private final AgreedRegions agreedRegions;
    private final PracticalDays days;
    private final DaySearch search;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final int daysGone;
    private final String word;

    /**
     * @param daysGone days since its term of 15 weeks began; by default it is in week 9
     * @param word what every password of the demo begins with
     */
    Demo(
            Accounts accounts,
            Terms terms,
            School school,
            Sequences sequences,
            Profiles profiles,
            Practicals practicals,
            Awards awards,
            Curricula curricula,
            Demonstrations demonstrations,
            Duties duties,
            Registers registers,
            TermHours hours,
            Pairings pairings,
            AgreedRegions agreedRegions,
            PracticalDays days,
            DaySearch search,
            TransactionTemplate transaction,
            Clock clock,
            @Value("${palm.demo-day:60}") int daysGone,
            @Value("${palm.demo-word}") String word) {
        this.accounts = accounts;
        this.terms = terms;
        this.school = school;
        this.sequences = sequences;
        this.profiles = profiles;
        this.practicals = practicals;
        this.awards = awards;
        this.curricula = curricula;
        this.demonstrations = demonstrations;
        this.duties = duties;
        this.registers = registers;
        this.hours = hours;
        this.pairings = pairings;
        this.agreedRegions = agreedRegions;
        this.days = days;
        this.search = search;
        this.transaction = transaction;
        this.clock = clock;
        this.daysGone = daysGone;
        this.word = word;
    }

    @Override
    public void run(@Nullable ApplicationArguments args) {
        if (!school.empty()) {
            // Started anew with another word: the passwords of the demo follow it.
            accounts.setPasswords(signIns(), signIn -> word + "-" + signIn);
            return;
        }
        log.info("loading the demo school");
        transaction.executeWithoutResult(s -> load());
        log.info("demo school loaded");
    }

    /** What the people of the demo sign in with; whoever was added to it since is left alone. */
    private static Set<String> signIns() {
        var names = new TreeSet<>(Set.of("lead", "nadia", "olle"));
        STUDENTS.forEach(h -> names.add(firstName(h)));
        return names;
    }

    /** Somebody who was there from the beginning of the term. */
    private UUID enrolled(UUID term, String name, String signIn, String password, Role role) {
        var id = accounts.add(name, signIn, password, role);
        terms.enrol(term, id);
        return id;
    }

    private static String firstName(Habits student) {
        return student.name().substring(0, student.name().indexOf(' ')).toLowerCase(Locale.ROOT);
    }

    private void load() {
        var lead = school.setUp("Breakwater School of Massage", "Marte Kjell", "lead", word + "-lead");
        var starts = LocalDate.now(clock).minusDays(daysGone);
        var term = terms.add("Autumn, regatta recovery tent", "Evening cohort", starts, 15);
        var teacher = new Caller(
                enrolled(term.id(), "Nadia Reef", "nadia", word + "-nadia", Role.INSTRUCTOR),
                "Nadia Reef",
                Role.INSTRUCTOR);
        var grader = new Caller(
                enrolled(term.id(), "Olle Strand", "olle", word + "-olle", Role.GRADER), "Olle Strand", Role.GRADER);
        terms.enrol(term.id(), lead.id());
        Map<String, Sequence> plans = new LinkedHashMap<>();
        for (var name : SEQUENCES) plans.put(name, sequences.take(read(name), lead, v -> v.document()));
        var tasks = new ArrayList<Duties.Duty>();
        for (var region : plan().regions()) {
            tasks.add(new Duties.Duty(teacher.id(), "", region, Duties.Task.TEACH));
            tasks.add(new Duties.Duty(teacher.id(), "", region, Duties.Task.GRADE));
            // The neck is the teacher's alone.
            if (region != Region.NECK) tasks.add(new Duties.Duty(grader.id(), "", region, Duties.Task.GRADE));
        }
        duties.set(term.id(), tasks);
        curricula.save(term.id(), plan(), 0, "The plan of the term", lead);
        var profile = profiles.ofSchool().document();
        shown(term.id(), teacher, starts, plans, profile);
        var students = new ArrayList<UUID>();
        for (var h : STUDENTS) {
            var first = firstName(h);
            students.add(enrolled(term.id(), h.name(), first, word + "-" + first, Role.STUDENT));
        }
        attended(term.id(), teacher, starts, students);
        for (int s = 0; s < STUDENTS.size(); s++)
            for (int l = 0; l < LABS.size(); l++) {
                var lab = LABS.get(l);
                // The last lab of the better half was on feet.
                boolean feet = l == LABS.size() - 1 && s % 2 == 1;
                var plan = plans.get(feet ? "feet" : lab.sequence);
                var day = starts.plusDays(Math.round(lab.week * 7));
                var at = day.atTime(LocalTime.of(18, 30))
                        .plusMinutes(25L * (s / 4))
                        .atZone(clock.getZone())
                        .toInstant();
                if (at.isAfter(clock.instant())) continue;
                var played = PlayedRun.of(STUDENTS.get(s), plan, profile, lab.week, at, 7_000 + 100L * s + l);
                boolean waiting = l == LABS.size() - 1 && s >= STUDENTS.size() - 2;
                if (!waiting) played = PlayedRun.reviewed(played, at);
                var by = (s + l) % 3 == 0 && plan.region() != Region.NECK ? grader : teacher;
                var partner = students.get((s + 1 + l) % students.size());
                var id = practicals.take(
                        term.id(), students.get(s), partner.equals(students.get(s)) ? null : partner, by, played, at);
                if (waiting) continue;
                var own = new Caller(students.get(s), STUDENTS.get(s).name(), Role.STUDENT);
                if (OWN_MARKS.containsKey(own.name())) ownMarks(own, id, played, OWN_MARKS.get(own.name()));
                if (l == TWICE) {
                    var second = by == teacher ? grader : teacher;
                    var seen = PlayedRun.inOtherEyes(played, 9_000 + s);
                    award(second, practicals.takeBeside(second, id, seen), seen);
                }
                award(by, id, played);
            }
        if (pairings.hasLabsToPlan(term.id())) pairings.make(teacher, term.id(), students.size() / 2, 2);
        agreed(students);
        dayOfPracticals(term.id(), teacher, grader, students);
    }

    /** Most agree to be worked on in every region that is asked about; one in none, and one has said nothing. */
    private void agreed(List<UUID> students) {
        var draping = profiles.ofSchool().document().draping();
        var asked = EnumSet.noneOf(Region.class);
        for (var zone : Zone.values()) if (draping.asks(zone)) asked.add(zone.region());
        for (int s = 0; s < students.size(); s++) {
            var own = new Caller(students.get(s), STUDENTS.get(s).name(), Role.STUDENT);
            if (s != SAYS_NOTHING) for (var region : asked) agreedRegions.say(own, region, s != AGREES_TO_NONE);
        }
    }

    /** The practicals of the next Saturday: shoulders lying on the side, on the first four tables. */
    private void dayOfPracticals(UUID term, Caller teacher, Caller grader, List<UUID> students) {
        var day = LocalDate.now(clock).with(TemporalAdjusters.next(DayOfWeek.SATURDAY));
        var id = days.make(
                teacher,
                term,
                new PracticalDays.DayWish(
                        day,
                        9 * 60,
                        13 * 60,
                        25,
                        5,
                        List.of(new Span(11 * 60, 11 * 60 + 15)),
                        4,
                        2,
                        List.of(teacher.id(), grader.id()),
                        students.stream()
                                .map(s -> new PracticalDays.SittingWish(s, "side-neck", null, null, null))
                                .toList()));
        search.first(term, id);
    }

    /** What a student thinks of the own run before the result is shown: off by as much as they usually are. */
    private void ownMarks(Caller student, UUID id, Practical played, double off) {
        var marks = new EnumMap<Criterion, Double>(Criterion.class);
        for (var c : Scores.of(played).criteria())
            if (c.score() != null)
                marks.put(c.criterion(), Math.max(0, Math.min(100, 10.0 * Math.round((c.score() + off) / 10))));
        practicals.selfMark(student, id, marks);
    }

    /** What the class was shown in the weeks that are gone. */
    private void shown(UUID term, Caller teacher, LocalDate starts, Map<String, Sequence> plans, Profile profile) {
        var now = clock.instant();
        int n = 0;
        for (var lesson : plan().lessons()) {
            if (lesson.aim() != Aim.TEACH || lesson.sequence() == null) continue;
            var at = plan().begins(starts, lesson.week(), lesson.lab())
                    .orElseThrow()
                    .plusMinutes(Math.round(plan().minutesBefore(lesson)) + 12)
                    .atZone(clock.getZone())
                    .toInstant();
            if (at.isAfter(now.minusSeconds(3600))) continue;
            // The last one ran late and left two steps out.
            boolean late = lesson.region() == Region.FOOT;
            demonstrations.keep(
                    term,
                    teacher,
                    lesson,
                    at,
                    ShownLesson.of(
                            plans.get(lesson.sequence()), profile, late ? 1.2 : 0.97 + 0.02 * n, late ? 2 : 0, n++));
        }
    }

    /** Who was in the labs that are gone. */
    private void attended(UUID term, Caller teacher, LocalDate starts, List<UUID> students) {
        var plan = plan();
        int n = 0;
        for (int week = 1; week <= plan.weeks(); week++)
            for (int lab = 1; lab <= plan.labsAWeek(); lab++) {
                var ends = plan.begins(starts, week, lab)
                        .orElseThrow()
                        .plusMinutes(Math.round(plan.labMinutes()))
                        .atZone(clock.getZone())
                        .toInstant();
                if (plan.off().contains(week) || ends.isAfter(clock.instant())) continue;
                var marks = new ArrayList<Registers.SentPresence>();
                for (int s = 0; s < students.size(); s++) {
                    var mark = AttendedLabs.of(students.get(s), s, n);
                    if (mark != null) marks.add(mark);
                }
                if (!marks.isEmpty()) registers.mark(teacher, term, week, lab, marks);
                n++;
            }
        for (int s = 0; s < students.size(); s++)
            for (var entry : AttendedLabs.elsewhere(s, LocalDate.now(clock)))
                hours.enter(teacher, term, students.get(s), entry);
    }

    /** A grader who rates close to what was seen, confirms what is critical and releases. */
    private void award(Caller by, UUID id, Practical played) {
        var scores = Scores.of(played);
        double mean = scores.criteria().stream()
                .mapToDouble(c -> c.score() == null ? 50 : c.score())
                .average()
                .orElse(50);
        awards.rate(by, id, Math.max(5, Math.min(95, 5.0 * Math.round((mean - 3) / 5))));
        awards.award(
                by,
                id,
                0,
                new Award(
                        Map.of(),
                        List.of(),
                        scores.critical().stream().map(Finding::key).toList(),
                        "",
                        true,
                        List.of(),
                        mean >= 75
                                ? List.of()
                                : Goal.of(scores, Set.of()).stream()
                                        .limit(1)
                                        .map(Goal::sentence)
                                        .toList()));
    }

    private static Sequence read(String name) {
        try {
            return Documents.readSequence(resource("sequences/" + name + ".json"));
        } catch (FormatException e) {
            throw new IllegalStateException(name + ": " + e.faults(), e);
        }
    }

    private static Curriculum plan() {
        try {
            return Documents.readCurriculum(resource("curriculum.json")).curriculum();
        } catch (FormatException e) {
            throw new IllegalStateException("curriculum: " + e.faults(), e);
        }
    }

    private static String resource(String name) {
        try (var in = Demo.class.getResourceAsStream("/demo/" + name)) {
            if (in == null) throw new IllegalStateException("demo file " + name + " is not on the class path");
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

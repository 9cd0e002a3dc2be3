package palmtally.server.briefing;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.body.Region;
import palmtally.core.calendar.Aim;
import palmtally.core.calendar.Curriculum;
import palmtally.core.calendar.Lesson;
import palmtally.core.people.ClientNote;
import palmtally.core.register.LabPlace;
import palmtally.core.register.MissedShowing;
import palmtally.core.register.MissedShowing.Showing;
import palmtally.core.sequence.Sequence;
import palmtally.server.audit.Audit;
import palmtally.server.calendar.Curricula;
import palmtally.server.demonstration.Demonstrations;
import palmtally.server.note.ClientNotes;
import palmtally.server.people.Caller;
import palmtally.server.people.Duties;
import palmtally.server.people.Substitutes;
import palmtally.server.people.Terms;
import palmtally.server.register.Registers;
import palmtally.server.sequence.Sequences;

/** One lab for whoever takes it: what is on, what was shown before it, and what each student needs. */
@Service
class Briefings {
    private static final int SHOWN_LATELY = 4;

    /**
     * @param name of the sequence, or empty where none is chosen
     * @param steps how many of the sequence are meant, of how many
     * @param shown the last time it was shown before this lab, or null
     */
    record BriefedLesson(
            String id,
            Region region,
            Aim aim,
            double minutes,
            @Nullable String sequence,
            String name,
            int steps,
            int ofSteps,
            String note,
            @Nullable ShownBefore shown) {}

    /** @param left steps that were left out, or are to come where it was not finished */
    record ShownBefore(
            UUID demonstration,
            String sequence,
            String name,
            Instant at,
            @Nullable LabPlace place,
            boolean finished,
            int left) {}

    /**
     * @param needs sentences that begin in small letters, of what they missed
     * @param spared what their body must be spared
     */
    record BriefedStudent(UUID id, String name, List<String> needs, List<ClientNote> spared) {}

    /**
     * @param teachers who teach its regions in this term, by name
     * @param onDay the day of the lab, or null where the plan gives labs no time
     * @param lately what was shown before it, the last first
     * @param before the last lab before it that was marked, or null
     */
    record BriefingView(
            int week,
            int lab,
            @Nullable Instant begins,
            @Nullable LocalDate onDay,
            double minutes,
            String room,
            List<String> teachers,
            Substitutes.@Nullable Substitute substitute,
            List<BriefedLesson> lessons,
            List<ShownBefore> lately,
            @Nullable LabPlace before,
            List<BriefedStudent> students) {}

    private final Registers registers;
    private final Terms terms;
    private final Curricula curricula;
    private final Sequences sequences;
    private final Demonstrations demonstrations;
    private final ClientNotes notes;
    private final Duties duties;
    private final Substitutes substitutes;
    private final Audit audit;
    private final Clock clock;

    Briefings(
            Registers registers,
            Terms terms,
            Curricula curricula,
            Sequences sequences,
            Demonstrations demonstrations,
            ClientNotes notes,
            Duties duties,
            Substitutes substitutes,
            Audit audit,
            Clock clock) {
        this.registers = registers;
        this.terms = terms;
        this.curricula = curricula;
        this.sequences = sequences;
        this.demonstrations = demonstrations;
        this.notes = notes;
        this.duties = duties;
        this.substitutes = substitutes;
        this.audit = audit;
        this.clock = clock;
    }

    /** @throws palmtally.server.problem.Refusal 404 where the term has no such lab */
    BriefingView of(Caller caller, UUID term, int week, int lab) {
        var place = new LabPlace(week, lab);
        var sheet = registers.sheet(term, week, lab);
        var plan = curricula.newest(term).curriculum();
        var lessons = plan.week(week).stream().filter(l -> l.lab() == lab).toList();
        Map<String, Sequence> byId = new HashMap<>();
        for (var v : sequences.all()) byId.put(v.document().id(), v.document());
        var shown = shownBefore(term, place, sheet.begins());
        var before = registers.heldBefore(term, place).orElse(null);
        return new BriefingView(
                week,
                lab,
                sheet.begins(),
                sheet.begins() == null ? null : LocalDate.ofInstant(sheet.begins(), clock.getZone()),
                sheet.minutes(),
                sheet.room(),
                teachers(term, lessons),
                substitutes.at(term, week, lab).orElse(null),
                lessons.stream().map(l -> lesson(l, byId, shown)).toList(),
                shown.stream().limit(SHOWN_LATELY).map(Briefings::line).toList(),
                before,
                students(caller, term, place, before, showings(term, place, plan, lessons, shown, byId), byId));
    }

    /** What was shown in the term before a lab, the last first. */
    private List<Demonstrations.ShownLine> shownBefore(UUID term, LabPlace place, @Nullable Instant begins) {
        return demonstrations.shownIn(term).stream()
                .filter(s -> s.lab() != null
                        ? placeOf(s.lab()).compareTo(place) < 0
                        : begins == null || s.startedAt().isBefore(begins))
                .sorted(Comparator.comparing(Demonstrations.ShownLine::startedAt)
                        .reversed())
                .toList();
    }

    private static LabPlace placeOf(Demonstrations.Lab lab) {
        return new LabPlace(lab.week(), lab.lab());
    }

    private static ShownBefore line(Demonstrations.ShownLine s) {
        return new ShownBefore(
                s.id(),
                s.sequence(),
                s.name(),
                s.startedAt(),
                s.lab() == null ? null : placeOf(s.lab()),
                s.finished(),
                s.left());
    }

    private static BriefedLesson lesson(
            Lesson lesson, Map<String, Sequence> byId, List<Demonstrations.ShownLine> shown) {
        var sequence = lesson.sequence() == null ? null : byId.get(lesson.sequence());
        return new BriefedLesson(
                lesson.id(),
                lesson.region(),
                lesson.aim(),
                lesson.minutes(),
                sequence == null ? null : sequence.id(),
                sequence == null ? "" : sequence.name(),
                sequence == null ? 0 : lesson.part(sequence).steps().size(),
                sequence == null ? 0 : sequence.steps().size(),
                lesson.note(),
                shown.stream()
                        .filter(s -> s.sequence().equals(lesson.sequence()))
                        .findFirst()
                        .map(Briefings::line)
                        .orElse(null));
    }

    private List<String> teachers(UUID term, List<Lesson> lessons) {
        return duties.of(term).stream()
                .filter(d -> d.task() == Duties.Task.TEACH && lessons.stream().anyMatch(l -> l.region() == d.region()))
                .map(Duties.Duty::name)
                .distinct()
                .toList();
    }

    private List<BriefedStudent> students(
            Caller caller,
            UUID term,
            LabPlace place,
            @Nullable LabPlace before,
            List<Showing> showings,
            Map<String, Sequence> byId) {
        var places = showings.stream().map(Showing::place).collect(Collectors.toSet());
        if (before != null) places.add(before);
        places.add(place);
        var attendance = registers.attendance(term, places);
        audit.readClass(caller, attendance.size(), "the briefing of a lab");
        var spared =
                notes.ofPeople(attendance.stream().map(Registers.Attended::id).collect(Collectors.toSet()));
        var students = new ArrayList<BriefedStudent>();
        for (var a : attendance) {
            if (!a.at().get(place).joined()) continue;
            var missed = MissedShowing.of(showings, p -> Objects.requireNonNull(a.at().get(p)));
            var needs = new ArrayList<>(missed.stream()
                    .map(m -> m.words(
                            Objects.requireNonNull(byId.get(m.sequence())).name()))
                    .toList());
            var last = before == null ? null : a.at().get(before);
            if (last != null && missed.stream().noneMatch(m -> m.place().equals(before))) {
                if (!last.joined()) needs.add("is new: this is their first lab");
                else if (last.presence() != null && !last.presence().there())
                    needs.add("was away in " + before + ", the lab before this one");
            }
            students.add(
                    new BriefedStudent(a.id(), a.name(), List.copyOf(needs), spared.getOrDefault(a.id(), List.of())));
        }
        return students;
    }

    /**
     * When what this lab works on was shown before: as it was shown, or by the plan of the labs that were held where nobody kept that. What
     * this lab itself shows nobody has missed yet.
     */
    private List<Showing> showings(
            UUID term,
            LabPlace place,
            Curriculum plan,
            List<Lesson> lessons,
            List<Demonstrations.ShownLine> shown,
            Map<String, Sequence> byId) {
        var showings = new ArrayList<Showing>();
        lessons.stream()
                .filter(l -> l.aim().handsOn() && l.sequence() != null && byId.containsKey(l.sequence()))
                .map(Lesson::sequence)
                .distinct()
                .filter(id -> lessons.stream().noneMatch(l -> l.aim() == Aim.TEACH && id.equals(l.sequence())))
                .forEach(id -> {
                    var seen = shown.stream()
                            .filter(s -> s.sequence().equals(id) && s.lab() != null)
                            .sorted(Comparator.comparing(Demonstrations.ShownLine::startedAt))
                            .map(s -> showing(term, plan, s))
                            .toList();
                    showings.addAll(seen.isEmpty() ? planned(term, place, plan, id) : seen);
                });
        return showings;
    }

    private Showing showing(UUID term, Curriculum plan, Demonstrations.ShownLine s) {
        var at = placeOf(Objects.requireNonNull(s.lab()));
        var begins = plan.begins(terms.term(term).startsOn(), at.week(), at.lab())
                .map(t -> t.atZone(clock.getZone()).toInstant())
                .orElse(null);
        double from =
                begins == null ? 0 : Duration.between(begins, s.startedAt()).toSeconds() / 60.0;
        double to = begins == null ? plan.labMinutes() : from + Math.max(1, s.seconds() / 60);
        // What was shown for a lab at another hour was shown to those of that lab.
        return to <= 0 || from >= plan.labMinutes()
                ? new Showing(s.sequence(), at, 0, plan.labMinutes())
                : new Showing(s.sequence(), at, from, to);
    }

    private List<Showing> planned(UUID term, LabPlace place, Curriculum plan, String sequence) {
        var held = registers.held(term);
        return plan.lessons().stream()
                .filter(l -> l.aim() == Aim.TEACH && sequence.equals(l.sequence()))
                .filter(l -> new LabPlace(l.week(), l.lab()).compareTo(place) < 0
                        && held.contains(new LabPlace(l.week(), l.lab())))
                .map(l -> new Showing(
                        sequence,
                        new LabPlace(l.week(), l.lab()),
                        plan.minutesBefore(l),
                        plan.minutesBefore(l) + l.minutes()))
                .toList();
    }
}

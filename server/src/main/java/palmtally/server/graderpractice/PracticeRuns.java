package palmtally.server.graderpractice;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Texts;
import palmtally.core.agreement.PracticeMarks;
import palmtally.core.finding.Criterion;
import palmtally.formats.Json;
import palmtally.server.audit.Audit;
import palmtally.server.graderpractice.PracticeRunMapper.GraderRow;
import palmtally.server.graderpractice.PracticeRunMapper.MarkRow;
import palmtally.server.graderpractice.PracticeRunMapper.RunRow;
import palmtally.server.people.Accounts;
import palmtally.server.people.Caller;
import palmtally.server.people.Role;
import palmtally.server.practical.Awards;
import palmtally.server.practical.RecordedRun;
import palmtally.server.problem.Refusal;
import tools.jackson.core.type.TypeReference;

/** Recorded runs that new graders mark, how their marks lie beside the school's, and whose duty the lead opened. */
@Service
class PracticeRuns {
    private static final int MOST_TITLE = 120;
    private static final int MOST_WORDS = 4000;

    record PracticeRunForm(@Nullable String title, @Nullable String words) {}

    record PracticeMarksForm(
            @Nullable Map<Criterion, @Nullable Double> marks,
            @Nullable String words) {}

    /** One criterion beside the school's. */
    record PracticeLine(Criterion criterion, double school, double own, double by, boolean close, boolean sameBand) {}

    /** @param sentence how it lies with the school's, for somebody who decides */
    record PracticeCompared(
            List<PracticeLine> each,
            @Nullable Double bias,
            @Nullable Double apart,
            int close,
            String sentence,
            String words,
            Instant at) {}

    /** @param compared own marks beside the school's, once they were given */
    record PracticeRunLine(
            UUID id,
            String title,
            String sequence,
            @Nullable PracticeCompared compared) {}

    /** @param asked what the school marked, and so is to be marked */
    record PracticeRunView(
            UUID id,
            String title,
            String words,
            RecordedRun recorded,
            List<Criterion> asked,
            @Nullable PracticeCompared compared) {}

    record PracticeOf(UUID run, String title, PracticeCompared compared) {}

    /** A grader, whether their duty is open, and how they marked. */
    record GraderDuty(
            UUID id,
            String name,
            boolean open,
            boolean graded,
            @Nullable String decidedBy,
            @Nullable Instant decidedAt,
            List<PracticeOf> marked) {}

    /**
     * @param shut why the caller's own duty is shut, or null where it is open
     * @param graders for the lead
     */
    record PracticeRunsView(@Nullable String shut, List<PracticeRunLine> runs, List<GraderDuty> graders) {}

    private final PracticeRunMapper rows;
    private final OpenedDuty duty;
    private final Awards awards;
    private final RecordedRun.Runs recorded;
    private final Accounts accounts;
    private final Audit audit;
    private final Clock clock;

    PracticeRuns(
            PracticeRunMapper rows,
            OpenedDuty duty,
            Awards awards,
            RecordedRun.Runs recorded,
            Accounts accounts,
            Audit audit,
            Clock clock) {
        this.rows = rows;
        this.duty = duty;
        this.awards = awards;
        this.recorded = recorded;
        this.accounts = accounts;
        this.audit = audit;
        this.clock = clock;
    }

    /** The runs there are with the caller's own marks; for the lead also every grader. */
    PracticeRunsView all(Caller caller) {
        var runs = rows.runs();
        var mine = rows.marksOf(caller.id()).stream().collect(Collectors.toMap(MarkRow::runId, m -> m));
        return new PracticeRunsView(
                caller.role() == Role.GRADER ? duty.shut(caller).orElse(null) : null,
                runs.stream()
                        .map(r -> new PracticeRunLine(
                                r.id(),
                                r.title(),
                                r.sequence(),
                                mine.containsKey(r.id()) ? compared(r, mine.get(r.id())) : null))
                        .toList(),
                caller.role() == Role.LEAD ? graders(runs) : List.of());
    }

    private List<GraderDuty> graders(List<RunRow> runs) {
        var marks = rows.marks().stream().collect(Collectors.groupingBy(MarkRow::accountId));
        return rows.graders().stream()
                .map(g -> new GraderDuty(
                        g.id(),
                        g.name(),
                        open(g, !runs.isEmpty()),
                        g.graded(),
                        g.decidedBy(),
                        g.decidedAt(),
                        marks.getOrDefault(g.id(), List.of()).stream()
                                .flatMap(m -> runs.stream()
                                        .filter(r -> r.id().equals(m.runId()))
                                        .map(r -> new PracticeOf(r.id(), r.title(), compared(r, m))))
                                .toList()))
                .toList();
    }

    private static boolean open(GraderRow g, boolean anyRun) {
        return g.open() != null ? g.open() : !anyRun || g.graded();
    }

    /** A run as it is to be marked, without who it was and what it got. */
    PracticeRunView one(Caller caller, UUID id) {
        var run = run(id);
        return new PracticeRunView(
                id,
                run.title(),
                run.words(),
                recorded.of(run.practicalId()),
                List.copyOf(marks(run.marks()).keySet()),
                rows.marksOf(caller.id()).stream()
                        .filter(m -> m.runId().equals(id))
                        .findFirst()
                        .map(m -> compared(run, m))
                        .orElse(null));
    }

    /**
     * Chooses an awarded practical; its marks as they stand are the school's own.
     *
     * @throws Refusal 409 where it is not awarded
     */
    @Transactional
    PracticeRunsView choose(Caller lead, UUID practical, PracticeRunForm form) {
        var standing = awards.standing(lead, practical);
        var title = text("title", form.title, 1, MOST_TITLE);
        var words = text("words", form.words, 0, MOST_WORDS);
        if (standing.half() || !standing.counts())
            throw Refusal.conflict("not-awarded", "Choose one that counts, and of two graders' the first.");
        if (standing.marks().isEmpty()) throw Refusal.conflict("not-awarded", "Nothing was marked in this one.");
        rows.choose(
                UUID.randomUUID(),
                practical,
                title,
                words,
                Json.MAPPER.writeValueAsString(standing.marks()),
                lead.id(),
                clock.instant());
        audit.changed(lead, standing.student(), "chose a practice run", practical.toString());
        return all(lead);
    }

    /** It is marked no more; how it was marked stays. */
    PracticeRunsView withdraw(Caller lead, UUID id) {
        if (rows.withdraw(id, clock.instant()) == 0) throw Refusal.notFound("practice run");
        return all(lead);
    }

    /**
     * The caller's marks of a run, each criterion that the school marked; given once, as the school's are shown then.
     *
     * @throws InvalidValue naming each mark that is missing or none
     */
    @Transactional
    PracticeRunView mark(Caller caller, UUID id, PracticeMarksForm form) {
        var run = run(id);
        var faults = new ArrayList<Fault>();
        var own = new EnumMap<Criterion, Double>(Criterion.class);
        var given = form.marks == null ? Map.<Criterion, @Nullable Double>of() : form.marks;
        for (var c : marks(run.marks()).keySet()) {
            var value = given.get(c);
            if (value == null || !(value >= 0 && value <= 100))
                faults.add(new Fault("marks/" + c, value == null ? "" : String.valueOf(value), "must be 0 to 100"));
            else own.put(c, value);
        }
        if (!faults.isEmpty()) throw new InvalidValue("practice run", faults);
        var words = text("words", form.words, 0, MOST_WORDS);
        if (rows.mark(id, caller.id(), Json.MAPPER.writeValueAsString(own), words, clock.instant()) == 0)
            throw Refusal.conflict("marked-already", "You marked this run before; the first marks stand.");
        audit.changed(caller, caller.id(), "marked a practice run", id.toString());
        return one(caller, id);
    }

    /** Opens a grader's duty, or shuts it again. */
    @Transactional
    PracticeRunsView decide(Caller lead, UUID account, boolean open) {
        if (accounts.person(account).role() != Role.GRADER)
            throw Refusal.conflict("no-grader", "Whoever teaches grades already; this is for graders.");
        rows.decide(account, open, lead.id(), clock.instant());
        audit.changed(lead, account, open ? "opened the duty to grade" : "shut the duty to grade", "");
        return all(lead);
    }

    private RunRow run(UUID id) {
        return rows.run(id).filter(r -> r.withdrawnAt() == null).orElseThrow(() -> Refusal.notFound("practice run"));
    }

    private static String text(String field, @Nullable String given, int least, int most) {
        var text = given == null ? "" : given.strip();
        if (text.length() < least || text.length() > most)
            throw new InvalidValue(
                    "practice run",
                    new Fault(
                            field,
                            text.isEmpty() ? "" : text.length() + " characters",
                            "must be " + least + " to " + most + " characters"));
        Texts.unkept(text).ifPresent(why -> {
            throw new InvalidValue("practice run", new Fault(field, "", why));
        });
        return text;
    }

    private static Map<Criterion, Double> marks(String json) {
        var marks = new EnumMap<Criterion, Double>(Criterion.class);
        marks.putAll(Json.MAPPER.readValue(json, new TypeReference<Map<Criterion, Double>>() {}));
        return marks;
    }

    private static PracticeCompared compared(RunRow run, MarkRow own) {
        var beside = PracticeMarks.of(marks(run.marks()), marks(own.marks()));
        return new PracticeCompared(
                beside.each().stream()
                        .map(l -> new PracticeLine(l.criterion(), l.school(), l.own(), l.by(), l.close(), l.sameBand()))
                        .toList(),
                beside.bias(),
                beside.apart(),
                beside.close(),
                beside.sentence(),
                own.words(),
                own.markedAt());
    }
}

package palmtally.server.secondlook;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.Texts;
import palmtally.core.finding.Criterion;
import palmtally.core.secondlook.SecondLookAsked;
import palmtally.core.secondlook.SecondLookDays;
import palmtally.core.secondlook.SecondLookDecision;
import palmtally.formats.Json;
import palmtally.server.audit.Audit;
import palmtally.server.people.Caller;
import palmtally.server.people.Role;
import palmtally.server.people.Terms;
import palmtally.server.practical.Awards;
import palmtally.server.practical.Awards.Standing;
import palmtally.server.problem.Refusal;
import palmtally.server.secondlook.SecondLookMapper.Look;
import tools.jackson.core.type.TypeReference;

/** A student asks for a second look at a mark that was shown to them; the lead decides, and what was asked and decided stays. */
@Service
public class SecondLooks {
    private static final int MOST = 200;

    /** How it is with a second look. */
    enum State {
        WAITS,
        WITHDRAWN,
        STANDS,
        CHANGED;

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
        }
    }

    /**
     * @param criterion the one mark that it is about, or null for all five
     * @param before the marks as they stood when it was asked for
     * @param after the marks that stand since it was decided
     * @param own whether who decided had graded it
     */
    record SecondLookView(
            UUID id,
            UUID practical,
            UUID studentId,
            String student,
            String sequence,
            Instant startedAt,
            String grader,
            @Nullable Criterion criterion,
            String reason,
            Instant askedAt,
            State state,
            Map<Criterion, Double> before,
            @Nullable Map<Criterion, Double> after,
            @Nullable String decidedBy,
            @Nullable Instant decidedAt,
            @Nullable String decision,
            boolean own) {}

    /**
     * What there is of a practical.
     *
     * @param revision the award that stands
     * @param lastDay on which it may be asked for, or null where it may not
     * @param shut why it may not be asked for now, or null where it may
     */
    record SecondLooksHere(
            int revision,
            @Nullable LocalDate lastDay,
            @Nullable String shut,
            List<SecondLookView> looks) {}

    /** All of the school, and for how many days they may be asked for. */
    record SecondLooksOfSchool(int days, List<SecondLookView> looks) {}

    record Asking(@Nullable Criterion criterion, @Nullable String reason) {}

    /** @param revision the award that was read: another one is not changed unseen */
    record Deciding(
            int revision,
            @Nullable Map<Criterion, @Nullable Double> marks,
            @Nullable String reason) {}

    private final SecondLookMapper rows;
    private final Awards awards;
    private final Terms terms;
    private final Audit audit;
    private final Clock clock;

    SecondLooks(SecondLookMapper rows, Awards awards, Terms terms, Audit audit, Clock clock) {
        this.rows = rows;
        this.awards = awards;
        this.terms = terms;
        this.audit = audit;
        this.clock = clock;
    }

    /** @throws Refusal 403 where the practical is not theirs to read */
    SecondLooksHere of(Caller caller, UUID practical) {
        var standing = shown(caller, practical);
        return here(caller, standing, rows.ofPractical(practical));
    }

    private SecondLooksHere here(Caller caller, Standing standing, List<Look> looks) {
        var shut = shut(caller, standing, looks);
        var days = new SecondLookDays(rows.days());
        return new SecondLooksHere(
                standing.revision(),
                days.days() == 0 ? null : days.last(shownOn(standing)),
                shut == null ? null : shut.getBody().getDetail(),
                looks.stream().map(SecondLooks::view).toList());
    }

    private LocalDate shownOn(Standing standing) {
        return LocalDate.ofInstant(standing.at(), clock.getZone());
    }

    /** A student has no award that was not released: they do not learn that there is one. */
    private Standing shown(Caller caller, UUID practical) {
        var standing = awards.standing(caller, practical);
        if (!caller.role().staff() && (!standing.released() || standing.half()))
            throw Refusal.conflict("not-awarded", "This is not awarded yet.");
        return standing;
    }

    /** Why nobody may ask now, or null where the student may. */
    private @Nullable Refusal shut(Caller caller, Standing standing, List<Look> looks) {
        if (!caller.id().equals(standing.student()))
            return Refusal.forbidden("A second look is asked for by the student themselves.");
        if (!standing.counts()) return Refusal.conflict("void", "This practical does not count.");
        if (looks.stream().anyMatch(Look::open))
            return Refusal.conflict("asked-already", "A second look was asked for and waits for the lead.");
        if (looks.stream().anyMatch(l -> l.settles(standing.revision())))
            return Refusal.conflict("decided-already", "There was a second look at this; what it came to stands.");
        var days = new SecondLookDays(rows.days());
        if (days.days() == 0) return Refusal.conflict("no-second-looks", "This school has no second looks.");
        if (!days.open(shownOn(standing), LocalDate.now(clock)))
            return Refusal.conflict(
                    "days-over",
                    "The school's " + days.days() + " days for asking are over. Speak with the lead instead.");
        return null;
    }

    /**
     * @throws Refusal 403 where it is not the caller's own; 409 where the days are over, one waits, or one was decided
     * @throws InvalidValue where no reason is given
     */
    @Transactional
    SecondLooksHere ask(Caller caller, UUID practical, Asking asking) {
        var standing = shown(caller, practical);
        var shut = shut(caller, standing, rows.ofPractical(practical));
        if (shut != null) throw shut;
        terms.mustBeOpen(standing.term());
        var asked = new SecondLookAsked(asking.criterion, asking.reason == null ? "" : asking.reason);
        if (rows.ask(
                        UUID.randomUUID(),
                        practical,
                        caller.id(),
                        standing.revision(),
                        Json.MAPPER.writeValueAsString(standing.marks()),
                        asked.criterion(),
                        asked.reason(),
                        clock.instant())
                == 0) throw Refusal.conflict("asked-already", "A second look was asked for and waits for the lead.");
        audit.changed(caller, caller.id(), "asked for a second look", practical.toString());
        return of(caller, practical);
    }

    /** The student takes it back: the mark stands, and may be asked about again within the days. */
    @Transactional
    SecondLooksHere withdraw(Caller caller, UUID id) {
        var look = look(id);
        if (!look.studentId().equals(caller.id()))
            throw Refusal.forbidden("A second look is taken back by who asked for it.");
        if (rows.withdraw(id, clock.instant()) == 0) throw over();
        audit.changed(
                caller,
                caller.id(),
                "took a second look back",
                look.practicalId().toString());
        return of(caller, look.practicalId());
    }

    /**
     * Decides: with no other mark than there was, all stand; else they are awarded anew with the reason.
     *
     * @throws Refusal 409 where it was decided or taken back, or the award was changed meanwhile
     * @throws InvalidValue naming each mark that was not asked about or is none
     */
    @Transactional
    SecondLookView decide(Caller lead, UUID id, Deciding deciding) {
        var look = look(id);
        if (!look.open()) throw over();
        var standing = awards.standing(lead, look.practicalId());
        terms.mustBeOpen(standing.term());
        if (standing.revision() != deciding.revision)
            throw Refusal.conflict(
                    "changed-meanwhile", "Somebody awarded this meanwhile. Read it again; nothing was decided.");
        var decision = SecondLookDecision.on(
                new SecondLookAsked(look.criterion(), look.reason()),
                standing.marks(),
                deciding.marks == null ? Map.of() : deciding.marks,
                deciding.reason == null ? "" : deciding.reason);
        var now = decision.stands()
                ? standing
                : awards.changeMarks(
                        lead,
                        look.practicalId(),
                        standing.revision(),
                        decision.marks(),
                        "Second look: " + decision.reason());
        if (rows.decide(
                        id,
                        lead.id(),
                        clock.instant(),
                        decision.reason(),
                        now.revision(),
                        Json.MAPPER.writeValueAsString(now.marks()))
                == 0) throw over();
        audit.changed(
                lead,
                look.studentId(),
                "decided a second look",
                look.practicalId() + (decision.stands() ? " stands" : " changed"));
        return view(look(id));
    }

    private static Refusal over() {
        return Refusal.conflict("not-waiting", "This second look does not wait any more. Read it again.");
    }

    private Look look(UUID id) {
        return rows.byId(id).orElseThrow(() -> Refusal.notFound("second look"));
    }

    /** All of the school; what waits comes first. */
    SecondLooksOfSchool ofSchool(Caller lead) {
        var looks = rows.all(MOST);
        audit.readClass(
                lead, (int) looks.stream().map(Look::studentId).distinct().count(), "the second looks");
        return new SecondLooksOfSchool(
                rows.days(), looks.stream().map(SecondLooks::view).toList());
    }

    /** How many wait for the caller: none for whoever does not decide. */
    public int waiting(Caller caller) {
        return caller.role() == Role.LEAD ? rows.waiting() : 0;
    }

    void setDays(Caller lead, int days) {
        rows.setDays(new SecondLookDays(days).days(), lead.id(), clock.instant());
    }

    private static Map<Criterion, Double> marks(String json) {
        var marks = new EnumMap<Criterion, Double>(Criterion.class);
        marks.putAll(Json.MAPPER.readValue(json, new TypeReference<Map<Criterion, Double>>() {}));
        return marks;
    }

    private static SecondLookView view(Look l) {
        var before = marks(l.marks());
        var after =
                Optional.ofNullable(l.decidedMarks()).map(SecondLooks::marks).orElse(null);
        var state = l.withdrawnAt() != null
                ? State.WITHDRAWN
                : after == null ? State.WAITS : after.equals(before) ? State.STANDS : State.CHANGED;
        return new SecondLookView(
                l.id(),
                l.practicalId(),
                l.studentId(),
                l.student(),
                l.sequence(),
                l.startedAt(),
                l.grader(),
                l.criterion(),
                l.reason(),
                l.askedAt(),
                state,
                before,
                after,
                l.decidedBy(),
                l.decidedAt(),
                l.decision(),
                l.graderId().equals(l.decidedById()));
    }
}

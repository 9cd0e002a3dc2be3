package palmtally.server.demonstration;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.calendar.Lesson;
import palmtally.core.demonstration.Mark;
import palmtally.core.demonstration.Moment;
import palmtally.core.demonstration.Progress;
import palmtally.core.demonstration.Refit;
import palmtally.core.demonstration.Showing;
import palmtally.core.picture.Build;
import palmtally.core.picture.Picture;
import palmtally.core.picture.StepPicture;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;
import palmtally.formats.Json;
import palmtally.server.answer.Page;
import palmtally.server.calendar.Curricula;
import palmtally.server.people.Caller;
import palmtally.server.people.Term;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;
import palmtally.server.profile.Profiles;
import palmtally.server.sequence.Sequences;
import palmtally.server.technique.Library;

/** Demonstrations: the marks as they come, and how they stand against the plan. */
@Service
public class Demonstrations {
    /**
     * The lab a demonstration was for.
     *
     * @param endsAt when its slot is over by the clock of the school, or null where nobody planned that
     * @param roomUntil when the room is needed by others, or null
     */
    public record Lab(
            String lesson,
            int week,
            int lab,
            @Nullable Instant endsAt,
            @Nullable Instant roomUntil,
            String room) {}

    /** @param elapsedSeconds the clock of the marks now */
    public record Standing(
            UUID id,
            String screen,
            Look look,
            Instant startedAt,
            @Nullable Lab lab,
            double elapsedSeconds,
            List<Moment> moments,
            Showing showing,
            List<Mark> marks,
            Progress progress) {}

    private static final Pattern PLACE = Pattern.compile("\\d{1,5}");

    /** One of its steps on one side, by its place in the planned order. */
    static Picture picture(Standing standing, String index, Build build) {
        var moments = standing.moments();
        // An address that is no number leads nowhere, as one of a step that is not there.
        int at = PLACE.matcher(index).matches() ? Integer.parseInt(index) : moments.size();
        if (at >= moments.size()) throw Refusal.notFound("step of this demonstration");
        return StepPicture.of(moments.get(at).span(), build);
    }

    /** A mark as the presenter's device sends it; sent twice it is stored once. */
    public record SentMark(
            @Nullable String id,
            Mark.@Nullable What what,
            @Nullable Integer index,
            @Nullable Double atSeconds,
            @Nullable String reason,
            @Nullable List<Double> seconds) {}

    /**
     * A demonstration in a list.
     *
     * @param seconds how long it took, or has run so far
     * @param left how many were left out, or of one that is not finished how many are to come
     * @param lab for which one, or null
     */
    public record ShownLine(
            UUID id,
            String sequence,
            String name,
            Instant startedAt,
            boolean finished,
            double seconds,
            double slotSeconds,
            int left,
            @Nullable Lab lab) {
        static ShownLine of(Standing s) {
            var p = s.progress;
            return new ShownLine(
                    s.id,
                    s.showing.sequence().id(),
                    s.showing.sequence().name(),
                    s.startedAt,
                    p.finished(),
                    (p.finished() ? p.endsAt() : s.elapsedSeconds) - p.begunAt(),
                    s.showing.slotSeconds(),
                    p.finished() ? p.leftOut().size() : p.ahead().size(),
                    s.lab);
        }
    }

    private static final int A_PAGE = 12;
    private static final int LONGEST_REASON = 200;

    record Row(
            UUID id,
            @Nullable UUID termId,
            UUID sequenceVersionId,
            UUID profileVersionId,
            UUID shownBy,
            Instant startedAt,
            @Nullable Double slotSeconds,
            @Nullable String lesson,
            @Nullable Integer week,
            @Nullable Integer lab,
            @Nullable String steps,
            @Nullable Instant endsAt,
            @Nullable Instant roomUntil,
            String room) {
        @Nullable
        Lab place() {
            return lesson == null || week == null || lab == null
                    ? null
                    : new Lab(lesson, week, lab, endsAt, roomUntil, room);
        }

        /** The earlier of the two ends by the clock, in seconds of the marks. */
        @Nullable
        Double endsBy() {
            var end = endsAt == null || roomUntil != null && roomUntil.isBefore(endsAt) ? roomUntil : endsAt;
            return end == null ? null : Duration.between(startedAt, end).toMillis() / 1000.0;
        }
    }

    record MarkRow(
            Mark.What what,
            int index,
            double atSeconds,
            @Nullable String reason,
            @Nullable String seconds) {}

    @Mapper
    interface Rows {
        @Insert("""
                insert into demonstration (id, term_id, sequence_version_id, profile_version_id, shown_by, started_at,
                    slot_seconds, lesson, week, lab, steps, ends_at, room_until, room)
                values (#{id}, #{termId}, #{sequenceVersionId}, #{profileVersionId}, #{shownBy}, #{startedAt},
                    #{slotSeconds}, #{lesson}, #{week}, #{lab}, #{steps}::jsonb, #{endsAt}, #{roomUntil}, #{room})""")
        void add(Row row);

        @Select("""
                select id, term_id, sequence_version_id, profile_version_id, shown_by, started_at, slot_seconds,
                    lesson, week, lab, steps::text as steps, ends_at, room_until, room
                from demonstration where id = #{id}""")
        Optional<Row> byId(UUID id);

        @Select("""
                select id from demonstration d where shown_by = #{account}
                and exists (select 1 from demonstration_mark m where m.demonstration_id = d.id)
                and (#{sequence}::text is null or sequence_version_id in (select id from document_version where document = #{sequence}))
                and (#{before}::uuid is null
                     or (started_at, id) < (select b.started_at, b.id from demonstration b where b.id = #{before} and b.shown_by = #{account}))
                order by started_at desc, id desc limit #{most}""")
        List<UUID> lately(UUID account, @Nullable String sequence, @Nullable UUID before, int most);

        @Select("""
                select id from demonstration d where term_id = #{term}
                and exists (select 1 from demonstration_mark m where m.demonstration_id = d.id)
                order by started_at, id""")
        List<UUID> inTerm(UUID term);

        @Select("select id from demonstration where id = #{id} for update")
        Optional<UUID> lock(UUID id);

        @Select("""
                select what, index, at_seconds, reason, seconds::text as seconds from demonstration_mark
                where demonstration_id = #{id} order by at_seconds, seq""")
        List<MarkRow> marks(UUID id);

        @Insert("""
                insert into demonstration_mark (demonstration_id, id, what, index, at_seconds, reason, seconds)
                values (#{demonstration}, #{id}, #{what}, #{index}, #{at}, #{reason}, #{seconds}::jsonb)
                on conflict do nothing""")
        void mark(
                UUID demonstration,
                String id,
                Mark.What what,
                int index,
                double at,
                @Nullable String reason,
                @Nullable String seconds);
    }

    private final Rows rows;
    private final Screens screens;
    private final Sequences sequences;
    private final Profiles profiles;
    private final Terms terms;
    private final Library library;
    private final Curricula curricula;
    private final Agenda agenda;
    private final Clock clock;

    Demonstrations(
            Rows rows,
            Screens screens,
            Sequences sequences,
            Profiles profiles,
            Terms terms,
            Library library,
            Curricula curricula,
            Agenda agenda,
            Clock clock) {
        this.rows = rows;
        this.screens = screens;
        this.sequences = sequences;
        this.profiles = profiles;
        this.terms = terms;
        this.library = library;
        this.curricula = curricula;
        this.agenda = agenda;
        this.clock = clock;
    }

    /**
     * Begins a demonstration, and turns the presenter's class screen to it.
     *
     * @param lesson which one of the term it is for, or null to take the one of this week that teaches the sequence, if there is one
     */
    @Transactional
    public Standing start(Caller caller, String sequenceId, @Nullable Double slotSeconds, @Nullable String lesson) {
        var id = UUID.randomUUID();
        var version = sequences.newest(sequenceId);
        var profile = profiles.ofSchool();
        if (slotSeconds != null) Showing.of(version.document(), profile.document(), slotSeconds);
        var now = clock.instant();
        var place = agenda.place(caller, sequenceId, lesson);
        var of = place == null ? null : place.lesson();
        Double slot = slotSeconds;
        if (slot == null && of != null)
            slot = Math.min(60 * of.minutes(), version.document().slotSeconds());
        rows.add(new Row(
                id,
                place == null ? terms.newestOf(caller.id()).map(Term::id).orElse(null) : place.term(),
                version.id(),
                profile.id(),
                caller.id(),
                now,
                slot,
                of == null ? null : of.id(),
                of == null ? null : of.week(),
                of == null ? null : of.lab(),
                of == null || of.steps().isEmpty() ? null : Json.MAPPER.writeValueAsString(of.steps()),
                place == null ? null : place.endsAt(now, slot == null ? 0 : slot),
                place == null ? null : place.roomUntil(now),
                place == null ? "" : place.room()));
        screens.beginAnew(caller.id());
        screens.show(caller.id(), id);
        return standing(id);
    }

    /** Another address for the caller's class screen. */
    @Transactional
    public String newAddress(Caller caller) {
        return screens.renew(caller.id());
    }

    /** What the caller's class looks at from now on. */
    @Transactional
    public void look(Caller caller, UUID id, Look look) {
        mine(caller, id);
        screens.look(caller.id(), look);
    }

    /**
     * Keeps a demonstration that was shown elsewhere, as it went; what it left goes onto the plan like any other.
     *
     * @param lesson which one it was for; its sequence as it is now
     * @param marks in the order they were made
     * @throws palmtally.core.InvalidValue when the marks are none of that sequence
     */
    @Transactional
    public UUID keep(UUID term, Caller by, Lesson lesson, Instant startedAt, List<Mark> marks) {
        var version = sequences.newest(Objects.requireNonNull(lesson.sequence()));
        var profile = profiles.ofSchool();
        double slot = Math.min(60 * lesson.minutes(), version.document().slotSeconds());
        double last = marks.isEmpty() ? 0 : marks.get(marks.size() - 1).atSeconds();
        Showing.of(version.document(), profile.document(), slot).progress(marks, last);
        var id = UUID.randomUUID();
        rows.add(new Row(
                id,
                term,
                version.id(),
                profile.id(),
                by.id(),
                startedAt,
                slot,
                lesson.id(),
                lesson.week(),
                lesson.lab(),
                null,
                null,
                null,
                ""));
        for (var mark : marks)
            rows.mark(
                    id, UUID.randomUUID().toString(), mark.what(), mark.index(), mark.atSeconds(), mark.reason(), null);
        leave(by, standing(id));
        return id;
    }

    /**
     * What somebody began and showed something of, the newest first.
     *
     * @param sequence of which alone, or null for any
     */
    Page<ShownLine> lately(Caller caller, @Nullable String sequence, @Nullable UUID before) {
        return Page.of(rows.lately(caller.id(), sequence, before, A_PAGE + 1), A_PAGE, id -> id)
                .map(id -> ShownLine.of(standing(id)));
    }

    /** Every demonstration of a term that showed something, the first first. */
    List<Standing> inTerm(UUID term) {
        return rows.inTerm(term).stream().map(this::standing).toList();
    }

    /** The same as lines. */
    public List<ShownLine> shownIn(UUID term) {
        return inTerm(term).stream().map(ShownLine::of).toList();
    }

    /** @param at what the presenter's device has as the clock of the marks, or null to go by the server's */
    public Standing own(Caller caller, UUID id, @Nullable Double at) {
        mine(caller, id);
        return standing(id, at);
    }

    /** How it stands, whoever asks. */
    Standing standing(UUID id) {
        return standing(id, null);
    }

    private Standing standing(UUID id, @Nullable Double at) {
        var row = rows.byId(id).orElseThrow(() -> Refusal.notFound("demonstration"));
        var sequence = part(sequences.version(row.sequenceVersionId).document(), row.steps);
        var profile = profiles.version(row.profileVersionId).document();
        var showing = Showing.of(sequence, profile, row.slotSeconds == null ? sequence.slotSeconds() : row.slotSeconds)
                .endingBy(row.endsBy());
        var marks = marks(id);
        double elapsed = at != null && Double.isFinite(at)
                ? at
                : Duration.between(row.startedAt, clock.instant()).toMillis() / 1000.0;
        double last = marks.isEmpty() ? 0 : marks.get(marks.size() - 1).atSeconds();
        double now = Math.max(last, elapsed);
        var screen = screens.screen(row.shownBy);
        return new Standing(
                id,
                screen.code(),
                screen.look(),
                row.startedAt,
                row.place(),
                now,
                Moment.of(showing, library.techniques()),
                showing,
                marks,
                showing.progress(marks, now));
    }

    @Transactional
    public Standing mark(Caller caller, UUID id, SentMark sent) {
        mine(caller, id);
        rows.lock(id);
        if (sent.id() == null
                || sent.id().isBlank()
                || sent.what() == null
                || sent.index() == null
                || sent.atSeconds() == null)
            throw Refusal.invalid("incomplete", "A mark needs id, what, index and atSeconds.");
        if (sent.reason() != null && sent.reason().length() > LONGEST_REASON)
            throw Refusal.invalid("too-long", "A reason has at most " + LONGEST_REASON + " characters.");
        rows.mark(
                id,
                sent.id(),
                sent.what(),
                sent.index(),
                sent.atSeconds(),
                sent.reason(),
                sent.seconds() == null ? null : Json.MAPPER.writeValueAsString(sent.seconds()));
        // The screen shows what is being shown, also when an older one is gone on with.
        screens.show(caller.id(), id);
        var standing = standing(id, sent.atSeconds());
        if (standing.progress().finished()) leave(caller, standing);
        return standing;
    }

    /** What was announced and not shown comes on the plan of the next week. */
    private void leave(Caller caller, Standing s) {
        var term = rows.byId(s.id).orElseThrow().termId;
        if (s.lab == null || term == null) return;
        var left = s.progress.forAnotherDay();
        curricula.leaveForAnotherDay(
                term,
                s.lab.lesson(),
                carried(s.id),
                s.showing.stepsOf(left),
                left.isEmpty() ? 0 : s.showing.minutesOf(left),
                caller);
    }

    /** The week whose plan has what a finished demonstration left out, or null where there is none. */
    @Nullable
    Integer anotherDay(Standing s) {
        var term = rows.byId(s.id).orElseThrow().termId;
        if (term == null || !s.progress.finished()) return null;
        return curricula
                .newest(term)
                .curriculum()
                .lesson(carried(s.id))
                .map(Lesson::week)
                .orElse(null);
    }

    /** The id of the lesson that takes what a demonstration left. */
    private static String carried(UUID demonstration) {
        return "left-" + demonstration.toString().substring(0, 8);
    }

    private static Sequence part(Sequence whole, @Nullable String steps) {
        if (steps == null) return whole;
        var meant = Set.of(Json.MAPPER.readValue(steps, String[].class));
        return whole.without(whole.steps().stream()
                .map(Step::id)
                .filter(i -> !meant.contains(i))
                .collect(Collectors.toSet()));
    }

    public Refit refit(Caller caller, UUID id, @Nullable Double at) {
        var standing = own(caller, id, at);
        return standing.showing().refit(standing.marks(), standing.elapsedSeconds());
    }

    private void mine(Caller caller, UUID id) {
        var row = rows.byId(id).orElseThrow(() -> Refusal.notFound("demonstration"));
        if (!row.shownBy.equals(caller.id())) throw Refusal.forbidden("Somebody else is showing this.");
    }

    private List<Mark> marks(UUID id) {
        return rows.marks(id).stream()
                .map(m -> new Mark(
                        m.what,
                        m.index,
                        m.atSeconds,
                        m.reason,
                        m.seconds == null ? null : List.of(Json.MAPPER.readValue(m.seconds, Double[].class))))
                .toList();
    }
}

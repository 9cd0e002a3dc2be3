package palmtally.server.demonstration;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.demonstration.Mark;
import palmtally.core.demonstration.Moment;
import palmtally.core.demonstration.Progress;
import palmtally.core.demonstration.Refit;
import palmtally.core.demonstration.Showing;
import palmtally.formats.Json;
import palmtally.server.people.Caller;
import palmtally.server.people.Passwords;
import palmtally.server.people.People;
import palmtally.server.problem.Refusal;
import palmtally.server.profile.Profiles;
import palmtally.server.sequence.Sequences;
import palmtally.server.technique.Library;

/** Demonstrations: the marks as they come, and how they stand against the plan. */
@Service
public class Demonstrations {
    /** @param elapsedSeconds the clock of the marks now */
    public record Standing(
            UUID id,
            String screen,
            double elapsedSeconds,
            List<Moment> moments,
            Showing showing,
            List<Mark> marks,
            Progress progress) {}

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
     */
    public record ShownLine(
            UUID id, String name, Instant startedAt, boolean finished, double seconds, double slotSeconds, int left) {}

    private static final int MOST_LINES = 12;
    private static final int LONGEST_REASON = 200;
    private static final int CODE_LENGTH = 5;

    record Row(
            UUID id,
            UUID sequenceVersionId,
            UUID profileVersionId,
            UUID shownBy,
            Instant startedAt,
            @Nullable Double slotSeconds) {}

    record MarkRow(
            String what,
            int index,
            double atSeconds,
            @Nullable String reason,
            @Nullable String seconds) {}

    @Mapper
    interface Rows {
        @Insert("""
                insert into demonstration (id, term_id, sequence_version_id, profile_version_id, shown_by, started_at, slot_seconds)
                values (#{id}, #{term}, #{sequence}, #{profile}, #{by}, #{at}, #{slot})""")
        void add(UUID id, @Nullable UUID term, UUID sequence, UUID profile, UUID by, Instant at, @Nullable Double slot);

        @Select("""
                select id, sequence_version_id, profile_version_id, shown_by, started_at, slot_seconds
                from demonstration where id = #{id}""")
        Optional<Row> byId(UUID id);

        @Select("""
                select id from demonstration d where shown_by = #{account}
                and exists (select 1 from demonstration_mark m where m.demonstration_id = d.id)
                order by started_at desc, id limit #{most}""")
        List<UUID> lately(UUID account, int most);

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
                String what,
                int index,
                double at,
                @Nullable String reason,
                @Nullable String seconds);
    }

    private final Rows rows;
    private final ScreenRows screens;
    private final Sequences sequences;
    private final Profiles profiles;
    private final People people;
    private final Library library;
    private final Clock clock;

    Demonstrations(
            Rows rows,
            ScreenRows screens,
            Sequences sequences,
            Profiles profiles,
            People people,
            Library library,
            Clock clock) {
        this.rows = rows;
        this.screens = screens;
        this.sequences = sequences;
        this.profiles = profiles;
        this.people = people;
        this.library = library;
        this.clock = clock;
    }

    /** Begins a demonstration, and turns the presenter's class screen to it. */
    @Transactional
    public Standing start(Caller caller, String sequenceId, @Nullable Double slotSeconds) {
        var id = UUID.randomUUID();
        var version = sequences.newest(sequenceId);
        var profile = profiles.ofSchool();
        if (slotSeconds != null) Showing.of(version.sequence(), profile.profile(), slotSeconds);
        rows.add(
                id,
                people.termOf(caller.id()).map(t -> t.id()).orElse(null),
                version.versionId(),
                profile.versionId(),
                caller.id(),
                clock.instant(),
                slotSeconds);
        screenOf(caller.id());
        screens.show(caller.id(), id);
        screens.changed(id);
        return standing(id);
    }

    /** The code of one's class screen: made once, and the same in every demonstration. */
    private String screenOf(UUID account) {
        var there = screens.of(account);
        // A code that another has is not taken; the next try makes another.
        for (int i = 0; there.isEmpty() && i < 20; i++) {
            screens.add(Passwords.word(CODE_LENGTH), account);
            there = screens.of(account);
        }
        return there.orElseThrow().code();
    }

    /** What somebody began and showed something of, the newest first. */
    public List<ShownLine> lately(Caller caller) {
        return rows.lately(caller.id(), MOST_LINES).stream()
                .map(id -> {
                    var row = rows.byId(id).orElseThrow();
                    var s = standing(id);
                    return new ShownLine(
                            id,
                            s.showing().sequence().name(),
                            row.startedAt,
                            s.progress().finished(),
                            (s.progress().finished() ? s.progress().endsAt() : s.elapsedSeconds())
                                    - s.progress().begunAt(),
                            s.showing().slotSeconds(),
                            s.progress().finished()
                                    ? s.progress().leftOut().size()
                                    : s.progress().ahead().size());
                })
                .toList();
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
        var sequence = sequences.version(row.sequenceVersionId).sequence();
        var profile = profiles.version(row.profileVersionId).profile();
        var showing = Showing.of(sequence, profile, row.slotSeconds == null ? sequence.slotSeconds() : row.slotSeconds);
        var marks = marks(id);
        double elapsed = at != null && Double.isFinite(at)
                ? at
                : Duration.between(row.startedAt, clock.instant()).toMillis() / 1000.0;
        double last = marks.isEmpty() ? 0 : marks.get(marks.size() - 1).atSeconds();
        double now = Math.max(last, elapsed);
        return new Standing(
                id,
                screenOf(row.shownBy),
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
                sent.what().toString(),
                sent.index(),
                sent.atSeconds(),
                sent.reason(),
                sent.seconds() == null ? null : Json.MAPPER.writeValueAsString(sent.seconds()));
        // The screen shows what is being shown, also when an older one is gone on with.
        screens.show(caller.id(), id);
        screens.changed(id);
        return standing(id, sent.atSeconds());
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
                        Mark.What.valueOf(m.what.toUpperCase()),
                        m.index,
                        m.atSeconds,
                        m.reason,
                        m.seconds == null ? null : List.of(Json.MAPPER.readValue(m.seconds, Double[].class))))
                .toList();
    }
}

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
import palmtally.core.demonstration.Showing;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.server.people.Caller;
import palmtally.server.people.People;
import palmtally.server.problem.Refusal;
import palmtally.server.profile.Profiles;
import palmtally.server.sequence.Sequences;

/** Demonstrations: the marks as they come, and how they stand against the plan. */
@Service
public class Demonstrations {
    /** A demonstration as it stands. */
    public record Standing(
            UUID id,
            double elapsedSeconds,
            Sequence sequence,
            Profile profile,
            Showing showing,
            Showing.Progress progress) {}

    /** A mark as the presenter's device sends it; sent twice it is stored once. */
    public record SentMark(
            @Nullable String id,
            Showing.@Nullable What what,
            @Nullable Integer index,
            @Nullable Double atSeconds) {}

    record Row(UUID id, UUID sequenceVersionId, UUID profileVersionId, UUID shownBy, Instant startedAt) {}

    record MarkRow(String what, int index, double atSeconds) {}

    @Mapper
    interface Rows {
        @Insert("""
                insert into demonstration (id, term_id, sequence_version_id, profile_version_id, shown_by, started_at)
                values (#{id}, #{term}, #{sequence}, #{profile}, #{by}, #{at})""")
        void add(UUID id, @Nullable UUID term, UUID sequence, UUID profile, UUID by, Instant at);

        @Select("""
                select id, sequence_version_id, profile_version_id, shown_by, started_at
                from demonstration where id = #{id}""")
        Optional<Row> byId(UUID id);

        @Select("select id from demonstration where id = #{id} for update")
        Optional<UUID> lock(UUID id);

        @Select("""
                select what, index, at_seconds from demonstration_mark
                where demonstration_id = #{id} order by at_seconds, id""")
        List<MarkRow> marks(UUID id);

        @Insert("""
                insert into demonstration_mark (demonstration_id, id, what, index, at_seconds)
                values (#{demonstration}, #{id}, #{what}, #{index}, #{at}) on conflict do nothing""")
        void mark(UUID demonstration, String id, String what, int index, double at);
    }

    private final Rows rows;
    private final Sequences sequences;
    private final Profiles profiles;
    private final People people;
    private final Clock clock;

    Demonstrations(Rows rows, Sequences sequences, Profiles profiles, People people, Clock clock) {
        this.rows = rows;
        this.sequences = sequences;
        this.profiles = profiles;
        this.people = people;
        this.clock = clock;
    }

    @Transactional
    public Standing start(Caller caller, String sequenceId) {
        var id = UUID.randomUUID();
        rows.add(
                id,
                people.termOf(caller.id()).map(t -> t.id()).orElse(null),
                sequences.newest(sequenceId).versionId(),
                profiles.ofSchool().versionId(),
                caller.id(),
                clock.instant());
        return standing(caller, id);
    }

    public Standing standing(Caller caller, UUID id) {
        var row = own(caller, id);
        var sequence = sequences.version(row.sequenceVersionId).sequence();
        var profile = profiles.version(row.profileVersionId).profile();
        var showing = Showing.of(sequence, profile);
        var marks = marks(id);
        double elapsed = Duration.between(row.startedAt, clock.instant()).toMillis() / 1000.0;
        double last = marks.isEmpty() ? 0 : marks.get(marks.size() - 1).atSeconds();
        double now = Math.max(last, elapsed);
        return new Standing(id, now, sequence, profile, showing, showing.progress(marks, now));
    }

    @Transactional
    public Standing mark(Caller caller, UUID id, SentMark sent) {
        own(caller, id);
        rows.lock(id);
        if (sent.id() == null
                || sent.id().isBlank()
                || sent.what() == null
                || sent.index() == null
                || sent.atSeconds() == null)
            throw Refusal.invalid("incomplete", "A mark needs id, what, index and atSeconds.");
        rows.mark(id, sent.id(), sent.what().toString(), sent.index(), sent.atSeconds());
        return standing(caller, id);
    }

    private Row own(Caller caller, UUID id) {
        var row = rows.byId(id).orElseThrow(() -> Refusal.notFound("demonstration"));
        if (!row.shownBy.equals(caller.id())) throw Refusal.forbidden("Somebody else is showing this.");
        return row;
    }

    private List<Showing.Mark> marks(UUID id) {
        return rows.marks(id).stream()
                .map(m -> new Showing.Mark(Showing.What.valueOf(m.what.toUpperCase()), m.index, m.atSeconds))
                .toList();
    }
}

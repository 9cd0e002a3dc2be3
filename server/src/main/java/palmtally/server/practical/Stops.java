package palmtally.server.practical;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.incident.SafetyStops;
import palmtally.core.incident.SafetyStops.Stopped;
import palmtally.server.people.Access;
import palmtally.server.people.Caller;
import palmtally.server.people.Role;
import palmtally.server.practical.PracticalRows.Row;

/** Practicals that were stopped for safety. */
@Service
public class Stops {
    /**
     * One stop, and of which practical.
     *
     * @param happenedAt by the clock on the wall
     */
    public record StoppedRun(UUID practical, UUID student, Stopped stop, Instant happenedAt) {}

    @Mapper
    interface Rows {
        @Select("""
                select id from practical p
                where exists (select 1 from event e where e.practical_id = p.id and e.kind = 'safety-stop')
                  and beside is null and watches is null and (#{grader}::uuid is null or grader_id = #{grader})
                order by started_at desc, id limit #{most}""")
        List<UUID> stopped(@Nullable UUID grader, int most);
    }

    private static final int MOST = 500;

    private final Rows rows;
    private final Records records;
    private final Access access;

    Stops(Rows rows, Records records, Access access) {
        this.rows = rows;
        this.records = records;
        this.access = access;
    }

    /** The stops that count, the newest first: all for the lead, for others those of the practicals they graded. */
    public List<StoppedRun> of(Caller caller) {
        var all = new ArrayList<StoppedRun>();
        for (var id : rows.stopped(caller.role() == Role.LEAD ? null : caller.id(), MOST)) {
            var row = records.row(id);
            for (var stop : SafetyStops.of(records.practical(row))) all.add(stopped(row, stop));
        }
        return all;
    }

    /**
     * The stop of a practical at that moment, for whoever teaches its term.
     *
     * @throws palmtally.server.problem.Refusal 403 or 404
     */
    public Optional<StoppedRun> at(Caller caller, UUID practical, long atMs) {
        var row = records.row(practical);
        access.mustTeach(caller, row.termId());
        return SafetyStops.of(records.practical(row)).stream()
                .filter(s -> s.atMs() == atMs)
                .map(s -> stopped(row, s))
                .findFirst();
    }

    private static StoppedRun stopped(Row row, Stopped stop) {
        return new StoppedRun(row.id(), row.studentId(), stop, row.startedAt().plusMillis(stop.atMs()));
    }
}

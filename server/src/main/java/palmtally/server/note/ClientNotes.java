package palmtally.server.note;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.people.ClientNote;
import palmtally.server.audit.Audit;
import palmtally.server.people.Access;
import palmtally.server.people.Accounts;
import palmtally.server.people.Caller;
import palmtally.server.problem.Refusal;

/** What the bodies of partners must be spared: the least that is needed, for as long as it holds. Every read is in the audit trail. */
@Service
public class ClientNotes {
    /** A note as it is kept; until is the last day it holds, or null while it is not taken back. */
    public record Kept(
            UUID id,
            ClientNote.Kind kind,
            @Nullable Zone zone,
            @Nullable Side side,
            @Nullable LocalDate until) {
        ClientNote note() {
            return new ClientNote(kind, zone, side);
        }
    }

    /** A note with whose it is. */
    record Whose(
            UUID accountId,
            ClientNote.Kind kind,
            @Nullable Zone zone,
            @Nullable Side side) {
        ClientNote note() {
            return new ClientNote(kind, zone, side);
        }
    }

    @Mapper
    interface Rows {
        @Select("""
                select account_id, kind, zone, side from client_note
                where withdrawn_at is null and (until is null or until >= #{today})""")
        List<Whose> notes(LocalDate today);

        @Select("""
                select id, kind, zone, side, until from client_note
                where account_id = #{account} and withdrawn_at is null and (until is null or until >= #{today})
                order by written_at, id""")
        List<Kept> of(UUID account, LocalDate today);

        @Insert("""
                insert into client_note (id, account_id, kind, zone, side, until, written_by, written_at)
                values (#{id}, #{account}, #{kind}, #{zone}, #{side}, #{until}, #{by}, #{at})""")
        void add(
                UUID id,
                UUID account,
                ClientNote.Kind kind,
                @Nullable Zone zone,
                @Nullable Side side,
                @Nullable LocalDate until,
                UUID by,
                Instant at);

        @Update("""
                update client_note set withdrawn_at = #{at}
                where id = #{id} and account_id = #{account} and withdrawn_at is null""")
        int withdraw(UUID id, UUID account, Instant at);
    }

    private final Rows rows;
    private final Accounts accounts;
    private final Access access;
    private final Audit audit;
    private final Clock clock;

    ClientNotes(Rows rows, Accounts accounts, Access access, Audit audit, Clock clock) {
        this.rows = rows;
        this.accounts = accounts;
        this.access = access;
        this.audit = audit;
        this.clock = clock;
    }

    /** @throws Refusal 403 unless the caller teaches that person or is that person */
    public List<Kept> of(Caller caller, UUID account) {
        access.maySee(caller, account);
        accounts.person(account);
        audit.read(caller, account, "the notes");
        return kept(account);
    }

    /** The notes as the checks want them. */
    public List<ClientNote> notes(Caller caller, UUID account) {
        return of(caller, account).stream().map(Kept::note).toList();
    }

    /** The notes of those people who have any. No read is in the trail: whoever shows them to somebody says so there. */
    public Map<UUID, List<ClientNote>> ofPeople(Set<UUID> people) {
        return rows.notes(LocalDate.now(clock)).stream()
                .filter(n -> people.contains(n.accountId()))
                .collect(Collectors.groupingBy(Whose::accountId, Collectors.mapping(Whose::note, Collectors.toList())));
    }

    private List<Kept> kept(UUID account) {
        return rows.of(account, LocalDate.now(clock));
    }

    /** @throws InvalidValue where the last day has passed */
    public List<Kept> add(Caller caller, UUID account, ClientNote note, @Nullable LocalDate until) {
        access.maySee(caller, account);
        accounts.person(account);
        if (until != null && until.isBefore(LocalDate.now(clock)))
            throw new InvalidValue("note", new Fault("until", until.toString(), "has passed"));
        rows.add(
                UUID.randomUUID(), account, note.kind(), note.zone(), note.side(), until, caller.id(), clock.instant());
        audit.changed(caller, account, "wrote a note", "");
        return kept(account);
    }

    /** Keeps what somebody said today until the day is over; what is known already is not written twice. */
    public void keepForToday(Caller caller, UUID account, List<ClientNote> said) {
        var known = notes(caller, account);
        for (var note : said) if (!known.contains(note)) add(caller, account, note, LocalDate.now(clock));
    }

    public List<Kept> withdraw(Caller caller, UUID account, UUID note) {
        access.maySee(caller, account);
        if (rows.withdraw(note, account, clock.instant()) == 0) throw Refusal.notFound("note");
        audit.changed(caller, account, "took a note back", "");
        return kept(account);
    }
}

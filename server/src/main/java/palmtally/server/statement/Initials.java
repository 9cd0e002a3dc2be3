package palmtally.server.statement;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.formats.Json;
import palmtally.server.audit.Audit;
import palmtally.server.people.Access;
import palmtally.server.people.Caller;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;

/**
 * Initials of those who award, and under which award they stand. An award has those that were put to it and no other: who awards anew signs
 * anew, and who changes their initials leaves those that stand as they are.
 */
@Service
class Initials {
    static final int MOST_LETTERS = 8;
    static final int MOST_LINES = 40;
    static final int MOST_NUMBERS = 4000;

    /**
     * @param drawn lines of points, x and y in turn, within a box of 0 to 1; null where they are only typed
     */
    record InitialsView(String typed, @Nullable List<List<Double>> drawn, Instant madeAt) {}

    /** @param drawn as in {@link InitialsView} */
    record InitialsForm(@Nullable String typed, @Nullable List<@Nullable List<@Nullable Double>> drawn) {}

    /** An award of the caller's that has no initials yet, or none of this revision. */
    record UnsignedAward(
            UUID practical,
            int revision,
            String student,
            String sequence,
            Instant at,
            @Nullable Integer mean,
            String result) {}

    /** @param revision the one that was read: another one is not signed unseen */
    record AwardToSign(@Nullable UUID practical, @Nullable Integer revision) {}

    record Mine(UUID id, String typed, @Nullable String drawn, Instant madeAt) {
        InitialsView view() {
            return new InitialsView(typed, drawn == null ? null : Statements.lines(drawn), madeAt);
        }
    }

    @Mapper
    interface Rows {
        @Select("""
                select id, typed, drawn::text as drawn, made_at from initials where account_id = #{account}
                order by made_at desc, id limit 1""")
        Optional<Mine> of(UUID account);

        @Insert("""
                insert into initials (id, account_id, typed, drawn, made_at)
                values (#{id}, #{account}, #{typed}, #{drawn}::jsonb, #{at})""")
        void add(UUID id, UUID account, String typed, @Nullable String drawn, Instant at);

        @Select("""
                select p.id as practical, a.revision, s.name as student, v.name as sequence, p.started_at as at,
                       round(a.mean)::int as mean, a.result
                from counted_practical p
                join newest_award a on a.practical_id = p.id
                join person s on s.id = p.student_id
                join document_version v on v.id = p.sequence_version_id
                where p.term_id = #{term} and a.awarded_by = #{account}
                  and not exists (select 1 from award_signature n where n.practical_id = a.practical_id and n.revision = a.revision)
                order by p.started_at, p.id""")
        List<UnsignedAward> unsigned(UUID term, UUID account);

        /** The revision that stands of an award of somebody's in a term. */
        @Select("""
                select a.revision from counted_practical p join newest_award a on a.practical_id = p.id
                where p.id = #{practical} and p.term_id = #{term} and a.awarded_by = #{account}""")
        Optional<Integer> revision(UUID practical, UUID term, UUID account);

        @Insert("""
                insert into award_signature (practical_id, revision, nth, initials_id, signed_at)
                values (#{practical}, #{revision},
                    (select count(*) + 1 from award_signature where practical_id = #{practical} and revision = #{revision}),
                    #{initials}, #{at})
                on conflict do nothing""")
        int sign(UUID practical, int revision, UUID initials, Instant at);
    }

    private final Rows rows;
    private final Access access;
    private final Terms terms;
    private final Audit audit;
    private final Clock clock;

    Initials(Rows rows, Access access, Terms terms, Audit audit, Clock clock) {
        this.rows = rows;
        this.access = access;
        this.terms = terms;
        this.audit = audit;
        this.clock = clock;
    }

    Optional<InitialsView> of(Caller caller) {
        return rows.of(caller.id()).map(Mine::view);
    }

    /** @throws InvalidValue where they are no initials */
    InitialsView set(Caller caller, InitialsForm form) {
        var faults = new ArrayList<Fault>();
        var typed = form.typed == null ? "" : form.typed.strip();
        if (typed.isEmpty()
                || typed.codePointCount(0, typed.length()) > MOST_LETTERS
                || typed.chars().anyMatch(Character::isISOControl))
            faults.add(new Fault(
                    "typed",
                    typed.isEmpty() ? "" : typed.length() + " letters",
                    "must be 1 to " + MOST_LETTERS + " letters"));
        if (form.drawn != null) {
            int numbers = 0;
            if (form.drawn.isEmpty() || form.drawn.size() > MOST_LINES)
                faults.add(new Fault("drawn", form.drawn.size() + " lines", "must be 1 to " + MOST_LINES + " lines"));
            for (int i = 0; i < Math.min(form.drawn.size(), MOST_LINES); i++) {
                var line = form.drawn.get(i);
                if (line == null
                        || line.size() < 2
                        || line.size() % 2 != 0
                        || line.stream().anyMatch(n -> n == null || !(n >= 0 && n <= 1)))
                    faults.add(new Fault("drawn/" + i, "", "must be pairs of numbers from 0 to 1"));
                else numbers += line.size();
            }
            if (numbers > MOST_NUMBERS)
                faults.add(new Fault("drawn", numbers + " numbers", "must be at most " + MOST_NUMBERS));
        }
        if (!faults.isEmpty()) throw new InvalidValue("initials", faults);
        rows.add(
                UUID.randomUUID(),
                caller.id(),
                typed,
                form.drawn == null ? null : Json.MAPPER.writeValueAsString(form.drawn),
                clock.instant());
        return of(caller).orElseThrow();
    }

    /** The caller's awards in a term that wait for their initials, the oldest first. */
    List<UnsignedAward> unsigned(Caller caller, UUID term) {
        var all = rows.unsigned(term, caller.id());
        audit.readClass(caller, all.size(), "the awards to sign");
        return all;
    }

    /**
     * Puts the caller's initials to awards of theirs: to all of them or, where one cannot be signed, to none.
     *
     * @throws Refusal 409 where the caller has no initials, or an award is not theirs or was changed meanwhile
     */
    @Transactional
    public void sign(Caller caller, UUID term, List<@Nullable AwardToSign> awards) {
        access.mustTeach(caller, term);
        terms.mustBeOpen(term);
        var initials = mine(caller);
        if (awards.isEmpty()) throw new InvalidValue("signatures", new Fault("awards", "none", "need one to sign"));
        for (int i = 0; i < awards.size(); i++) {
            var award = awards.get(i);
            if (award == null || award.practical == null || award.revision == null)
                throw new InvalidValue("signatures", new Fault("awards/" + i, "", "needs a practical and a revision"));
            int stands = rows.revision(award.practical, term, caller.id())
                    .orElseThrow(() ->
                            Refusal.conflict("not-yours", "This award is not yours to sign. Nothing was signed."));
            if (stands != award.revision)
                throw Refusal.conflict(
                        "changed-meanwhile", "An award was changed meanwhile. Read it again; nothing was signed.");
            if (rows.sign(award.practical, award.revision, initials.id(), clock.instant()) == 0)
                throw Refusal.conflict(
                        "changed-meanwhile", "Somebody signed this meanwhile. Read it again; nothing was signed.");
        }
        audit.changed(caller, null, "signed awards", awards.size() + " of term " + term);
    }

    /** @throws Refusal 409 where the caller has none yet */
    Mine mine(Caller caller) {
        return rows.of(caller.id())
                .orElseThrow(() ->
                        Refusal.conflict("no-initials", "Type or draw your initials first, under School, Initials."));
    }
}

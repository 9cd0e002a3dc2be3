package palmtally.server.people;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.server.problem.Refusal;

/**
 * Who takes one lab in the place of its teacher. On the day of the lab they may what staff of the term may, but for planning it and for
 * taking its files away; on any other day it is shut to them. What they marked and graded stays.
 */
@Service
public class Substitutes {
    /** @param on the only day it opens the term to them */
    public record Substitute(int week, int lab, LocalDate on, UUID account, String name) {}

    /**
     * A lab somebody takes.
     *
     * @param on the only day it opens the term to them
     */
    public record TakenLab(UUID term, String cohort, int week, int lab, LocalDate on) {}

    @Mapper
    interface Rows {
        String COLUMNS = """
                select s.week, s.lab, s.on_day as "on", s.account_id as account, a.name
                from substitute s join account a on a.id = s.account_id where s.term_id = #{term}""";

        @Select(COLUMNS + " order by s.week, s.lab")
        List<Substitute> of(UUID term);

        @Select(COLUMNS + " and s.week = #{week} and s.lab = #{lab}")
        Optional<Substitute> at(UUID term, int week, int lab);

        @Select("""
                select s.term_id as term, t.cohort, s.week, s.lab, s.on_day as "on"
                from substitute s join term t on t.id = s.term_id
                where s.account_id = #{account} order by s.on_day, s.term_id, s.week, s.lab""")
        List<TakenLab> takes(UUID account);

        @Insert("""
                insert into substitute (term_id, week, lab, on_day, account_id, asked_by, asked_at)
                values (#{term}, #{week}, #{lab}, #{on}, #{account}, #{by}, #{at})
                on conflict (term_id, week, lab)
                do update set on_day = #{on}, account_id = #{account}, asked_by = #{by}, asked_at = #{at}""")
        void set(UUID term, int week, int lab, LocalDate on, UUID account, UUID by, Instant at);

        @Delete("delete from substitute where term_id = #{term} and week = #{week} and lab = #{lab}")
        int withdraw(UUID term, int week, int lab);
    }

    private final Rows rows;
    private final Terms terms;
    private final Accounts accounts;
    private final Access access;
    private final Clock clock;

    Substitutes(Rows rows, Terms terms, Accounts accounts, Access access, Clock clock) {
        this.rows = rows;
        this.terms = terms;
        this.accounts = accounts;
        this.access = access;
        this.clock = clock;
    }

    /** Those of a term, the first lab first. */
    public List<Substitute> of(UUID term) {
        return rows.of(term);
    }

    public Optional<Substitute> at(UUID term, int week, int lab) {
        return rows.at(term, week, lab);
    }

    /** The labs somebody takes today or later in the place of another, by their day. */
    public List<TakenLab> toTake(UUID account) {
        var today = LocalDate.now(clock);
        return takes(account).stream().filter(l -> !l.on.isBefore(today)).toList();
    }

    /** All labs somebody takes, or took, in the place of another, by their day. */
    public List<TakenLab> takes(UUID account) {
        return rows.takes(account);
    }

    /**
     * Gives a lab to somebody, in the place of whoever had it.
     *
     * @param on the day of the lab
     * @throws InvalidValue where the day is over, or they are no staff who may sign in on it
     */
    @Transactional
    public void set(Caller by, UUID term, int week, int lab, LocalDate on, UUID account) {
        terms.mustBeOpen(term);
        if (on.isBefore(LocalDate.now(clock)))
            throw new InvalidValue("substitute", new Fault("on", on.toString(), "is over"));
        if (accounts.standing(account, on).filter(c -> c.role().staff()).isEmpty())
            throw new InvalidValue(
                    "substitute",
                    new Fault("account", account.toString(), "is no teacher or grader who may sign in on that day"));
        rows.set(term, week, lab, on, account, by.id(), clock.instant());
        access.changed();
    }

    /** Takes the lab back: what it opened is shut at once. */
    @Transactional
    public void withdraw(UUID term, int week, int lab) {
        if (rows.withdraw(term, week, lab) == 0) throw Refusal.notFound("substitute in this lab");
        access.changed();
    }
}

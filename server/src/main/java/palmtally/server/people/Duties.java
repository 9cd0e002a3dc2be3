package palmtally.server.people;

import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Region;
import palmtally.server.problem.Refusal;

/** Who teaches and who grades what in a term. */
@Service
public class Duties {
    /** What somebody does with a region. */
    public enum Task {
        TEACH,
        GRADE;

        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** One line: somebody, a region, a task. */
    public record Duty(UUID account, String name, Region region, Task task) {}

    @Mapper
    interface Rows {
        @Select("""
                select d.account_id as account, a.name, d.region, d.task from duty d
                join account a on a.id = d.account_id
                join enrolment e on e.term_id = d.term_id and e.account_id = d.account_id
                where d.term_id = #{term} order by d.region, d.task, a.name""")
        List<Duty> of(UUID term);

        @Delete("delete from duty where term_id = #{term}")
        void clear(UUID term);

        @Insert("""
                insert into duty (term_id, account_id, region, task) values (#{term}, #{account}, #{region}, #{task})
                on conflict do nothing""")
        void add(UUID term, UUID account, Region region, Task task);
    }

    private final Rows rows;
    private final Terms terms;
    private final Access access;
    private final List<DutyGate> gates;

    Duties(Rows rows, Terms terms, Access access, List<DutyGate> gates) {
        this.gates = gates;
        this.rows = rows;
        this.terms = terms;
        this.access = access;
    }

    public List<Duty> of(UUID term) {
        return rows.of(term);
    }

    /**
     * Whether somebody may award in a region: whoever teaches or takes a lab of the term today, and a grader where the term gives that
     * region to nobody else, once nothing keeps their duty shut.
     *
     * @throws palmtally.server.problem.Refusal 403 for a grader whose region it is not, or whose duty is shut
     */
    public void mustGrade(Caller caller, UUID term, Region region) {
        if (caller.role() != Role.GRADER || access.substitutes(caller, term)) return;
        for (var gate : gates)
            gate.shut(caller).ifPresent(why -> {
                throw Refusal.forbidden(why);
            });
        var graders = of(term).stream()
                .filter(d -> d.region == region && d.task == Task.GRADE)
                .toList();
        if (graders.isEmpty() || graders.stream().anyMatch(d -> d.account.equals(caller.id()))) return;
        throw Refusal.forbidden(region.label() + " is graded by "
                + String.join(", ", graders.stream().map(Duty::name).toList()) + " in this term; ask there.");
    }

    /** The regions somebody of the staff may grade in a term, by the same rule. */
    public Set<Region> grades(Person who, UUID term) {
        var all = EnumSet.allOf(Region.class);
        if (who.role() != Role.GRADER) return all;
        var grader = new Caller(who.id(), who.name(), who.role());
        if (gates.stream().anyMatch(g -> g.shut(grader).isPresent())) return EnumSet.noneOf(Region.class);
        var of = of(term).stream().filter(d -> d.task == Task.GRADE).toList();
        all.removeIf(r -> of.stream().anyMatch(d -> d.region == r)
                && of.stream().noneMatch(d -> d.region == r && d.account.equals(who.id())));
        return all;
    }

    /**
     * Sets who does what, the whole list at once.
     *
     * @throws InvalidValue naming each line whose person is no staff of the term
     */
    @Transactional
    public List<Duty> set(UUID term, List<Duty> duties) {
        terms.mustBeOpen(term);
        var staff = terms.people(term).stream()
                .filter(p -> p.role().staff())
                .map(Person::id)
                .toList();
        var faults = new java.util.ArrayList<Fault>();
        for (int i = 0; i < duties.size(); i++)
            if (!staff.contains(duties.get(i).account))
                faults.add(new Fault(
                        "duties/" + i + "/account",
                        String.valueOf(duties.get(i).account),
                        "is no instructor, grader or lead of this term"));
        if (!faults.isEmpty()) throw new InvalidValue("duties", faults);
        rows.clear(term);
        for (var d : duties) rows.add(term, d.account, d.region, d.task);
        access.changed();
        return of(term);
    }
}

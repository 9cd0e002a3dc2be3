package palmtally.server.briefing;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.server.people.Accounts;
import palmtally.server.people.Caller;
import palmtally.server.people.Role;
import palmtally.server.people.Substitutes;
import palmtally.server.people.Terms;
import palmtally.server.register.Registers;

/** Gives one lab of the plan to a substitute, on the day the plan has it. */
@Service
class LabSubstitutes {
    private final Substitutes substitutes;
    private final Registers registers;
    private final Accounts accounts;
    private final Terms terms;
    private final Clock clock;

    LabSubstitutes(Substitutes substitutes, Registers registers, Accounts accounts, Terms terms, Clock clock) {
        this.substitutes = substitutes;
        this.registers = registers;
        this.accounts = accounts;
        this.terms = terms;
        this.clock = clock;
    }

    List<Substitutes.Substitute> of(UUID term) {
        return substitutes.of(term);
    }

    /** @param on the day of it where the plan gives labs no time, else null */
    void set(Caller by, UUID term, int week, int lab, @Nullable LocalDate on, UUID account) {
        substitutes.set(by, term, week, lab, day(term, week, lab, on), account);
    }

    /** Somebody new, who may sign in until the day of the lab is over: they read what the school has written and change none of it. */
    @Transactional
    Accounts.SignInSheet add(
            Caller by, UUID term, int week, int lab, @Nullable LocalDate on, String name, String signIn) {
        var day = day(term, week, lab, on);
        var sheet = accounts.addUntil(day, name, signIn, Role.GRADER);
        substitutes.set(by, term, week, lab, day, sheet.id());
        return sheet;
    }

    void withdraw(UUID term, int week, int lab) {
        terms.mustBeOpen(term);
        substitutes.withdraw(term, week, lab);
    }

    /** @throws InvalidValue where the plan does not say when the lab is and nobody else does, or both do and do not agree */
    private LocalDate day(UUID term, int week, int lab, @Nullable LocalDate on) {
        var begins = registers.sheet(term, week, lab).begins();
        var planned = begins == null ? null : LocalDate.ofInstant(begins, clock.getZone());
        if (planned == null && on == null)
            throw new InvalidValue(
                    "substitute", new Fault("on", "", "is missing: the plan of this term does not say when labs are"));
        if (planned != null && on != null && !on.equals(planned))
            throw new InvalidValue(
                    "substitute", new Fault("on", on.toString(), "is not the day of this lab, which is " + planned));
        return planned == null ? on : planned;
    }
}

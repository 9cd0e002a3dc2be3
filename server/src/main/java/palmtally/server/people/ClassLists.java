package palmtally.server.people;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.formats.ClassList;
import palmtally.server.people.Accounts.SignInSheet;

/** A class taken from a list: who is new, and who joins the term. */
@Service
public class ClassLists {
    /** What a line of a class list does: a new account, or one that is there and joins the term. */
    public record ClassLine(int row, String name, String signIn, Role role, boolean isNew, boolean inTerm) {}

    private static final int MOST_SIGN_IN = 100;

    private final Accounts accounts;
    private final Terms terms;

    ClassLists(Accounts accounts, Terms terms) {
        this.accounts = accounts;
        this.terms = terms;
    }

    /**
     * What a class list would do to a term.
     *
     * @throws InvalidValue naming each row whose sign-in belongs to somebody of another name or role
     */
    public List<ClassLine> read(UUID term, List<ClassList.Entry> entries) {
        terms.term(term);
        var taken = new HashSet<String>();
        var faults = new ArrayList<Fault>();
        var lines = new ArrayList<ClassLine>();
        entries.forEach(e -> {
            if (e.signIn() != null) taken.add(SignInName.key(e.signIn()));
        });
        var inTerm = terms.people(term).stream().map(Person::id).toList();
        for (var e : entries) {
            var given = e.signIn();
            var there = given == null ? Optional.<Account>empty() : accounts.bySignIn(given);
            if (there.isPresent()) {
                var a = there.get();
                if (!a.name().equalsIgnoreCase(e.name()) || a.role() != Role.of(e.role()))
                    faults.add(new Fault(
                            "row " + e.row() + ", sign-in", a.signIn(), "is that of " + a.name() + ", " + a.role()));
                lines.add(new ClassLine(e.row(), a.name(), a.signIn(), a.role(), false, inTerm.contains(a.id())));
            } else
                lines.add(new ClassLine(
                        e.row(),
                        e.name(),
                        given == null ? madeOf(e.name(), taken) : given,
                        Role.of(e.role()),
                        true,
                        false));
        }
        if (!faults.isEmpty()) throw new InvalidValue("class list", faults);
        return lines;
    }

    /** Takes a class list: makes what accounts are missing, each with a password that is told once, and enrols all; all or nothing. */
    @Transactional
    public List<SignInSheet> take(UUID term, List<ClassList.Entry> entries) {
        terms.mustBeOpen(term);
        var sheets = new ArrayList<SignInSheet>();
        for (var line : read(term, entries)) {
            var password = line.isNew ? Passwords.fresh() : null;
            var id = password == null
                    ? accounts.bySignIn(line.signIn).orElseThrow().id()
                    : accounts.add(line.name, line.signIn, password, line.role);
            terms.enrolNow(term, id);
            sheets.add(new SignInSheet(id, line.name, line.signIn, line.role, password));
        }
        return sheets;
    }

    /** A sign-in out of a name: the first name, then with letters of the last, then with a number, until nobody has it. */
    private String madeOf(String name, Set<String> taken) {
        var parts = Normalizer.normalize(name, Normalizer.Form.NFD)
                .replaceAll("\\p{M}+", "")
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^\\p{L}\\p{N} ]+", "")
                .strip()
                .split(" +");
        var first = parts[0].isEmpty() ? "person" : parts[0];
        var last = parts.length > 1 ? parts[parts.length - 1] : "";
        for (int i = 0; ; i++) {
            var tried = i <= last.length()
                    ? first + (i == 0 ? "" : "." + last.substring(0, i))
                    : first + (last.isEmpty() ? "" : "." + last) + (i - last.length() + 1);
            if (tried.length() > MOST_SIGN_IN) tried = tried.substring(0, 90) + i;
            if (!taken.contains(tried) && accounts.bySignIn(tried).isEmpty()) {
                taken.add(tried);
                return tried;
            }
        }
    }
}

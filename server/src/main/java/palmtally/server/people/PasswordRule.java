package palmtally.server.people;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import palmtally.core.InvalidValue.Fault;

/**
 * What a password that somebody chooses must be: long rather than strange, and none that is tried first (after NIST SP 800-63B section
 * 5.1.1.2, from memory; the list of the commonest is ours, common practice, no source).
 */
final class PasswordRule {
    static final int LEAST = 10;
    static final int MOST = 200;
    private static final int LEAST_DIFFERENT = 4;
    private static final Set<String> COMMONEST = read();

    private PasswordRule() {}

    /**
     * @param field what the password is called where it was typed
     * @param signIn of whoever it is for
     * @return the one thing to mend first, or nothing
     */
    static List<Fault> faults(String field, String password, String signIn) {
        var plain = password.toLowerCase(Locale.ROOT);
        int length = password.codePointCount(0, password.length());
        if (length < LEAST || length > MOST)
            return List.of(new Fault(field, "", "must be " + LEAST + " to " + MOST + " characters"));
        if (plain.codePoints().distinct().count() < LEAST_DIFFERENT)
            return List.of(new Fault(field, "", "repeats the same few characters. Maybe take three words"));
        if (COMMONEST.contains(plain) || COMMONEST.contains(plain.replaceAll("[0-9!.?]+$", "")))
            return List.of(new Fault(field, "", "is one of those that are tried first. Maybe take three words"));
        if (!signIn.isBlank() && plain.replace(SignInName.key(signIn), "").length() < 4)
            return List.of(new Fault(field, "", "is little more than the sign-in. Maybe take three words"));
        return List.of();
    }

    private static Set<String> read() {
        try (var in = PasswordRule.class.getResourceAsStream("/people/commonest-passwords.txt")) {
            if (in == null)
                throw new IllegalStateException("the list of the commonest passwords is not on the class path");
            return new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8))
                    .lines()
                    .filter(l -> !l.isBlank() && !l.startsWith("#"))
                    .collect(Collectors.toUnmodifiableSet());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

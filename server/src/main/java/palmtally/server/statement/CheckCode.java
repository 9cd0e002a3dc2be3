package palmtally.server.statement;

import java.security.SecureRandom;
import java.util.regex.Pattern;

/** The code that a paper bears: three groups of four signs. */
final class CheckCode {
    /** What nobody mistakes for another: no 0, 1, I, L, O or U. */
    private static final String SIGNS = "23456789ABCDEFGHJKMNPQRSTVWXYZ";

    static final Pattern PATTERN = Pattern.compile("[" + SIGNS + "]{4}-[" + SIGNS + "]{4}-[" + SIGNS + "]{4}");
    private static final SecureRandom RANDOM = new SecureRandom();

    private CheckCode() {}

    static String draw() {
        var code = new StringBuilder();
        for (int i = 0; i < 12; i++) {
            if (i > 0 && i % 4 == 0) code.append('-');
            code.append(SIGNS.charAt(RANDOM.nextInt(SIGNS.length())));
        }
        return code.toString();
    }
}

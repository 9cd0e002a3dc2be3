package palmtally.server.people;

import java.security.SecureRandom;

/** Passwords that are made, read out once and typed once: twelve letters and digits that are not mistaken for each other. */
final class Passwords {
    private static final String LETTERS = "abcdefghjkmnpqrstuvwxyz23456789";
    private static final SecureRandom CHANCE = new SecureRandom();

    private Passwords() {}

    /** Three groups of four, such as {@code kmrt-92xf-hpd7}: about 59 bits. */
    static String fresh() {
        var out = new StringBuilder();
        for (int i = 0; i < 12; i++) {
            if (i > 0 && i % 4 == 0) out.append('-');
            out.append(LETTERS.charAt(CHANCE.nextInt(LETTERS.length())));
        }
        return out.toString();
    }
}

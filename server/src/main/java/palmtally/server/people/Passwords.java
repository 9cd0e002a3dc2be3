package palmtally.server.people;

import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import palmtally.formats.Sha256;

/** Passwords and addresses that are made, read out and typed: letters and digits that are not mistaken for each other. */
public final class Passwords {
    private static final String LETTERS = "abcdefghjkmnpqrstuvwxyz23456789";
    private static final SecureRandom CHANCE = new SecureRandom();

    private Passwords() {}

    /** Three groups of four, such as {@code kmrt-92xf-hpd7}: about 59 bits. */
    static String fresh() {
        var out = new StringBuilder();
        for (int i = 0; i < 3; i++) out.append(i == 0 ? "" : "-").append(word(4));
        return out.toString();
    }

    /** A word of {@code length} letters and digits, about five bits each. */
    public static String word(int length) {
        var out = new StringBuilder();
        for (int i = 0; i < length; i++) out.append(LETTERS.charAt(CHANCE.nextInt(LETTERS.length())));
        return out.toString();
    }

    /** What is kept of a long word that opens something: from it the word is not found again. */
    public static String hash(String word) {
        return Sha256.of(word.getBytes(StandardCharsets.UTF_8));
    }
}

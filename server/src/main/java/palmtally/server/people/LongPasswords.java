package palmtally.server.people;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Base64;
import java.util.Map;
import java.util.concurrent.Semaphore;
import org.jspecify.annotations.Nullable;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;

/**
 * Hashes of passwords of any length: bcrypt looks at 72 bytes and no more, so it is given the SHA-384 of the password, 64 characters in
 * Base64. Hashes of earlier versions, of the password itself, are still understood. One is reckoned after another: whoever guesses
 * takes one processor at most from those who grade.
 */
final class LongPasswords implements PasswordEncoder {
    private static final String ID = "sha384-bcrypt";
    private static final int EARLIER_MOST_BYTES = 72;
    private static final int AT_ONCE = 1;

    private final BCryptPasswordEncoder bcrypt;
    private final Semaphore turns = new Semaphore(AT_ONCE, true);

    private LongPasswords(int strength) {
        bcrypt = new BCryptPasswordEncoder(strength);
    }

    /**
     * Encodes by this, and matches what earlier versions encoded too.
     *
     * @param strength of bcrypt, 4 to 31: each more takes twice as long
     */
    static PasswordEncoder withEarlier(int strength) {
        var earlier = new BCryptPasswordEncoder();
        return new DelegatingPasswordEncoder(
                ID, Map.of(ID, new LongPasswords(strength), "bcrypt", new PasswordEncoder() {
                    @Override
                    public @Nullable String encode(@Nullable CharSequence raw) {
                        return earlier.encode(raw);
                    }

                    @Override
                    public boolean matches(@Nullable CharSequence raw, @Nullable String encoded) {
                        return raw != null
                                && raw.toString().getBytes(StandardCharsets.UTF_8).length <= EARLIER_MOST_BYTES
                                && earlier.matches(raw, encoded);
                    }
                }));
    }

    @Override
    public @Nullable String encode(@Nullable CharSequence raw) {
        return raw == null ? null : inTurn(() -> bcrypt.encode(shortened(raw)));
    }

    @Override
    public boolean matches(@Nullable CharSequence raw, @Nullable String encoded) {
        return raw != null && Boolean.TRUE.equals(inTurn(() -> bcrypt.matches(shortened(raw), encoded)));
    }

    private <T> @Nullable T inTurn(java.util.function.Supplier<@Nullable T> work) {
        turns.acquireUninterruptibly();
        try {
            return work.get();
        } finally {
            turns.release();
        }
    }

    private static String shortened(CharSequence raw) {
        try {
            return Base64.getEncoder()
                    .encodeToString(MessageDigest.getInstance("SHA-384")
                            .digest(raw.toString().getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}

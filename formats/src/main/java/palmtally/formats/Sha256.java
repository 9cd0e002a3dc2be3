package palmtally.formats;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** What bytes are known again by (FIPS 180-4). */
public final class Sha256 {
    private Sha256() {}

    /** One to feed, for what is too long to hold. */
    public static MessageDigest begun() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** In 64 hexadecimal digits, small. */
    public static String of(byte[] bytes) {
        return HexFormat.of().formatHex(begun().digest(bytes));
    }
}

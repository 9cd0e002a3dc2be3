package palmtally.server.people;

import java.text.Normalizer;
import java.util.Locale;

/** The one rule by which two spellings are the same sign-in: without space around, composed alike, in lower case. */
final class SignInName {
    private SignInName() {}

    static String key(String signIn) {
        return Normalizer.normalize(signIn.strip(), Normalizer.Form.NFKC).toLowerCase(Locale.ROOT);
    }
}

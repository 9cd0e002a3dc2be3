package palmtally.core;

import java.text.Normalizer;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;

/** Texts that files and a database can keep. */
public final class Texts {
    private Texts() {}

    /**
     * An id out of a name: small letters without their marks, digits, single hyphens.
     *
     * @param most letters of it
     * @param otherwise where nothing of the name is left
     */
    public static String idOf(String name, int most, String otherwise) {
        var plain = Normalizer.normalize(name, Normalizer.Form.NFD)
                .replaceAll("\\p{M}+", "")
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-+|-+$", "");
        if (plain.length() > most) plain = plain.substring(0, most).replaceAll("-+$", "");
        return plain.isEmpty() ? otherwise : plain;
    }

    /** A constant's own word in files and interfaces: small letters, with hyphens. */
    public static String word(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** A text with each match of a pattern replaced by what is made of it, as it stands. */
    public static String replaced(Pattern pattern, String text, Function<MatchResult, String> by) {
        var matcher = pattern.matcher(text);
        var all = new StringBuilder();
        int at = 0;
        while (matcher.find()) {
            all.append(text, at, matcher.start()).append(by.apply(matcher));
            at = matcher.end();
        }
        return all.append(text, at, text.length()).toString();
    }

    /** Why a text cannot be kept: it holds a null character or half of a character; nothing where it can. */
    public static Optional<String> unkept(String text) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == 0) return Optional.of("must not hold a null character");
            if (!Character.isSurrogate(c)) continue;
            if (Character.isHighSurrogate(c) && i + 1 < text.length() && Character.isLowSurrogate(text.charAt(i + 1))) {
                i++;
                continue;
            }
            return Optional.of("holds half of a character. Maybe it was cut in the middle of one");
        }
        return Optional.empty();
    }
}

package palmtally.core;

import java.util.Arrays;
import java.util.Collection;
import org.jspecify.annotations.Nullable;

/** How far one word is off another. */
public final class Spelling {
    private Spelling() {}

    public static @Nullable String nearest(String word, Collection<String> known) {
        @Nullable String best = null;
        int least = Math.max(1, word.length() / 3) + 1;
        for (var other : known) {
            int d = distance(word, other, least);
            if (d < least) {
                least = d;
                best = other;
            }
        }
        return best;
    }

    /** Edits from one word to another (Levenshtein 1966), two letters that changed places being one (Damerau 1964), given up at {@code enough}. */
    public static int distance(String a, String b, int enough) {
        if (Math.abs(a.length() - b.length()) >= enough) return enough;
        var older = new int[b.length() + 1];
        var row = new int[b.length() + 1];
        for (int j = 0; j < row.length; j++) row[j] = j;
        for (int i = 1; i <= a.length(); i++) {
            var next = new int[b.length() + 1];
            next[0] = i;
            for (int j = 1; j < next.length; j++) {
                int other = a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1;
                next[j] = Math.min(Math.min(next[j - 1], row[j]) + 1, row[j - 1] + other);
                if (i > 1 && j > 1 && a.charAt(i - 1) == b.charAt(j - 2) && a.charAt(i - 2) == b.charAt(j - 1))
                    next[j] = Math.min(next[j], older[j - 2] + 1);
            }
            older = row;
            row = next;
        }
        return row[b.length()];
    }

    /** Whether two words differ only by letters that changed places. */
    public static boolean swapped(String one, String other) {
        var a = one.toCharArray();
        var b = other.toCharArray();
        Arrays.sort(a);
        Arrays.sort(b);
        return Arrays.equals(a, b);
    }
}

package palmtally.core.earlier;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import palmtally.core.Spelling;

/** Whom a name in a list means, among the students of a school: as it is written, or nearly. */
public final class StudentNames {
    /** Letters that are not an accent on another. */
    private static final Map<Character, String> PLAIN = Map.ofEntries(
            Map.entry('ø', "o"),
            Map.entry('ł', "l"),
            Map.entry('đ', "d"),
            Map.entry('ð', "d"),
            Map.entry('þ', "th"),
            Map.entry('ß', "ss"),
            Map.entry('æ', "ae"),
            Map.entry('œ', "oe"),
            Map.entry('ı', "i"));

    /** @param signIn by which two of one name are told apart */
    public record Student(String id, String name, String signIn) {}

    /** How a name was found. */
    public enum Found {
        /** It is one student's, in whatever order and with whatever accents. */
        EXACT,
        /** It is nearly one student's and nobody else's. */
        NEAR,
        /** It may be several's: somebody has to say. */
        SEVERAL,
        /** Nobody's. */
        NOBODY
    }

    /** @param candidates who it may be, the likeliest first; one alone where it was found */
    public record Match(Found found, List<Student> candidates) {}

    private record Known(Student student, List<String> words) {}

    private final List<Known> known = new ArrayList<>();
    private final Map<List<String>, List<Student>> byWords = new HashMap<>();
    private final Map<String, Student> bySignIn = new HashMap<>();
    private final Map<String, Match> asked = new HashMap<>();

    public StudentNames(List<Student> students) {
        for (var s : students) {
            var words = words(s.name);
            known.add(new Known(s, words));
            byWords.computeIfAbsent(words, k -> new ArrayList<>()).add(s);
            bySignIn.put(s.signIn.toLowerCase(Locale.ROOT), s);
        }
    }

    public Match of(String name) {
        return asked.computeIfAbsent(name, this::find);
    }

    /** By the sign-in, as it is written. */
    public Match ofSignIn(String signIn) {
        var s = bySignIn.get(signIn.strip().toLowerCase(Locale.ROOT));
        return s == null ? new Match(Found.NOBODY, List.of()) : new Match(Found.EXACT, List.of(s));
    }

    private Match find(String name) {
        var words = words(name);
        if (words.isEmpty()) return new Match(Found.NOBODY, List.of());
        var same = byWords.get(words);
        if (same != null) return new Match(same.size() == 1 ? Found.EXACT : Found.SEVERAL, List.copyOf(same));
        record Off(Student student, int off) {}
        var near = new ArrayList<Off>();
        for (var k : known) {
            int off = off(words, k.words);
            if (off >= 0) near.add(new Off(k.student, off));
        }
        if (near.isEmpty()) return new Match(Found.NOBODY, List.of());
        near.sort(java.util.Comparator.comparingInt(Off::off));
        var all = near.stream().map(Off::student).limit(6).toList();
        boolean one = near.size() == 1 || near.get(0).off < near.get(1).off;
        return one && near.get(0).off < 10 ? new Match(Found.NEAR, List.of(all.get(0))) : new Match(Found.SEVERAL, all);
    }

    /**
     * How far a name is off another, -1 for another name altogether: each word of the shorter one is written nearly like one of the longer,
     * or is its first letter, and one at least is a whole word that is nearly the same. Words that are missing weigh as two letters; one
     * word alone says too little to be sure, and weighs 10.
     */
    private static int off(List<String> a, List<String> b) {
        var shorter = a.size() <= b.size() ? a : b;
        var left = new ArrayList<>(a.size() <= b.size() ? b : a);
        int off = 2 * (left.size() - shorter.size());
        if (shorter.size() == 1 && left.size() > 1) off += 10;
        boolean whole = false;
        for (var word : shorter) {
            int best = -1;
            int at = -1;
            for (int i = 0; i < left.size(); i++) {
                int d = apart(word, left.get(i));
                if (d >= 0 && (best < 0 || d < best)) {
                    best = d;
                    at = i;
                }
            }
            if (at < 0) return -1;
            whole |= word.length() > 1 && left.get(at).length() > 1;
            left.remove(at);
            off += best;
        }
        return whole ? off : -1;
    }

    private static int apart(String a, String b) {
        if (a.equals(b)) return 0;
        if (a.length() == 1 || b.length() == 1) return a.charAt(0) == b.charAt(0) ? 1 : -1;
        int enough = Math.min(a.length(), b.length()) <= 4 ? 2 : 3;
        int d = Spelling.distance(a, b, enough);
        return d < enough ? d : -1;
    }

    /** The words of a name in the order of letters, without marks, small. */
    static List<String> words(String name) {
        var plain = new StringBuilder();
        Normalizer.normalize(name.toLowerCase(Locale.ROOT), Normalizer.Form.NFKD)
                .codePoints()
                .forEach(c -> {
                    int type = Character.getType(c);
                    if (type == Character.NON_SPACING_MARK || c == '\'' || c == '’') return;
                    if (!Character.isLetterOrDigit(c)) plain.append(' ');
                    else if (c < 0x10000 && PLAIN.containsKey((char) c)) plain.append(PLAIN.get((char) c));
                    else plain.appendCodePoint(c);
                });
        return Arrays.stream(plain.toString().split(" +"))
                .filter(w -> !w.isEmpty())
                .sorted()
                .toList();
    }
}

package palmtally.browser.regex;

import org.jspecify.annotations.Nullable;

/** A pattern as Java writes it, written as JavaScript does with its flag {@code u}. */
final class Spelling {
    private static final String SPACES = " \\t\\n\\x0B\\f\\r";
    private static final String ENDS = "\\n\\r\\u0085\\u2028\\u2029";
    /** Signs that mean something in JavaScript and may be escaped there; others stand for themselves. */
    private static final String SIGNS = "^$\\.*+?()[]{}|/";
    /** Escapes that mean the same in both. */
    private static final String SAME = "dDwWbBtnrf0123456789";

    private final String java;
    private final StringBuilder out = new StringBuilder();
    private int at;
    private boolean small;
    private boolean dots;
    private boolean lines;

    private Spelling(String java, int flags) {
        this.java = java;
        small = (flags & Pattern.CASE_INSENSITIVE) != 0;
        dots = (flags & Pattern.DOTALL) != 0;
        lines = (flags & Pattern.MULTILINE) != 0;
    }

    /**
     * @param source the pattern
     * @param flags beside those of a search: i, m, s and always u
     */
    record Spelt(String source, String flags) {}

    static Spelt of(String java, int flags) {
        var s = new Spelling(java, flags);
        s.inline();
        while (s.at < java.length()) s.one();
        return new Spelt(s.out.toString(), "u" + (s.small ? "i" : "") + (s.lines ? "m" : ""));
    }

    private void inline() {
        if (!java.startsWith("(?")) return;
        int end = java.indexOf(')');
        var letters = end < 0 ? "" : java.substring(2, end);
        if (letters.isEmpty() || !letters.chars().allMatch(c -> "ismu".indexOf(c) >= 0)) return;
        small |= letters.indexOf('i') >= 0;
        dots |= letters.indexOf('s') >= 0;
        lines |= letters.indexOf('m') >= 0;
        at = end + 1;
    }

    private void one() {
        char c = java.charAt(at++);
        switch (c) {
            case '\\' -> escape(false);
            case '[' -> oneOf();
            case '.' -> out.append(dots ? "[^]" : "[^" + ENDS + "]");
            case '$' -> out.append(lines ? "$" : "(?=(?:\\r\\n|[" + ENDS + "])?(?![^]))");
            case ']' -> out.append("\\]");
            case '}' -> out.append(counted() ? "}" : "\\}");
            case '(' -> {
                if (java.startsWith("?", at) && !known(at + 1)) throw refused("a group that is not known here");
                out.append(c);
            }
            case '*', '+', '?' -> {
                out.append(c);
                if (java.startsWith("+", at)) throw refused("a possessive quantifier");
            }
            default -> out.append(c);
        }
    }

    /** Whether a closing brace ends a count, as of {2,3}, or a name, as of \p{L}. */
    private boolean counted() {
        int open = out.lastIndexOf("{");
        return open > 0 && out.indexOf("}", open) < 0;
    }

    private boolean known(int i) {
        for (var start : new String[] {":", "=", "!", "<=", "<!"}) if (java.startsWith(start, i)) return true;
        return java.startsWith("<", i) && Character.isLetter(java.charAt(i + 1));
    }

    private void escape(boolean within) {
        char c = java.charAt(at++);
        if (c == 's') out.append(within ? SPACES : "[" + SPACES + "]");
        else if (c == 'S' && !within) out.append("[^" + SPACES + "]");
        else if (c == 'R' && !within) out.append("(?:\\r\\n|[\\n\\x0B\\f\\r\\u0085\\u2028\\u2029])");
        else if (c == 'h') out.append(within ? " \\t\\xA0" : "[ \\t\\xA0]");
        else if (c == 'A' && !within) out.append("(?<![^])");
        else if (c == 'z' && !within) out.append("(?![^])");
        else if (c == 'Q') quoted(within);
        else if (c == 'x' || c == 'u' || c == 'k' || c == 'p' || c == 'P' || SAME.indexOf(c) >= 0)
            out.append('\\').append(c);
        else if (Character.isLetter(c)) throw refused("\\" + c);
        else literal(c, within);
    }

    private void quoted(boolean within) {
        int end = java.indexOf("\\E", at);
        var text = java.substring(at, end < 0 ? java.length() : end);
        for (char c : text.toCharArray()) literal(c, within);
        at = end < 0 ? java.length() : end + 2;
    }

    private void literal(char c, boolean within) {
        if (SIGNS.indexOf(c) >= 0 || within && c == '-') out.append('\\');
        out.append(c);
    }

    private void oneOf() {
        out.append('[');
        if (java.startsWith("^", at)) {
            out.append('^');
            at++;
        }
        boolean first = true;
        while (java.charAt(at) != ']' || first) {
            char c = java.charAt(at++);
            if (c == '[' || c == '&' && java.startsWith("&", at)) throw refused("a class within a class");
            if (c == '\\') escape(true);
            else if (c == ']' || c != '-' && SIGNS.indexOf(c) >= 0 && c != '^') literal(c, true);
            else if (c == '-' && (first || java.charAt(at) == ']')) literal(c, true);
            else out.append(c);
            first = false;
        }
        at++;
        out.append(']');
    }

    private IllegalArgumentException refused(@Nullable String what) {
        return new IllegalArgumentException(what + " in the pattern " + java);
    }
}

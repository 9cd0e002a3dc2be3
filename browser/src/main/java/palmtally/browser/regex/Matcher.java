package palmtally.browser.regex;

import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.teavm.jso.JSBody;
import org.teavm.jso.JSObject;
import org.teavm.jso.core.JSString;

/** A pattern at work on a text. */
public final class Matcher implements MatchResult {
    private final Pattern pattern;
    private final String text;
    private final JSString letters;
    private @Nullable JSObject found;
    private int next;

    Matcher(Pattern pattern, String text) {
        this.pattern = pattern;
        this.text = text;
        letters = JSString.valueOf(text);
    }

    public Pattern pattern() {
        return pattern;
    }

    public Matcher reset() {
        found = null;
        next = 0;
        return this;
    }

    public boolean matches() {
        return take(pattern.atStart(letters, true));
    }

    public boolean lookingAt() {
        return take(pattern.atStart(letters, false));
    }

    /** After a match of nothing the search goes on one letter further. */
    public boolean find() {
        if (next > text.length()) return take(null);
        return take(pattern.find(letters, next));
    }

    public boolean find(int from) {
        if (from < 0 || from > text.length()) throw new IndexOutOfBoundsException("no place " + from);
        next = from;
        return find();
    }

    private boolean take(@Nullable JSObject match) {
        found = match;
        if (match == null) return false;
        next = end() == start() ? end() + 1 : end();
        return true;
    }

    private JSObject match() {
        if (found == null) throw new IllegalStateException("nothing was found");
        return found;
    }

    public MatchResult toMatchResult() {
        var same = new Matcher(pattern, text);
        same.found = found;
        same.next = next;
        return same;
    }

    @Override
    public int start() {
        return index(match());
    }

    @Override
    public int end() {
        return index(match()) + length(match());
    }

    @Override
    public int start(int group) {
        return group == 0 ? start() : edge(placed(), group, 0);
    }

    @Override
    public int end(int group) {
        return group == 0 ? end() : edge(placed(), group, 1);
    }

    public int start(String group) {
        return edge(placed(), group, 0);
    }

    public int end(String group) {
        return edge(placed(), group, 1);
    }

    private JSObject placed() {
        if (!hasPlaces(match())) {
            var again = pattern.placed(letters, start());
            if (again == null) throw new IllegalStateException("what was found is not found again");
            found = again;
        }
        return match();
    }

    @Override
    public String group() {
        return text.substring(start(), end());
    }

    @Override
    public @Nullable String group(int group) {
        if (group < 0 || group > groupCount()) throw new IndexOutOfBoundsException("no group " + group);
        return of(match(), group);
    }

    public @Nullable String group(String name) {
        if (!has(match(), name)) throw new IllegalArgumentException("no group " + name);
        return named(match(), name);
    }

    @Override
    public int groupCount() {
        return groups(match());
    }

    public String replaceAll(String by) {
        return replaced(true, m -> filled(by));
    }

    public String replaceAll(Function<MatchResult, String> by) {
        return replaced(true, m -> filled(by.apply(m)));
    }

    public String replaceFirst(String by) {
        return replaced(false, m -> filled(by));
    }

    private String replaced(boolean all, Function<MatchResult, String> by) {
        reset();
        var out = new StringBuilder();
        int from = 0;
        while (find()) {
            out.append(text, from, start()).append(by.apply(this));
            from = end();
            if (!all) break;
        }
        return out.append(text, from, text.length()).toString();
    }

    /** $1 and ${name} stand for groups; what follows a backslash for itself. */
    private String filled(String by) {
        if (by.indexOf('$') < 0 && by.indexOf('\\') < 0) return by;
        var out = new StringBuilder();
        for (int i = 0; i < by.length(); i++) {
            char c = by.charAt(i);
            if (c == '\\') out.append(by.charAt(++i));
            else if (c != '$') out.append(c);
            else if (by.charAt(i + 1) == '{') {
                int end = by.indexOf('}', i);
                append(out, group(by.substring(i + 2, end)));
                i = end;
            } else append(out, group(by.charAt(++i) - '0'));
        }
        return out.toString();
    }

    private static void append(StringBuilder out, @Nullable String group) {
        if (group != null) out.append(group);
    }

    @JSBody(params = "m", script = "return m.index;")
    private static native int index(JSObject m);

    @JSBody(params = "m", script = "return m[0].length;")
    private static native int length(JSObject m);

    @JSBody(params = "m", script = "return m.length - 1;")
    private static native int groups(JSObject m);

    @JSBody(params = "m", script = "return m.indices !== undefined;")
    private static native boolean hasPlaces(JSObject m);

    @JSBody(
            params = {"m", "i", "e"},
            script = "var at = m.indices[i]; return at === undefined ? -1 : at[e];")
    private static native int edge(JSObject m, int i, int e);

    @JSBody(
            params = {"m", "n", "e"},
            script = "var at = m.indices.groups[n]; return at === undefined ? -1 : at[e];")
    private static native int edge(JSObject m, String n, int e);

    @JSBody(
            params = {"m", "i"},
            script = "var g = m[i]; return g === undefined ? null : g;")
    private static native @Nullable String of(JSObject m, int i);

    @JSBody(
            params = {"m", "n"},
            script = "return m.groups !== undefined && n in m.groups;")
    private static native boolean has(JSObject m, String n);

    @JSBody(
            params = {"m", "n"},
            script = "var g = m.groups[n]; return g === undefined ? null : g;")
    private static native @Nullable String named(JSObject m, String n);
}

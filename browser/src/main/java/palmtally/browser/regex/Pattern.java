package palmtally.browser.regex;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.teavm.jso.JSBody;
import org.teavm.jso.JSObject;
import org.teavm.jso.core.JSString;

/** A compiled pattern; its expressions are made as they are wanted. */
public final class Pattern {
    public static final int CASE_INSENSITIVE = 2;
    public static final int MULTILINE = 8;
    public static final int DOTALL = 32;

    private final String java;
    private final int flags;
    private final Spelling.Spelt spelt;
    private @Nullable JSObject anywhere;
    private @Nullable JSObject whole;
    private @Nullable JSObject here;

    private Pattern(String java, int flags) {
        this.java = java;
        this.flags = flags;
        spelt = Spelling.of(java, flags);
    }

    public static Pattern compile(String regex) {
        return new Pattern(regex, 0);
    }

    public static Pattern compile(String regex, int flags) {
        return new Pattern(regex, flags);
    }

    public static boolean matches(String regex, CharSequence text) {
        return compile(regex).matcher(text).matches();
    }

    /** A pattern that is these letters. */
    public static String quote(String text) {
        var out = new StringBuilder();
        for (char c : text.toCharArray()) {
            if ("^$\\.*+?()[]{}|/".indexOf(c) >= 0) out.append('\\');
            out.append(c);
        }
        return out.toString();
    }

    public Matcher matcher(CharSequence text) {
        return new Matcher(this, text.toString());
    }

    public String pattern() {
        return java;
    }

    public int flags() {
        return flags;
    }

    @Override
    public String toString() {
        return java;
    }

    public Predicate<String> asPredicate() {
        return s -> matcher(s).find();
    }

    public Predicate<String> asMatchPredicate() {
        return s -> matcher(s).matches();
    }

    public Stream<String> splitAsStream(CharSequence text) {
        return Arrays.stream(split(text));
    }

    public String[] split(CharSequence text) {
        return split(text, 0);
    }

    /** As of {@code java.util.regex}: without an empty part at the start that comes of an empty match, nor empty parts at the end. */
    public String[] split(CharSequence text, int limit) {
        var all = text.toString();
        var parts = new ArrayList<String>();
        var found = matcher(all);
        int from = 0;
        while ((limit <= 0 || parts.size() < limit - 1) && found.find()) {
            if (found.end() == 0) continue;
            parts.add(all.substring(from, found.start()));
            from = found.end();
        }
        if (from == 0 && parts.isEmpty()) return new String[] {all};
        parts.add(all.substring(from));
        int size = parts.size();
        if (limit == 0) while (size > 0 && parts.get(size - 1).isEmpty()) size--;
        return parts.subList(0, size).toArray(new String[0]);
    }

    /** Searches on from a place. */
    @Nullable
    JSObject find(JSString text, int from) {
        if (anywhere == null) anywhere = make(spelt.source(), spelt.flags() + "g");
        return exec(anywhere, text, from);
    }

    /** From the first letter to the last, or only from the first. */
    @Nullable
    JSObject atStart(JSString text, boolean toEnd) {
        if (!toEnd) return placed(text, 0);
        if (whole == null) whole = make("(?<![^])(?:" + spelt.source() + ")(?![^])", spelt.flags() + "dg");
        return exec(whole, text, 0);
    }

    /** The same match again, with where its groups are. */
    @Nullable
    JSObject placed(JSString text, int at) {
        if (here == null) here = make(spelt.source(), spelt.flags() + "dy");
        return exec(here, text, at);
    }

    @JSBody(
            params = {"source", "flags"},
            script = "return new RegExp(source, flags);")
    private static native JSObject make(String source, String flags);

    @JSBody(
            params = {"re", "text", "at"},
            script = "re.lastIndex = at; return re.exec(text);")
    private static native @Nullable JSObject exec(JSObject re, JSString text, int at);
}

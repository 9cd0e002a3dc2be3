package palmtally.browser;

import java.util.List;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.teavm.jso.JSExport;
import org.teavm.jso.JSObject;
import palmtally.core.InvalidValue;
import palmtally.core.technique.Techniques;
import palmtally.formats.RulesHash;
import palmtally.formats.draft.Drafts;
import palmtally.formats.draft.Known;
import palmtally.formats.draft.OfSchool;
import palmtally.formats.live.Tables;

/**
 * The core as a page calls it: what is asked of a draft and of the tables, as it is asked of the server, in plain objects. Answers are those of the server
 * to the last bit; what is not known here is not answered here.
 */
public final class PalmCore {
    private PalmCore() {}

    /** What is wrong with what was asked. */
    record Refused(List<InvalidValue.Fault> faults) {}

    private static @Nullable OfSchool known;

    private static final Tables TABLES = new Tables();

    /** By which rules it answers: the same stands in every answer of a server that has the same. */
    @JSExport
    public static String version() {
        return RulesHash.HASH;
    }

    /** Takes what the page knows; what is asked before is not answered. */
    @JSExport
    public static void know(JSObject ofSchool) {
        known = make(ofSchool, OfSchool.class);
    }

    @JSExport
    public static JSObject check(JSObject draft) {
        return told(() -> Drafts.check(make(draft, Drafts.Draft.class), school()));
    }

    @JSExport
    public static JSObject mend(JSObject draft) {
        return told(() -> Drafts.mend(make(draft, Drafts.DraftMend.class), school()));
    }

    @JSExport
    public static JSObject mendAll(JSObject draft) {
        return told(() -> Drafts.mendAll(make(draft, Drafts.DraftMendAll.class), school()));
    }

    @JSExport
    public static JSObject fit(JSObject draft) {
        return told(() -> Drafts.fit(make(draft, Drafts.DraftFit.class), school()));
    }

    @JSExport
    public static JSObject lines(JSObject jotted) {
        return told(() -> Drafts.lines(make(jotted, Drafts.Lines.class), school()));
    }

    @JSExport
    public static JSObject template(JSObject laid) {
        return told(() -> Drafts.template(make(laid, Drafts.Laid.class), school()));
    }

    @JSExport
    public static JSObject picture(JSObject draft) {
        return told(() -> Drafts.picture(make(draft, Drafts.DraftPicture.class), school()));
    }

    @JSExport
    public static JSObject difference(JSObject two) {
        return told(() -> Drafts.difference(make(two, Drafts.Two.class)));
    }

    @JSExport
    public static JSObject open(JSObject table) {
        return told(() -> TABLES.open(make(table, Tables.Opened.class)));
    }

    @JSExport
    public static JSObject see(JSObject seen) {
        return told(() -> TABLES.see(make(seen, Tables.Seen.class)));
    }

    @JSExport
    public static JSObject watch(JSObject watched) {
        return told(() -> Tables.watch(make(watched, Tables.Watched.class)));
    }

    private static Known school() {
        if (known == null) throw new IllegalStateException("nothing is known of the school yet");
        return known;
    }

    private static <T> T make(@Nullable JSObject from, Class<T> type) {
        var made = new Codec(known == null ? Techniques.SHIPPED : known.techniques()).read(from, type);
        if (made == null) throw new IllegalArgumentException(type.getSimpleName() + " is missing");
        return type.cast(made);
    }

    private static JSObject told(Supplier<Object> work) {
        try {
            return Codec.write(work.get());
        } catch (InvalidValue e) {
            return Codec.write(new Refused(e.faults()));
        }
    }

    public static void main(String[] args) {}
}

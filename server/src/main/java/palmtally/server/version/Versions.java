package palmtally.server.version;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import palmtally.formats.Json;
import palmtally.formats.UnreadableDocument;
import palmtally.server.answer.Page;
import palmtally.server.people.Caller;
import palmtally.server.problem.Refusal;
import palmtally.server.version.VersionRows.Row;

/**
 * Documents of one kind as immutable versions. One that is damaged gives way to the newest before it that can be read, and never takes
 * down a list of others.
 */
public final class Versions<T> {
    private static final int A_PAGE = 50;

    private final Kind<T> kind;
    private final VersionStore store;

    Versions(Kind<T> kind, VersionStore store) {
        this.kind = kind;
        this.store = store;
    }

    /** The newest of each that can be read; one of which none can be read is not among them. */
    public List<Version<T>> newest() {
        return store.rows.newestOfEach(kind.name()).stream()
                .flatMap(r -> readable(r).stream())
                .toList();
    }

    /** Those of which no version can be read. */
    public List<Unreadable> unreadable() {
        var found = new ArrayList<Unreadable>();
        for (var row : store.rows.newestOfEach(kind.name())) {
            if (readable(row).isPresent()) continue;
            var named = store.rows.called(kind.name(), row.document());
            found.add(new Unreadable(row.document(), named.name(), named.region(), row.number(), why(row)));
        }
        return found;
    }

    /** The newest of one that can be read; nothing where there is none. */
    public Optional<Version<T>> find(String document) {
        return store.rows.newest(kind.name(), document).flatMap(this::readable);
    }

    /** @throws Refusal 404 where there is none, 409 where no version of it can be read */
    public Version<T> newest(String document) {
        var row = store.rows.newest(kind.name(), document).orElseThrow(() -> Refusal.notFound(kind.words()));
        return readable(row).orElseThrow(() -> Refusal.unreadable(kind.words(), unreadable(row)));
    }

    /** @throws Refusal 404 where there is none, 409 where it cannot be read */
    public Version<T> byId(UUID id) {
        return one(store.rows.byId(kind.name(), id));
    }

    /** @throws Refusal 404 where there is none, 409 where it cannot be read */
    public Version<T> numbered(String document, int number) {
        return one(store.rows.numbered(kind.name(), document, number));
    }

    /** Every version of one that can be read, the newest first. */
    public List<Version<T>> all(String document) {
        return store.rows.all(kind.name(), document).stream()
                .flatMap(r -> read(r, null).stream())
                .toList();
    }

    /** Whether there is any version of it, readable or not. */
    public boolean has(String document) {
        return store.rows.newest(kind.name(), document).isPresent();
    }

    /**
     * Lines of its versions, the newest first.
     *
     * @param before the version the page ends before, or null for the newest
     */
    public Page<VersionLine> lines(String document, @Nullable Integer before) {
        return Page.of(store.rows.lines(kind.name(), document, before, A_PAGE + 1), A_PAGE, VersionLine::version);
    }

    /** Why the newest version of one cannot be read; nothing where it can, or there is none. */
    public Optional<String> damage(String document) {
        return store.rows
                .newest(kind.name(), document)
                .filter(r -> read(r, null).isEmpty())
                .map(this::why);
    }

    /**
     * Saves what was made of a version. It is stored, read back, judged and viewed before any of it counts: where one of these fails,
     * nothing was stored.
     *
     * @param from number of the version it was made from; 0 for a new document
     * @param what the act, in the words of the history
     * @param view what the caller shows of it
     * @throws Refusal 409 when somebody saved another meanwhile
     */
    public <V> V save(
            String document, int from, String what, T body, @Nullable Caller by, Function<Version<T>, V> view) {
        return offer(document, from, what, body, by, view)
                .orElseThrow(() -> Refusal.conflict(
                        "changed-meanwhile",
                        "Somebody changed this " + kind.words()
                                + " meanwhile. Read it again; nothing of yours was stored."));
    }

    /** The same for whoever tries again: nothing where somebody saved another meanwhile. */
    public <V> Optional<V> offer(
            String document, int from, String what, T body, @Nullable Caller by, Function<Version<T>, V> view) {
        return store.transaction.execute(t -> {
            var newest = store.rows.newest(kind.name(), document);
            int now = newest.flatMap(this::readable).map(Version::number).orElse(0);
            if (now != from) return Optional.empty();
            var text = Json.MAPPER.writeValueAsString(body);
            kind.judging().accept(kind.reading().apply(text));
            int number = newest.map(Row::number).orElse(0) + 1;
            var id = UUID.randomUUID();
            int added = store.rows.add(
                    id,
                    kind.name(),
                    document,
                    number,
                    kind.called().apply(body),
                    what,
                    text,
                    by == null ? null : by.id(),
                    store.clock.instant());
            if (added == 0) return Optional.empty();
            return Optional.of(view.apply(byId(id)));
        });
    }

    /** The same where nothing is shown of it. */
    public Version<T> save(String document, int from, String what, T body, @Nullable Caller by) {
        return save(document, from, what, body, by, v -> v);
    }

    private Version<T> one(Optional<Row> found) {
        var row = found.orElseThrow(() -> Refusal.notFound("version of the " + kind.words()));
        return read(row, null).orElseThrow(() -> Refusal.unreadable("version of the " + kind.words(), unreadable(row)));
    }

    /** The version of a row, where that is damaged the newest before it that can be read. */
    private Optional<Version<T>> readable(Row newest) {
        var read = read(newest, null);
        if (read.isPresent()) return read;
        return store.rows.all(kind.name(), newest.document()).stream()
                .flatMap(r -> read(
                        r,
                        "Version " + newest.number() + " cannot be read (" + why(newest) + "). This is version "
                                + r.number() + "; what is saved from it becomes the newest.")
                        .stream())
                .findFirst();
    }

    @SuppressWarnings("unchecked")
    private Optional<Version<T>> read(Row row, @Nullable String damaged) {
        var there = store.read(row, kind.reading());
        if (there instanceof UnreadableDocument) return Optional.empty();
        return Optional.of(new Version<>(row.id(), row.number(), (T) there, damaged));
    }

    private UnreadableDocument unreadable(Row row) {
        return (UnreadableDocument) store.read(row, kind.reading());
    }

    private String why(Row row) {
        return String.valueOf(unreadable(row).getMessage());
    }
}

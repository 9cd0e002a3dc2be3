package palmtally.server.problem;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import palmtally.formats.UnreadableDocument;

/**
 * The newest version of a document that can be read: one that is damaged never takes down those before it, nor a list of others.
 *
 * @param row the version, or null where none can be read
 * @param document what it holds, or null where none can be read
 * @param damaged what is wrong with the newest, where it is not the one that was read
 */
public record Readable<R, T>(
        @Nullable R row, @Nullable T document, @Nullable UnreadableDocument damaged) {
    private static final Logger log = LoggerFactory.getLogger(Readable.class);

    /**
     * @param newest the newest version
     * @param all every version, newest first; asked for only where the newest is damaged
     * @param reading makes the document of a version
     */
    public static <R, T> Readable<R, T> of(R newest, Supplier<List<R>> all, Function<R, T> reading) {
        UnreadableDocument damaged;
        try {
            return new Readable<>(newest, reading.apply(newest), null);
        } catch (UnreadableDocument e) {
            damaged = e;
            log.warn("a stored document cannot be read: {}", e.getMessage());
        }
        for (var row : all.get())
            try {
                return new Readable<>(row, reading.apply(row), damaged);
            } catch (UnreadableDocument e) {
                // The one before it, then.
            }
        return new Readable<>(null, null, damaged);
    }

    /** What the newest one says, or the newest before it that can be read; nothing where none can. */
    public Optional<T> found() {
        return Optional.ofNullable(document);
    }

    /** @throws Refusal 409 where no version can be read */
    public T orRefuse(String what) {
        if (document != null) return document;
        throw Refusal.unreadable(what, damaged == null ? new UnreadableDocument(List.of()) : damaged);
    }
}

package palmtally.server.version;

import java.util.function.Consumer;
import java.util.function.Function;

/**
 * A kind of document.
 *
 * @param name of the kind, in the table
 * @param words what one is called to whoever asks for it
 * @param reading makes it of what is stored; throws {@link palmtally.formats.UnreadableDocument} where that is damaged
 * @param judging what every page does with it: what cannot be judged is not stored
 * @param called the name of one, and its region where it has one: told of it even where it cannot be read any more
 */
public record Kind<T>(
        String name, String words, Function<String, T> reading, Consumer<T> judging, Function<T, Called> called) {
    /** @param region empty where it has none */
    public record Called(String name, String region) {}
}

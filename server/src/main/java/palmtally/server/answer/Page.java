package palmtally.server.answer;

import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * A part of a list.
 *
 * @param next what to ask for as {@code before} to get the part after it; null at the end
 */
public record Page<T>(List<T> lines, @Nullable String next) {
    /** @param found the lines, with one more than a page has where the list goes on */
    public static <T> Page<T> of(List<T> found, int most, Function<T, Object> place) {
        if (found.size() <= most) return new Page<>(found, null);
        var lines = found.subList(0, most);
        return new Page<>(List.copyOf(lines), String.valueOf(place.apply(lines.get(most - 1))));
    }

    /** The same with a line put before it. */
    public Page<T> after(List<T> first) {
        return new Page<>(
                java.util.stream.Stream.concat(first.stream(), lines.stream()).toList(), next);
    }

    public <R> Page<R> map(Function<T, R> of) {
        return new Page<>(lines.stream().map(of).toList(), next);
    }
}

package palmtally.core.sequence.detail;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.TreeSet;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.Texts;
import palmtally.core.body.Landmark;
import palmtally.core.body.Structure;

/**
 * The things that can be said of a step beside what stands on its line: the name of each, how people read it, and how it stands in a cell
 * of a table. Whoever shows, prints, compares or tabulates a step goes through these, so that none is forgotten.
 */
public enum DetailField {
    STRUCTURES(
            "Muscles and bands",
            (d, name) -> listed(d.structures(), Structure::label),
            d -> written(d.structures()),
            (e, cell) -> e.structures = structures(cell)),
    FROM(
            "From",
            (d, name) -> d.from() == null ? null : d.from().label(),
            d -> written(d.from()),
            (e, cell) -> place(cell, DetailField.of("from"), l -> e.from = l, e)),
    TO(
            "To",
            (d, name) -> d.to() == null ? null : d.to().label(),
            d -> written(d.to()),
            (e, cell) -> place(cell, DetailField.of("to"), l -> e.to = l, e)),
    FIBRE(
            "To the fibre",
            (d, name) -> d.fibre() == null ? null : Written.plain(d.fibre()),
            d -> written(d.fibre()),
            (e, cell) -> e.fibre = Written.one(cell, FibreAngle.values())),
    PACE(
            "Pace",
            (d, name) -> d.pace() == null ? null : Written.plain(d.pace()),
            d -> written(d.pace()),
            (e, cell) -> e.pace = Written.one(cell, Pace.values())),
    OTHER_HAND(
            "Other hand",
            (d, name) -> d.otherHand() == null ? null : Written.plain(d.otherHand()),
            d -> written(d.otherHand()),
            (e, cell) -> e.otherHand = Written.one(cell, OtherHand.values())),
    MANNER(
            "Therapist",
            (d, name) -> listed(d.manner(), Written::plain),
            d -> written(d.manner()),
            (e, cell) -> e.manner = new TreeSet<>(all(cell, Manner.values()))),
    LIMB(
            "Limb",
            (d, name) -> listed(d.limb(), Written::plain),
            d -> written(d.limb()),
            (e, cell) -> e.limb = new TreeSet<>(all(cell, Limb.values()))),
    PROPS(
            "Props",
            (d, name) -> listed(d.props(), Written::plain),
            d -> written(d.props()),
            (e, cell) -> e.props = new TreeSet<>(all(cell, Prop.values()))),
    PART(
            "Client",
            (d, name) -> d.part().isEmpty()
                    ? null
                    : d.part().stream().map(ClientPart::words).collect(Collectors.joining(" → ")),
            d -> d.part().stream().map(ClientPart::written).collect(Collectors.joining("; ")),
            (e, cell) -> e.part = parts(cell).stream().map(ClientPart::read).toList()),
    END(
            "Ends",
            (d, name) -> d.end() == null ? null : d.end().words(),
            d -> d.end() == null ? "" : d.end().written(),
            (e, cell) -> e.end = End.read(cell)),
    COMPARES(
            "Compare",
            (d, name) -> d.compares() == null ? null : d.compares().words(),
            d -> d.compares() == null ? "" : d.compares().written(),
            (e, cell) -> e.compares = Comparison.read(cell)),
    INSTEAD(
            "Instead",
            (d, name) -> d.instead().isEmpty()
                    ? null
                    : d.instead().stream().map(b -> b.words(name)).collect(Collectors.joining("; ")),
            d -> d.instead().stream().map(Branch::written).collect(Collectors.joining("\n")),
            (e, cell) -> e.instead =
                    cell.lines().filter(l -> !l.isBlank()).map(Branch::read).toList()),
    WHY("Why", (d, name) -> d.why(), d -> d.why() == null ? "" : d.why(), (e, cell) -> e.why = cell),
    NOTE("Note", (d, name) -> d.note(), d -> d.note() == null ? "" : d.note(), (e, cell) -> e.note = cell),
    PICTURE(
            "Picture",
            (d, name) -> d.picture() == null ? null : "of the school's own",
            d -> d.picture() == null ? "" : d.picture(),
            (e, cell) -> e.picture = cell);

    /** What is said, in the words of people; null where nothing is. */
    private interface Words {
        @Nullable
        String of(Detail detail, Function<String, String> techniqueName);
    }

    private final String label;

    private final String word = Texts.word(this);
    private final Words words;
    private final Function<Detail, String> written;
    private final BiConsumer<DetailEdit, String> read;

    DetailField(String label, Words words, Function<Detail, String> written, BiConsumer<DetailEdit, String> read) {
        this.label = label;
        this.words = words;
        this.written = written;
        this.read = read;
    }

    /** Its name beside what is said, as people read it. */
    public String label() {
        return label;
    }

    /** Its name at the head of a column; a sequence has a note of its own. */
    public String column() {
        return this == NOTE ? "step note" : toString().replace('-', ' ');
    }

    /** What is said, in the words of people; null where nothing is. */
    @Nullable
    String words(Detail detail, Function<String, String> techniqueName) {
        return words.of(detail, techniqueName);
    }

    /** What stands in the cell of a table; empty where nothing is said. */
    public String write(Detail detail) {
        return written.apply(detail);
    }

    /**
     * Takes a cell of a table that is not empty.
     *
     * @throws InvalidValue where it says nothing that is known
     */
    public void read(String cell, DetailEdit edit) {
        read.accept(edit, cell);
    }

    private static <T> @Nullable String listed(Collection<T> all, Function<T, String> word) {
        return all.isEmpty() ? null : all.stream().map(word).collect(Collectors.joining(", "));
    }

    private static String written(Collection<? extends Enum<?>> all) {
        return all.stream().map(Enum::toString).collect(Collectors.joining("; "));
    }

    private static String written(@Nullable Enum<?> one) {
        return one == null ? "" : one.toString();
    }

    private static <E extends Enum<E>> List<E> all(String cell, E[] values) {
        return parts(cell).stream().map(p -> Written.one(p, values)).toList();
    }

    /** By id or by any name; a name that several have, such as of a group, means all of them. */
    private static List<Structure> structures(String cell) {
        var all = new ArrayList<Structure>();
        for (var part : parts(cell)) {
            var named = Arrays.stream(Structure.values())
                    .filter(s -> Stream.concat(Stream.of(s.toString(), s.label(), s.latin()), s.also().stream())
                            .anyMatch(part::equalsIgnoreCase))
                    .toList();
            for (var s : named.isEmpty() ? List.of(Written.one(part, Structure.values())) : named)
                if (!all.contains(s)) all.add(s);
        }
        return all;
    }

    /** A place that is no landmark stays in the teacher's words. */
    private static void place(String cell, DetailField field, Consumer<Landmark> take, DetailEdit edit) {
        Landmark.named(cell).ifPresentOrElse(take, () -> edit.words.put(field, cell));
    }

    private static DetailField of(String id) {
        return Written.one(id, values());
    }

    private static List<String> parts(String cell) {
        return Arrays.stream(cell.split(";"))
                .map(String::trim)
                .filter(p -> !p.isEmpty())
                .toList();
    }

    @Override
    public String toString() {
        return word;
    }
}

package palmtally.core.sequence.detail;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Landmark;
import palmtally.core.body.Structure;

/**
 * All that can be said of a step beside what is done where, with what hand, how deep and how long. All of it is optional: a step of one
 * line has none of it.
 *
 * @param structures what is worked inside the zones, at most 20
 * @param from where a stroke starts, or null
 * @param to where it ends, or null
 * @param fibre how it lies to the fibre, or null
 * @param pace how quickly it is given, or null
 * @param otherHand what the other hand does, or null
 * @param manner how the therapist is at the table
 * @param limb where the client's limb lies
 * @param props what is laid under, over or beside the client
 * @param part the pattern in which the client takes part, at most 12 in order
 * @param end what ends it before its dose does, or null
 * @param compares what is compared, or null
 * @param instead what is done when something comes up, at most 20
 * @param why why it is done, or null; at most 400 letters
 * @param note what else the teacher says of it, or null; at most 2000 letters
 * @param words the school's own words beside each of these, at most 200 letters each
 * @param picture id of a picture of the school's own, or null
 */
public record Detail(
        List<Structure> structures,
        @Nullable Landmark from,
        @Nullable Landmark to,
        @Nullable FibreAngle fibre,
        @Nullable Pace pace,
        @Nullable OtherHand otherHand,
        Set<Manner> manner,
        Set<Limb> limb,
        Set<Prop> props,
        List<ClientPart> part,
        @Nullable End end,
        @Nullable Comparison compares,
        List<Branch> instead,
        @Nullable String why,
        @Nullable String note,
        Map<DetailField, String> words,
        @Nullable String picture) {
    public static final int MOST_STRUCTURES = 20;
    public static final int MOST_PARTS = 12;
    public static final int MOST_BRANCHES = 20;
    public static final int MOST_WHY = 400;
    public static final int MOST_NOTE = 2000;
    public static final int MOST_WORDS = 200;
    private static final Pattern PICTURE = Pattern.compile("[0-9a-f]{32}");

    /** Nothing more is said. */
    public static final Detail NONE = new Detail(
            List.of(), null, null, null, null, null, Set.of(), Set.of(), Set.of(), List.of(), null, null, List.of(),
            null, null, Map.of(), null);

    public Detail {
        structures = List.copyOf(structures);
        manner = sorted(manner, Manner.class);
        limb = sorted(limb, Limb.class);
        props = sorted(props, Prop.class);
        part = List.copyOf(part);
        instead = List.copyOf(instead);
        why = blankToNull(why);
        note = blankToNull(note);
        var kept = new LinkedHashMap<DetailField, String>();
        for (var field : DetailField.values())
            if (words.get(field) != null && !words.get(field).isBlank()) kept.put(field, words.get(field));
        words = Collections.unmodifiableMap(kept);
        var faults = new ArrayList<Fault>();
        atMost(faults, "structures", structures, MOST_STRUCTURES);
        atMost(faults, "part", part, MOST_PARTS);
        atMost(faults, "instead", instead, MOST_BRANCHES);
        atMost(faults, "why", why, MOST_WHY);
        atMost(faults, "note", note, MOST_NOTE);
        words.forEach((field, said) -> atMost(faults, "words/" + field, said, MOST_WORDS));
        if (picture != null && !PICTURE.matcher(picture).matches())
            faults.add(new Fault("picture", picture, "is no id of a picture"));
        if (!faults.isEmpty()) throw new InvalidValue("detail", faults);
    }

    private static <E extends Enum<E>> Set<E> sorted(Set<E> set, Class<E> of) {
        var all = EnumSet.noneOf(of);
        all.addAll(set);
        return Collections.unmodifiableSet(all);
    }

    private static @Nullable String blankToNull(@Nullable String text) {
        return text == null || text.isBlank() ? null : text;
    }

    private static void atMost(List<Fault> faults, String field, List<?> list, int most) {
        if (list.size() > most) faults.add(new Fault(field, list.size() + " of them", "must be at most " + most));
    }

    private static void atMost(List<Fault> faults, String field, @Nullable String text, int most) {
        if (text != null && text.length() > most)
            faults.add(new Fault(field, text.length() + " characters", "must be at most " + most));
    }

    /** This with one thing or several changed. */
    public Detail with(Consumer<DetailEdit> change) {
        var edit = new DetailEdit(this);
        change.accept(edit);
        return edit.detail();
    }

    public DetailEdit edit() {
        return new DetailEdit(this);
    }

    /** What is said of one thing, in the words of people. */
    public record InWords(DetailField field, String label, String words) {}

    /**
     * All that is said, a line a thing, in the order of the fields.
     *
     * @param techniqueName names a technique by its id
     */
    public List<InWords> lines(Function<String, String> techniqueName) {
        var lines = new ArrayList<InWords>();
        for (var field : DetailField.values()) {
            var typed = field.words(this, techniqueName);
            var own = words.get(field);
            if (typed == null && own == null) continue;
            lines.add(
                    new InWords(field, field.label(), typed == null ? own : own == null ? typed : typed + " – " + own));
        }
        return lines;
    }
}

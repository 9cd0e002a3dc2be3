package palmtally.core.technique;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Texts;

/**
 * The techniques of a school: those that ship, as far as it has not changed them, and its own; and its own words for hands.
 *
 * @param own what it has added, and what it does otherwise than what ships, each id once
 * @param hands its own words for hands
 */
public record Techniques(List<Technique> own, List<HandName> hands) {
    /** Those that ship, unchanged (common practice, no source). */
    public static final Techniques SHIPPED = new Techniques(List.of(), List.of());

    /** More of its own than this are taken for a mistake. */
    public static final int MOST_OWN = 500;

    public Techniques {
        own = List.copyOf(own);
        hands = List.copyOf(hands);
        var faults = new ArrayList<Fault>();
        most(faults, "own", own.size());
        most(faults, "hands", hands.size());
        var ids = new HashSet<String>();
        for (int i = 0; i < own.size(); i++)
            if (!ids.add(own.get(i).id()))
                faults.add(new Fault("own/" + i + "/id", own.get(i).id(), "is used twice"));
        if (!faults.isEmpty()) throw new InvalidValue("techniques", faults);
    }

    private static void most(List<Fault> faults, String field, int count) {
        if (count > MOST_OWN) faults.add(new Fault(field, String.valueOf(count), "must be at most " + MOST_OWN));
    }

    /** The technique that ships under an id, as it ships. */
    public static Optional<Technique> shipped(String id) {
        return Optional.ofNullable(ShippedTechniques.BY_ID.get(id));
    }

    /**
     * Every technique, retired ones too: those that ship in their order, then the school's own. Where a nickname that ships is a word
     * of the school for something else, the school's holds.
     */
    public List<Technique> all() {
        return List.copyOf(byId().values());
    }

    /** Those that are offered: not retired. */
    public List<Technique> offered() {
        return byId().values().stream().filter(t -> !t.retired()).toList();
    }

    private Map<String, Technique> byId() {
        if (own.isEmpty()) return ShippedTechniques.BY_ID;
        var said = new HashMap<String, String>();
        for (var t : own) if (!t.retired()) words(t).forEach(w -> said.putIfAbsent(w, t.id()));
        var all = new LinkedHashMap<String, Technique>();
        for (var t : ShippedTechniques.BY_ID.values())
            all.put(
                    t.id(),
                    t.with(e -> e.aliases = t.aliases().stream()
                            .filter(a -> said.getOrDefault(plain(a), t.id()).equals(t.id()))
                            .toList()));
        own.forEach(t -> all.put(t.id(), t));
        return all;
    }

    public Optional<Technique> find(String id) {
        for (var t : own) if (t.id().equals(id)) return Optional.of(t);
        return shipped(id);
    }

    /**
     * The technique of that id.
     *
     * @throws IllegalArgumentException if there is none
     */
    public Technique get(String id) {
        return find(id).orElseThrow(() -> new IllegalArgumentException("no technique '" + id + "'"));
    }

    /**
     * What the school does where a mend or a template asks for a technique that ships: that one, or where the school has retired it
     * the first it still offers of the same stroke and with the same part of the client; itself where there is none.
     */
    public Technique toUse(String id) {
        var asked = get(id);
        if (!asked.retired()) return asked;
        return offered().stream()
                .filter(t -> t.stroke() == asked.stroke() && t.effort() == asked.effort())
                .findFirst()
                .orElse(asked);
    }

    /** With these in the place of what they were, or added. */
    public Techniques with(Collection<Technique> changes) {
        var changed = new LinkedHashMap<String, Technique>();
        own.forEach(t -> changed.put(t.id(), t));
        for (var t : changes)
            if (shipped(t.id()).filter(t::equals).isPresent()) changed.remove(t.id());
            else changed.put(t.id(), t);
        return new Techniques(List.copyOf(changed.values()), hands);
    }

    /**
     * Of what a sequence brings, what can be taught beside all this: ids that are new, as many as there is room for, and none that is
     * called like another, also not among themselves.
     */
    public List<Technique> teachable(List<Technique> brought) {
        var said = new HashSet<String>();
        for (var t : all()) said.add(t.id());
        for (var t : offered()) said.add(plain(t.name()));
        for (var t : own) if (!t.retired()) said.addAll(words(t));
        var taken = new ArrayList<Technique>();
        for (var t : brought) {
            if (find(t.id()).isPresent() || own.size() + taken.size() >= MOST_OWN) continue;
            if (said.contains(t.id()) || words(t).stream().anyMatch(said::contains)) continue;
            taken.add(t);
            said.add(t.id());
            said.addAll(words(t));
        }
        return List.copyOf(taken);
    }

    /** With other words for hands. */
    public Techniques withHands(List<HandName> changed) {
        return new Techniques(own, changed);
    }

    /**
     * What cannot be taught side by side: two that are called the same, and one that ships and was made something else.
     *
     * @return every fault, with the id of the technique, or {@code hands/} and a place from 0
     */
    public List<Fault> faults() {
        var faults = new ArrayList<Fault>();
        for (var t : own)
            shipped(t.id())
                    .filter(s -> !s.sameToRules(t))
                    .ifPresent(s -> faults.add(new Fault(
                            t.id(),
                            t.name(),
                            "must stay what it is: the rules rest on its stroke, the client's part and whether it is"
                                    + " strong. Maybe add one of your own")));
        var names = new HashMap<String, Technique>();
        for (var t : all()) names.putIfAbsent(t.id(), t);
        for (var t : offered()) names.putIfAbsent(plain(t.name()), t);
        for (var t : offered()) {
            var same = names.get(plain(t.name()));
            if (same != null && !same.id().equals(t.id())) faults.add(called(t.id() + "/name", t.name(), same));
            for (var alias : t.aliases()) {
                var other = names.putIfAbsent(plain(alias), t);
                if (other != null && !other.id().equals(t.id())) faults.add(called(t.id() + "/aliases", alias, other));
            }
        }
        for (int i = 0; i < hands.size(); i++) {
            var hand = hands.get(i);
            var other = names.get(plain(hand.name()));
            if (other != null) faults.add(called("hands/" + i, hand.name(), other));
            for (int j = 0; j < i; j++)
                if (plain(hands.get(j).name()).equals(plain(hand.name())))
                    faults.add(new Fault("hands/" + i, hand.name(), "is said twice"));
        }
        return faults;
    }

    /** Words of the school that are nicknames of something else as it ships: they hold, but were perhaps not meant. */
    public List<Fault> taken() {
        var faults = new ArrayList<Fault>();
        for (var s : ShippedTechniques.BY_ID.values())
            for (var t : own)
                if (!t.id().equals(s.id())
                        && !t.retired()
                        && find(s.id()).filter(s::equals).isPresent())
                    for (var alias : s.aliases())
                        if (words(t).contains(plain(alias))) faults.add(called(t.id() + "/aliases", alias, s));
        return faults;
    }

    private static Fault called(String at, String word, Technique other) {
        return new Fault(at, word, "is what \"" + other.name() + "\" is called");
    }

    /**
     * The same, once it is known that it can be taught.
     *
     * @throws InvalidValue naming every fault
     */
    public Techniques checked() {
        var faults = faults();
        if (!faults.isEmpty()) throw new InvalidValue("techniques", faults);
        return this;
    }

    private static List<String> words(Technique t) {
        var words = new ArrayList<String>();
        words.add(plain(t.name()));
        t.aliases().forEach(a -> words.add(plain(a)));
        return words;
    }

    private static String plain(String name) {
        return name.strip().toLowerCase(Locale.ROOT);
    }

    /** An id out of a name that no technique has yet, such as {@code harbour-sweep}. */
    public String freshId(String name) {
        var stem = Texts.idOf(name, 48, "technique");
        if (find(stem).isEmpty()) return stem;
        for (int i = 2; ; i++) if (find(stem + "-" + i).isEmpty()) return stem + "-" + i;
    }
}

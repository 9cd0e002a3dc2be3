package palmtally.server.technique;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.technique.HandName;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;
import palmtally.formats.Documents;
import palmtally.server.people.Caller;
import palmtally.server.problem.Refusal;
import palmtally.server.version.Kind;
import palmtally.server.version.Version;
import palmtally.server.version.VersionStore;
import palmtally.server.version.Versions;

/** The techniques of this school: those that ship, what it does otherwise, its own, and its words for hands. */
@Service
public class Library {
    /** A technique with its version; 0 while it is as it ships. */
    public record Versioned(int version, Technique technique) {}

    /** The school's words for hands with their version; 0 while there are none. */
    public record Hands(int version, List<HandName> hands) {}

    /** The one document of them. */
    private static final String HANDS = "hands";

    private final Versions<Technique> versions;
    private final Versions<Techniques> hands;

    Library(VersionStore store) {
        versions = store.of(new Kind<>(
                "technique", "technique", Documents::storedTechnique, t -> {}, t -> new Kind.Called(t.name(), "")));
        hands = store.of(new Kind<>(
                HANDS, "list of words for hands", Documents::storedHands, t -> {}, t -> new Kind.Called(HANDS, "")));
    }

    /** Every technique as it now is. */
    public Techniques techniques() {
        var words = hands.find(HANDS).map(v -> v.document().hands()).orElse(List.of());
        return Techniques.SHIPPED
                .with(versions.newest().stream()
                        .map(Version::document)
                        .limit(Techniques.MOST_OWN)
                        .toList())
                .withHands(words);
    }

    /** @throws Refusal 404 where there is no such technique */
    public Versioned newest(String id) {
        // Where no version of it can be read it is as it ships again.
        return versions.find(id)
                .map(v -> new Versioned(v.number(), v.document()))
                .or(() -> Techniques.shipped(id).map(t -> new Versioned(0, t)))
                .orElseThrow(() -> Refusal.notFound("technique"));
    }

    public Hands hands() {
        return hands.find(HANDS)
                .map(v -> new Hands(v.number(), v.document().hands()))
                .orElse(new Hands(0, List.of()));
    }

    /** An id out of a name that no technique has or ever had. */
    public String freshId(String name) {
        var id = techniques().freshId(name);
        for (int i = 2; versions.has(id); i++) id = techniques().freshId(name + " " + i);
        return id;
    }

    /**
     * What cannot be taught beside the rest as it now is; what was already so is not said again.
     *
     * @throws InvalidValue naming every fault
     */
    public void check(Techniques changed) {
        refuse(said(changed).toList(), said(techniques()).toList());
    }

    private static void refuse(List<Fault> now, List<Fault> before) {
        var faults = now.stream().filter(f -> !before.contains(f)).toList();
        if (!faults.isEmpty()) throw new InvalidValue("techniques", faults);
    }

    private static Stream<Fault> said(Techniques of) {
        return Stream.concat(of.faults().stream(), of.taken().stream());
    }

    /**
     * @param from the version it was made from; 0 for one that is new or as it ships
     * @throws Refusal 409 when somebody saved another meanwhile
     * @throws InvalidValue where it cannot be taught beside the rest
     */
    public Versioned save(Technique technique, int from, Caller by) {
        check(techniques().with(List.of(technique)));
        return store(technique, from, by);
    }

    private Versioned store(Technique technique, int from, @Nullable Caller by) {
        var now = versions.find(technique.id());
        boolean damaged = versions.damage(technique.id()).isPresent();
        boolean same =
                Techniques.shipped(technique.id()).filter(technique::equals).isPresent();
        if (!damaged && (now.isPresent() ? now.get().says(technique) : same))
            return new Versioned(now.map(Version::number).orElse(0), technique);
        var saved = versions.save(technique.id(), from, "Saved", technique, by);
        return new Versioned(saved.number(), saved.document());
    }

    /**
     * @param from the version they were made from; 0 for the first
     * @throws Refusal 409 when somebody saved others meanwhile
     */
    public Hands saveHands(List<HandName> words, int from, Caller by) {
        check(techniques().withHands(words));
        hands.save(HANDS, from, "Saved", Techniques.SHIPPED.withHands(words), by);
        return hands();
    }

    /** Of the techniques of a sequence those that the school does not have and can teach. What it has in its own way stays with the sequence. */
    public List<Technique> unknown(List<Technique> brought) {
        return techniques().teachable(brought);
    }

    /** Takes the unknown ones among them. */
    public void bring(List<Technique> brought, @Nullable Caller by) {
        for (var t : unknown(brought)) if (!versions.has(t.id())) store(t, 0, by);
    }

    /**
     * What would be taught if these were taken from a file: the file's where both have one.
     *
     * @throws InvalidValue where something of it cannot be taught beside the rest
     */
    public Techniques taking(Techniques incoming) {
        var words = new ArrayList<>(techniques().hands());
        for (var hand : incoming.hands()) {
            words.removeIf(w -> w.name().equalsIgnoreCase(hand.name()));
            words.add(hand);
        }
        var after = techniques().with(incoming.own()).withHands(words);
        refuse(after.faults(), techniques().faults());
        return after;
    }

    /**
     * Takes what a file brings, or nothing of it; to be called in a transaction.
     *
     * @throws InvalidValue where something of it cannot be taught beside the rest
     */
    public void take(Techniques incoming, Caller by) {
        var after = taking(incoming);
        incoming.own()
                .forEach(
                        t -> store(t, versions.find(t.id()).map(Version::number).orElse(0), by));
        if (!after.hands().equals(hands().hands()))
            hands.save(HANDS, hands().version(), "Read from a file", Techniques.SHIPPED.withHands(after.hands()), by);
    }
}

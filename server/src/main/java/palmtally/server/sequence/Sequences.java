package palmtally.server.sequence;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.Texts;
import palmtally.core.people.ClientNote;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.check.Checks;
import palmtally.core.sequence.check.Mend;
import palmtally.formats.Documents;
import palmtally.server.answer.Page;
import palmtally.server.people.Caller;
import palmtally.server.problem.Refusal;
import palmtally.server.technique.Library;
import palmtally.server.version.Kind;
import palmtally.server.version.Unreadable;
import palmtally.server.version.Version;
import palmtally.server.version.VersionLine;
import palmtally.server.version.VersionStore;
import palmtally.server.version.Versions;

/** Sequences as immutable versions: every change, mend and undo is a new one. */
@Service
public class Sequences {
    private final Versions<Sequence> versions;
    private final Library library;

    Sequences(VersionStore store, Library library) {
        this.library = library;
        versions = store.of(new Kind<>(
                "sequence",
                "sequence",
                Documents::storedSequence,
                s -> Checks.run(s, Profile.bySeconds()),
                s -> new Kind.Called(s.name(), s.region().toString())));
    }

    /** The newest of each, or the newest before it that can be read; one of which none can be read is not among them. */
    public List<Version<Sequence>> all() {
        return versions.newest();
    }

    /** Those of which no version can be read. */
    public List<Unreadable> unreadable() {
        return versions.unreadable();
    }

    /** @throws Refusal 404 where there is none, 409 where no version of it can be read */
    public Version<Sequence> newest(String id) {
        return versions.newest(id);
    }

    public Optional<Version<Sequence>> find(String id) {
        return versions.find(id);
    }

    /** @throws Refusal 404 where there is none, 409 where it cannot be read */
    public Version<Sequence> version(UUID id) {
        return versions.byId(id);
    }

    /** @throws Refusal 404 where there is none, 409 where it cannot be read */
    public Version<Sequence> numbered(String id, int version) {
        return versions.numbered(id, version);
    }

    public Page<VersionLine> versions(String id, @Nullable Integer before) {
        return versions.lines(id, before);
    }

    /**
     * Saves what was made of a version; see {@link Versions#save}.
     *
     * @param from the version it was made from; 0 for a new sequence
     */
    public <V> V save(
            Sequence sequence, int from, String what, @Nullable Caller by, Function<Version<Sequence>, V> view) {
        return versions.save(sequence.id(), from, what, sequence, by, view);
    }

    public Version<Sequence> save(Sequence sequence, int from, String what, @Nullable Caller by) {
        return save(sequence, from, what, by, v -> v);
    }

    /** An id out of a name that no sequence has yet: lower case, hyphens, at most 64 characters. */
    public String freshId(String name) {
        var stem = Texts.idOf(name, 56, "sequence");
        var id = stem;
        for (int i = 2; versions.has(id); i++) id = stem + "-" + i;
        return id;
    }

    /** Applies the mend of one finding and saves the result. */
    public <V> V mend(
            String id, int from, String key, Profile profile, Caller by, Function<Version<Sequence>, V> view) {
        var now = newest(id).document();
        var mend = mendOf(now, key, profile, List.of());
        return save(mend.apply(now), from, mend.label(), by, view);
    }

    /**
     * The edit that mends one finding about a sequence.
     *
     * @throws Refusal 404 where there is no such finding, 422 where it has no mend
     */
    private static Mend mendOf(Sequence sequence, String key, Profile profile, List<ClientNote> notes) {
        return Checks.run(sequence, profile, notes)
                .found(key)
                .orElseThrow(() -> Refusal.notFound("finding in this version"))
                .mend()
                .orElseThrow(() ->
                        Refusal.invalid("no-mend", "This finding has no mend to apply; change the steps instead."));
    }

    /** Brings the content of an earlier version back as a new one. */
    public <V> V restore(String id, int from, int version, Caller by, Function<Version<Sequence>, V> view) {
        return save(numbered(id, version).document(), from, "Back to version " + version, by, view);
    }

    /** Takes a sequence from a file: a new version where the id is known, unless it says the same; and techniques nobody knew here. */
    @Transactional
    public <V> V take(Sequence sequence, @Nullable Caller by, Function<Version<Sequence>, V> view) {
        var now = find(sequence.id());
        library.bring(sequence.techniques(), by);
        if (now.isPresent() && now.get().says(sequence)) return view.apply(now.get());
        return save(sequence, now.map(Version::number).orElse(0), "Read from a file", by, view);
    }

    /** Takes several sequences from a file, all or none. */
    @Transactional
    public void takeAll(List<Sequence> incoming, Caller by) {
        incoming.forEach(s -> take(s, by, v -> v));
    }

    /**
     * The version that says the very same; a sequence nobody knew is stored where one who plans brings it.
     *
     * @throws Refusal 403 where a grader brings one that nobody knew; 409 where the id is known and no version of it says the same
     */
    @Transactional
    public Version<Sequence> same(Sequence sequence, Caller by) {
        if (!versions.has(sequence.id())) {
            by.mustPlan("sequences, and this record brings one that is not known here");
            return save(sequence, 0, "Read from a record", null);
        }
        return versions.all(sequence.id()).stream()
                .filter(v -> v.document().equals(sequence))
                .findFirst()
                .orElseThrow(() -> Refusal.conflict(
                        "other-sequence",
                        "The record was graded against a sequence \"" + sequence.id()
                                + "\" that differs from every version here. Read that sequence from its file first."));
    }
}

package palmtally.server.calendar;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.UUID;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.calendar.Curriculum;
import palmtally.core.calendar.Lesson;
import palmtally.core.calendar.TermChecks;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.formats.Documents;
import palmtally.formats.TermFile;
import palmtally.server.answer.Page;
import palmtally.server.people.Caller;
import palmtally.server.people.Term;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;
import palmtally.server.sequence.Sequences;
import palmtally.server.version.Kind;
import palmtally.server.version.Version;
import palmtally.server.version.VersionLine;
import palmtally.server.version.VersionStore;
import palmtally.server.version.Versions;

/** The plan of each term as immutable versions. */
@Service
public class Curricula {
    /**
     * A curriculum with the version it is; 0 while nothing was planned.
     *
     * @param damaged says that the newest version cannot be read, and why; null where this is the newest
     */
    public record Versioned(
            int version, Curriculum curriculum, @Nullable String damaged) {}

    private final Versions<Curriculum> versions;
    private final Terms terms;
    private final Sequences sequences;

    Curricula(VersionStore store, Terms terms, Sequences sequences) {
        versions = store.of(new Kind<>(
                "curriculum",
                "plan of this term",
                Documents::storedCurriculum,
                this::judge,
                c -> new Kind.Called(c.name(), "")));
        this.terms = terms;
        this.sequences = sequences;
    }

    private void judge(Curriculum curriculum) {
        TermChecks.run(
                curriculum, sequences.all().stream().map(Version::document).toList(), Profile.bySeconds());
    }

    /** The newest version, where that is damaged the newest before it that can be read, or an empty plan of the term's weeks. */
    public Versioned newest(UUID term) {
        Term of = terms.term(term);
        return versions.find(term.toString())
                .map(v -> new Versioned(v.number(), v.document(), v.damaged()))
                .orElseGet(() -> new Versioned(
                        0,
                        Curriculum.empty("term", of.name(), of.weeks()),
                        versions.damage(term.toString())
                                .map(why -> "No version can be read (" + why
                                        + "). This is an empty plan; what is saved from it becomes the newest.")
                                .orElse(null)));
    }

    /** @throws Refusal 404 where there is none, 409 where it cannot be read */
    public Curriculum numbered(UUID term, int version) {
        return versions.numbered(term.toString(), version).document();
    }

    public Page<VersionLine> versions(UUID term, @Nullable Integer before) {
        return versions.lines(term.toString(), before);
    }

    /**
     * Saves what was made of a version; see {@link Versions#save}.
     *
     * @param from the version it was made from; 0 for the first
     * @throws Refusal 409 when somebody saved another meanwhile, or the term is in the archive
     */
    public <V> V save(
            UUID term, Curriculum curriculum, int from, String what, @Nullable Caller by, Function<Versioned, V> view) {
        terms.mustBeOpen(term);
        return versions.save(
                term.toString(),
                from,
                what,
                curriculum,
                by,
                v -> view.apply(new Versioned(v.number(), v.document(), v.damaged())));
    }

    public Versioned save(UUID term, Curriculum curriculum, int from, String what, @Nullable Caller by) {
        return save(term, curriculum, from, what, by, v -> v);
    }

    /**
     * Puts what a lesson left for another day onto the plan of the next week, or takes it out again where nothing is left. A term in
     * the archive stays as it is.
     *
     * @param lesson id of the one that left it
     * @param into id of the lesson that it becomes, the same however often this is asked
     * @return the week it went to, or 0 where there is none or nothing is left
     */
    public int leaveForAnotherDay(
            UUID term, String lesson, String into, List<String> steps, double minutes, Caller by) {
        // Whoever saves at the same moment goes first; what they saved is then read.
        for (int tries = 0; tries < 5 && !terms.archived(term); tries++) {
            var now = newest(term);
            var of = now.curriculum().lesson(lesson).orElse(null);
            if (of == null) return 0;
            var after = now.curriculum().leavingForAnotherDay(of, into, steps, minutes);
            int week = after.lesson(into).map(Lesson::week).orElse(0);
            if (after.equals(now.curriculum())) return week;
            var what = week > 0 ? "Left for another day" : "Shown after all";
            if (versions.offer(term.toString(), now.version(), what, after, by, v -> v)
                    .isPresent()) return week;
        }
        return 0;
    }

    /** Takes a whole curriculum from a file, its sequences with it; all or nothing. */
    @Transactional
    public Versioned take(UUID term, TermFile file, Caller by) {
        sequences.takeAll(file.sequences(), by);
        var now = newest(term);
        if (now.version() > 0 && now.damaged() == null && now.curriculum().equals(file.curriculum())) return now;
        return save(term, file.curriculum(), now.version(), "Read from a file", by);
    }

    /** The plan with every sequence that its lessons name. */
    public TermFile file(UUID term) {
        var curriculum = newest(term).curriculum();
        var named = new HashSet<String>();
        curriculum.lessons().forEach(l -> {
            if (l.sequence() != null) named.add(l.sequence());
        });
        var with = new ArrayList<Sequence>();
        for (var v : sequences.all()) if (named.contains(v.document().id())) with.add(v.document());
        return new TermFile(curriculum, with);
    }
}

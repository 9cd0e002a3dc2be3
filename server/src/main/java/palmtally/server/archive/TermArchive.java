package palmtally.server.archive;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.Texts;
import palmtally.core.finding.Criterion;
import palmtally.formats.Documents;
import palmtally.formats.PracticalWriter;
import palmtally.formats.Table;
import palmtally.server.calendar.Curricula;
import palmtally.server.competency.Tracking;
import palmtally.server.people.Caller;
import palmtally.server.people.Terms;
import palmtally.server.practical.Practicals;
import palmtally.server.practical.TermPracticals;
import palmtally.server.profile.Profiles;

/** A whole term to keep: its plan with the sequences, the profile, people, competencies and every practical. */
@Service
class TermArchive {
    private final Terms terms;
    private final Curricula curricula;
    private final Profiles profiles;
    private final Practicals practicals;
    private final TermPracticals opening;
    private final Tracking tracking;
    private final Clock clock;

    TermArchive(
            Terms terms,
            Curricula curricula,
            Profiles profiles,
            Practicals practicals,
            TermPracticals opening,
            Tracking tracking,
            Clock clock) {
        this.terms = terms;
        this.curricula = curricula;
        this.profiles = profiles;
        this.practicals = practicals;
        this.opening = opening;
        this.tracking = tracking;
        this.clock = clock;
    }

    /** A name for the file of a term. */
    String name(UUID term) {
        return Texts.idOf(terms.term(term).name(), 100, "term");
    }

    /**
     * The archive as a file, made whole before a byte of it is sent: what cannot be made is a problem that is told, not a shorter file. All
     * of it is of one moment, also where somebody grades meanwhile.
     */
    @Transactional(isolation = Isolation.REPEATABLE_READ)
    public Path make(Caller caller, UUID term) throws IOException {
        var file = Files.createTempFile("archive", ".zip");
        try (var zip = new ZipOutputStream(Files.newOutputStream(file), StandardCharsets.UTF_8)) {
            put(zip, "term.curriculum.json", Documents.write(curricula.file(term)));
            put(zip, "school.profile.json", Documents.write(profiles.named(null)));
            put(zip, "people.csv", roll(term));
            put(zip, "competency.csv", competency(caller, term));
            practicals(zip, caller, term);
        } catch (IOException | RuntimeException e) {
            Files.deleteIfExists(file);
            throw e;
        }
        return file;
    }

    /** Every practical as a file, and a table of them: pairs, looks, what is void and why, marks of one's own. */
    private void practicals(ZipOutputStream zip, Caller caller, UUID term) throws IOException {
        var columns = new ArrayList<>(List.of(
                "id",
                "file",
                "kind",
                "criterion",
                "student",
                "partner",
                "grader",
                "sequence",
                "region",
                "started",
                "finished",
                "void",
                "retake of",
                "beside",
                "rating",
                "result",
                "mean",
                "released"));
        for (var c : Criterion.values()) columns.add("own mark, " + c);
        var rows = new ArrayList<List<@Nullable Object>>();
        var closed = new ArrayList<String>();
        var opened = opening.open(caller, term);
        var writer = new PracticalWriter();
        for (var line : practicals.all(term)) {
            var whole = opened.apply(line.id()).orElse(null);
            if (whole == null) {
                closed.add(line.id() + " is marked by two graders and opens once both have awarded.");
                continue;
            }
            var day = line.startedAt().atZone(clock.getZone()).toLocalDate();
            var file = "practicals/" + Texts.idOf(whole.student().name(), 100, "term") + "-" + day + "-"
                    + line.id().toString().substring(0, 8) + ".practical.json";
            put(zip, file, writer.write(whole.practical()));
            var row = new ArrayList<@Nullable Object>(Arrays.asList(
                    line.id(),
                    file,
                    whole.kind(),
                    whole.criterion(),
                    whole.student().name(),
                    whole.partner() == null ? null : whole.partner().name(),
                    whole.grader().name(),
                    line.sequence(),
                    line.region(),
                    line.startedAt(),
                    line.finished(),
                    line.voidReason(),
                    whole.retakeOf(),
                    whole.beside(),
                    whole.rating(),
                    line.result(),
                    line.mean(),
                    line.released()));
            for (var c : Criterion.values()) row.add(whole.selfMarks().get(c));
            rows.add(row);
        }
        put(zip, "practicals.csv", new Table("Practicals", columns, rows).csv());
        if (!closed.isEmpty()) put(zip, "left-out.txt", String.join("\n", closed) + "\n");
    }

    private String roll(UUID term) {
        var rows = new ArrayList<List<@Nullable Object>>();
        terms.people(term).forEach(p -> rows.add(List.of(p.name(), p.role())));
        return new Table("People", List.of("name", "role"), rows).csv();
    }

    private String competency(Caller caller, UUID term) {
        var rows = new ArrayList<List<@Nullable Object>>();
        var cohort = tracking.cohort(caller, term);
        for (var student : cohort.students())
            for (var palm : student.palms())
                for (var bar : palm.bars())
                    rows.add(Arrays.asList(
                            student.name(), palm.region(), bar.criterion(), bar.state(), bar.level(), bar.sd()));
        return new Table("Competency", List.of("student", "region", "criterion", "state", "level", "sd"), rows).csv();
    }

    private static void put(ZipOutputStream zip, String name, String text) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(text.getBytes(StandardCharsets.UTF_8));
        zip.closeEntry();
    }
}

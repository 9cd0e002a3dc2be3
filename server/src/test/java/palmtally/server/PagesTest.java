package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.people.Terms;
import tools.jackson.databind.JsonNode;

/** Lists end nowhere in silence: page by page everything of a long one comes, each line once. */
@ExtendWith(App.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class PagesTest {
    private static final int AWARDED = 640;
    private Visitor lead;
    private UUID term;

    /** A term of many practicals: copies of one of the demo's, the first three not awarded, the last with taps after its award. */
    @BeforeAll
    void manyPracticals(App.Running app) {
        lead = Visitor.as(app.url(), "lead");
        term = app.bean(Terms.class)
                .add("Long", "Everybody", LocalDate.now(app.clock()).minusWeeks(3), 12)
                .id();
        var columns =
                "student_id, grader_id, sequence_version_id, profile_version_id, asked, sides, table_number, kind, finished";
        var one =
                "(select * from practical where beside is null and kind = 'practical' and finished and void_reason is null"
                        + " and partner_id is not null order by id limit 1) o";
        app.database()
                .run("insert into practical (id, term_id, started_at, " + columns + ") select gen_random_uuid(), '"
                        + term
                        + "', now() - make_interval(mins => n * 30), " + columns + " from " + one
                        + ", generate_series(1, "
                        + (AWARDED + 3) + ") n");
        app.database()
                .run(
                        "insert into award (practical_id, revision, body, result, mean, released, awarded_by, awarded_at, events)"
                                + " select p.id, 1, '{\"released\":true}', 'pass', 71, true, p.grader_id, p.started_at, 0 from practical p"
                                + " where p.term_id = '" + term + "' order by p.started_at desc, p.id limit "
                                + AWARDED);
        app.database()
                .run(
                        "insert into event (practical_id, id, device, seq, at_ms, kind, data) select p.id, 'late', 'd', 1, 5, 'note', '{}'"
                                + " from practical p join award a on a.practical_id = p.id where p.term_id = '" + term
                                + "' order by p.started_at limit 1");
    }

    /** Other tests count what there is. */
    @AfterAll
    void leaveNothing(App.Running app) {
        var of = " in (select id from practical where term_id = '" + term + "')";
        app.database()
                .run(
                        "delete from event where practical_id" + of + "; delete from award where practical_id" + of
                                + "; delete from practical where term_id = '" + term
                                + "'; delete from term where id = '" + term
                                + "'; delete from document_version where what like 'Edit %' and document = 'calves';"
                                + " delete from demonstration_mark where id = 'of pages'; delete from demonstration where room = 'of pages'");
    }

    private static List<String> of(List<JsonNode> lines, String field) {
        return lines.stream().map(l -> l.get(field).asString()).toList();
    }

    @Test
    void practicals_come_all_each_once_and_first_what_waits() {
        var lines = lead.all("/api/terms/" + term + "/practicals");
        assertThat(new HashSet<>(of(lines, "id"))).hasSize(AWARDED + 3).hasSameSizeAs(lines);
        for (int i = 0; i < 3; i++)
            assertThat(lines.get(i + 1).has("result")).as("line " + (i + 1)).isFalse();
        // Awarded within a month, and a tap came after it: it waits again, however far down it would stand.
        assertThat(lines.get(0).get("since").asInt()).isEqualTo(1);
        var done = of(lines.subList(4, lines.size()), "startedAt");
        assertThat(done).isSortedAccordingTo(Comparator.reverseOrder());
        var first = lead.get("/api/terms/" + term + "/practicals").json();
        assertThat(first.get("lines").size()).isEqualTo(104);
        assertThat(lead.get("/api/terms/" + term + "/practicals?before=nonsense")
                        .status())
                .isEqualTo(400);
    }

    @Test
    void versions_and_what_was_shown_go_back_to_the_first(App.Running app) {
        app.database()
                .run("insert into document_version (id, kind, document, number, name, region, what, body, created_at)"
                        + " select gen_random_uuid(), kind, document, n, name, region, 'Edit ' || n, body, now() from document_version,"
                        + " generate_series(2, 120) n where kind = 'sequence' and document = 'calves' and number = 1");
        var versions = lead.all("/api/sequences/calves/versions");
        assertThat(versions).hasSize(120);
        assertThat(versions.get(119).get("version").asInt()).isEqualTo(1);
        assertThat(lead.get("/api/sequences/calves")
                        .json()
                        .get("history")
                        .get("lines")
                        .size())
                .isEqualTo(50);

        app.database()
                .run(
                        "with made as (insert into demonstration (id, sequence_version_id, profile_version_id, shown_by, started_at, room)"
                                + " select gen_random_uuid(), d.sequence_version_id, d.profile_version_id, a.id, now() - make_interval(days => n), 'of pages'"
                                + " from (select * from demonstration order by id limit 1) d, account a, generate_series(1, 40) n"
                                + " where a.sign_in = 'lead' returning id)"
                                + " insert into demonstration_mark (demonstration_id, id, what, index, at_seconds) select id, 'of pages', 'started', 0, 1 from made");
        var before = lead.get("/api/demonstrations").json().get("lines").size();
        assertThat(before).isEqualTo(12);
        assertThat(new HashSet<>(of(lead.all("/api/demonstrations"), "id"))).hasSizeGreaterThanOrEqualTo(40);
        var sequence = app.database()
                .column("select v.document from demonstration d join document_version v on v.id = d.sequence_version_id"
                        + " where d.room = 'of pages' limit 1")
                .get(0);
        assertThat(of(lead.all("/api/demonstrations?sequence=" + sequence), "sequence"))
                .hasSizeGreaterThanOrEqualTo(40)
                .containsOnly(sequence);
        assertThat(lead.all("/api/demonstrations?sequence=none-such")).isEmpty();
    }

    @Test
    void who_was_asked_a_sequence_is_told_whatever_the_pages() {
        var line = lead.all("/api/terms/" + term + "/practicals").get(200);
        var sequence = "";
        for (var s : lead.get("/api/sequences").json())
            if (s.get("name").asString().equals(line.get("sequence").asString()))
                sequence = s.get("id").asString();
        var students = lead.get("/api/terms/" + term + "/sequences/" + sequence + "/students");
        assertThat(students.json()).hasSize(1);
        assertThat(students.json().get(0).asString())
                .isEqualTo(line.get("studentId").asString());
        assertThat(lead.get("/api/terms/" + term + "/sequences/none/students").json())
                .isEmpty();
    }
}

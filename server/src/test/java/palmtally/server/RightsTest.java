package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.people.Accounts;
import palmtally.server.people.Role;
import palmtally.server.people.Terms;

/** Who may do what with a practical: by duty, in a term that is open, and a student only with what was released. */
@ExtendWith(App.class)
class RightsTest {
    private static int made;

    private App.Running app;
    private Visitor nadia;
    private Visitor olle;
    private Visitor lead;

    @BeforeEach
    void signIn(App.Running running) {
        app = running;
        nadia = Visitor.as(app.url(), "nadia");
        olle = Visitor.as(app.url(), "olle");
        lead = Visitor.as(app.url(), "lead");
    }

    private static String event(String id, int at, String kind, String data) {
        return "{\"events\":[{\"id\":\"" + id + "\",\"device\":\"d\",\"seq\":1,\"atMs\":" + at + ",\"kind\":\"" + kind
                + "\",\"data\":" + data + "}]}";
    }

    private static String path(String id) {
        return "/api/practicals/" + id;
    }

    private String finished(Visitor by, String student, String sequence) {
        var id = by.practical(student, sequence);
        assertThat(by.post(path(id) + "/events", event("f" + id, 5000, "finish", "{}"))
                        .status())
                .isEqualTo(200);
        return id;
    }

    private void award(Visitor by, String id, boolean released) {
        assertThat(by.post(path(id) + "/rating", "{\"value\":61}").status()).isIn(200, 409);
        var answer = by.put(
                path(id) + "/award",
                "{\"from\":0,\"award\":{\"criteria\":{\"pressure\":{\"value\":71,\"reason\":\"a test\"}},\"struck\":[],\"confirmed\":[],"
                        + "\"feedback\":\"held words\",\"released\":" + released + ",\"remarks\":[],\"goals\":[]}}");
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    /** A student of the demo's term and one of their own, with a sign-in. */
    private Visitor student(String name) {
        var accounts = app.bean(Accounts.class);
        var terms = app.bean(Terms.class);
        var signIn = "rights" + ++made;
        accounts.addTo(java.util.UUID.fromString(nadia.term()), name, signIn, "a-long-password", Role.STUDENT);
        return Visitor.as(app.url(), signIn, "a-long-password");
    }

    @Nested
    class A_student_takes_along {
        @Test
        void nothing_of_what_is_held_until_it_is_released() {
            var sorna = student("Sorna Held");
            var self = sorna.get("/api/session").json().get("person").get("id").asString();
            var id = finished(nadia, "Sorna Held", "calves");
            var beside = olle.post(path(id) + "/beside", "").json().get("id").asString();
            olle.post(path(beside) + "/events", event("fb", 6000, "finish", "{}"));
            award(nadia, id, false);
            var held = sorna.get("/api/students/" + self + "/data");
            assertThat(held.status()).isEqualTo(200);
            assertThat(held.json().get("practicals")).hasSize(1);
            var line = held.json().get("practicals").get(0);
            assertThat(line.get("id").asString()).isEqualTo(id);
            assertThat(line.get("released").asBoolean()).isFalse();
            for (var hidden : List.of("awards", "events", "rating"))
                assertThat(line.has(hidden)).as(hidden).isFalse();
            assertThat(held.json().get("evidence")).isEmpty();
            assertThat(held.text()).doesNotContain("held words").doesNotContain(beside);
            // The lead hands out everything.
            var all = lead.get("/api/students/" + self + "/data");
            assertThat(all.json().get("practicals")).hasSize(2);
            assertThat(all.text()).contains("held words");
            award(olle, beside, true);
            assertThat(sorna.get("/api/students/" + self + "/data").text()).doesNotContain("held words");
            lead.post(path(id) + "/release", "");
            assertThat(lead.post("/api/terms/" + nadia.term() + "/release", "{}")
                            .status())
                    .isLessThan(500);
        }

        @Test
        void what_was_released_and_only_the_revisions_that_were() {
            var sorna = student("Sorna Released");
            var self = sorna.get("/api/session").json().get("person").get("id").asString();
            var id = finished(nadia, "Sorna Released", "calves");
            award(nadia, id, false);
            var answer = nadia.put(
                    path(id) + "/award",
                    "{\"from\":1,\"award\":{\"criteria\":{},\"struck\":[],\"confirmed\":[],\"feedback\":\"said aloud\",\"released\":true,"
                            + "\"remarks\":[],\"goals\":[]}}");
            assertThat(answer.status()).as(answer.text()).isEqualTo(200);
            var line = sorna.get("/api/students/" + self + "/data")
                    .json()
                    .get("practicals")
                    .get(0);
            assertThat(line.get("released").asBoolean()).isTrue();
            assertThat(line.get("awards")).hasSize(1);
            assertThat(line.get("awards").get(0).get("feedback").asString()).isEqualTo("said aloud");
            assertThat(line.get("rating").asDouble()).isEqualTo(61);
            assertThat(line.get("events")).hasSize(1);
        }
    }

    @Nested
    class A_grader_without_the_duty {
        @Test
        void changes_nothing_of_a_practical_of_that_region() {
            // The neck is the teacher's alone.
            var id = finished(nadia, "Jun Pell", "neck");
            for (var write : List.of(
                    olle.post(path(id) + "/rating", "{\"value\":5}"),
                    olle.put(path(id) + "/void", "{\"reason\":\"mine\"}"),
                    olle.post(path(id) + "/beside", ""),
                    olle.post(path(id) + "/handset", ""),
                    olle.post(path(id) + "/events", event("x", 1, "note", "{\"text\":\"x\"}")),
                    olle.post(path(id) + "/peer-looks", "{\"observer\":\"" + nadia.person("Kit Sorrel") + "\"}"))) {
                assertThat(write.status()).as(write.text()).isEqualTo(403);
                assertThat(write.json().get("detail").asString())
                        .isEqualTo("Neck is graded by Nadia Reef in this term; ask there.");
            }
            assertThat(nadia.post(path(id) + "/rating", "{\"value\":70}").status())
                    .isEqualTo(200);
            var begun = olle.post(
                    "/api/practicals",
                    "{\"term\":\"" + olle.term() + "\",\"student\":\"" + olle.person("Jun Pell")
                            + "\",\"sequence\":\"neck\",\"despite\":\"a test\"}");
            assertThat(begun.status()).as(begun.text()).isEqualTo(403);
        }

        @Test
        void may_again_as_soon_as_the_duty_is_theirs_and_not_a_moment_longer() {
            var id = nadia.practical("Jun Pell", "calves");
            assertThat(olle.post(path(id) + "/events", event("a", 1, "note", "{\"text\":\"x\"}"))
                            .status())
                    .isEqualTo(200);
            var duties = lead.get("/api/terms/" + nadia.term() + "/duties").json();
            var without = new ArrayList<String>();
            for (var d : duties)
                if (!d.get("region").asString().equals("lower-leg")
                        || !d.get("name").asString().equals("Olle Strand")) without.add(d.toString());
            var path = "/api/school/terms/" + nadia.term() + "/duties";
            assertThat(lead.put(path, "{\"duties\":[" + String.join(",", without) + "]}")
                            .status())
                    .isEqualTo(200);
            assertThat(olle.post(path(id) + "/events", event("b", 2, "note", "{\"text\":\"x\"}"))
                            .status())
                    .isEqualTo(403);
            assertThat(lead.put(path, "{\"duties\":" + duties + "}").status()).isEqualTo(200);
            assertThat(olle.post(path(id) + "/events", event("b", 2, "note", "{\"text\":\"x\"}"))
                            .status())
                    .isEqualTo(200);
        }
    }

    @Nested
    class Marking_beside_that_was_begun_and_left {
        private long evidence(String id) {
            return app.database().count("select count(*) from evidence where practical_id = '" + id + "'");
        }

        @Test
        void holds_nothing_back_while_nothing_was_seen_in_it() {
            var id = finished(nadia, "Jun Pell", "calves");
            assertThat(olle.post(path(id) + "/beside", "").status()).isEqualTo(201);
            award(nadia, id, true);
            assertThat(evidence(id)).isPositive();
        }

        @Test
        void lets_the_first_mark_count_once_it_is_made_void() {
            var id = finished(nadia, "Jun Pell", "calves");
            var beside = olle.post(path(id) + "/beside", "").json().get("id").asString();
            olle.post(path(beside) + "/events", event("n", 6000, "note", "{\"text\":\"x\"}"));
            award(nadia, id, true);
            assertThat(evidence(id)).isZero();
            assertThat(nadia.put(path(beside) + "/void", "{\"reason\":\"begun by mistake\"}")
                            .status())
                    .isEqualTo(200);
            assertThat(evidence(id)).isPositive();
        }

        @Test
        void holds_nothing_back_after_a_week() {
            var id = finished(nadia, "Jun Pell", "calves");
            var beside = olle.post(path(id) + "/beside", "").json().get("id").asString();
            olle.post(path(beside) + "/events", event("n", 6000, "note", "{\"text\":\"x\"}"));
            award(nadia, id, true);
            var awards = app.bean(palmtally.server.practical.Awards.class);
            awards.recount();
            assertThat(evidence(id)).isZero();
            app.database()
                    .run("update event set stored_at = stored_at - interval '8 days' where practical_id = '" + beside
                            + "'");
            awards.recount();
            assertThat(evidence(id)).isPositive();
        }
    }

    @Nested
    class A_student_who_was_taken_out_of_the_term {
        @Test
        void leaves_the_floor_and_the_archive_whole() throws IOException {
            student("Sorna Gone");
            var id = nadia.practical("Sorna Gone", "calves");
            olle.get("/api/floor");
            assertThat(lead.delete("/api/school/terms/" + nadia.term() + "/people/" + nadia.person("Sorna Gone"))
                            .status())
                    .isEqualTo(200);
            var floor = nadia.get("/api/floor");
            assertThat(floor.status()).as(floor.text()).isEqualTo(200);
            var tables = new ArrayList<String>();
            for (var t : floor.json()) tables.add(t.get("id").asString());
            assertThat(tables).contains(id);
            assertThat(nadia.get(path(id)).status()).isEqualTo(200);
            assertThat(nadia.post(path(id) + "/events", event("f", 5, "finish", "{}"))
                            .status())
                    .isEqualTo(200);
            award(nadia, id, true);
            // Every practical of the term is in its archive, those of the student who left with them.
            var entries = new TreeMap<String, String>();
            try (var zip = new ZipInputStream(
                    new ByteArrayInputStream(nadia.bytes("/api/terms/" + nadia.term() + "/archive")))) {
                for (var e = zip.getNextEntry(); e != null; e = zip.getNextEntry())
                    entries.put(e.getName(), new String(zip.readAllBytes(), StandardCharsets.UTF_8));
            }
            assertThat(entries.keySet()).anyMatch(n -> n.startsWith("practicals/sorna-gone-"));
            long open = app.database()
                    .count("select count(*) from practical p where term_id = '" + nadia.term()
                            + "' and not exists (select 1 from practical b where b.void_reason is null and (b.beside = p.id or b.id = p.beside)"
                            + " and (not exists (select 1 from award where practical_id = b.id)"
                            + " or not exists (select 1 from award where practical_id = p.id)))");
            assertThat(entries.keySet().stream()
                            .filter(n -> n.startsWith("practicals/"))
                            .count())
                    .isGreaterThanOrEqualTo(open)
                    .isGreaterThan(20);
        }
    }

    @Nested
    class A_term_in_the_archive {
        @Test
        void takes_no_tap_no_rating_no_mark_of_ones_own_and_no_award() {
            var accounts = app.bean(Accounts.class);
            var terms = app.bean(Terms.class);
            var term = terms.add("Rights closed", "Rights", java.time.LocalDate.now(app.clock()), 4);
            var signIn = "closed" + ++made;
            var who = accounts.addTo(term.id(), "Sorna Closed", signIn, "a-long-password", Role.STUDENT);
            var answer = lead.post(
                    "/api/practicals",
                    "{\"term\":\"" + term.id() + "\",\"student\":\"" + who
                            + "\",\"sequence\":\"calves\",\"despite\":\"a test\"}");
            assertThat(answer.status()).as(answer.text()).isEqualTo(201);
            var id = answer.json().get("id").asString();
            lead.post(path(id) + "/events", event("f", 5, "finish", "{}"));
            assertThat(lead.put("/api/school/terms/" + term.id() + "/archived", "{\"archived\":true}")
                            .status())
                    .isEqualTo(200);
            var student = Visitor.as(app.url(), signIn, "a-long-password");
            for (var write : List.of(
                    lead.post(path(id) + "/events", event("x", 9, "note", "{\"text\":\"late\"}")),
                    lead.post(path(id) + "/rating", "{\"value\":70}"),
                    lead.put(path(id) + "/void", "{\"reason\":\"x\"}"),
                    lead.post(path(id) + "/beside", ""),
                    student.post(path(id) + "/self-marks", "{\"marks\":{\"pressure\":50}}"),
                    lead.put(
                            path(id) + "/award",
                            "{\"from\":0,\"award\":{\"criteria\":{},\"struck\":[],\"confirmed\":[],\"feedback\":\"\",\"released\":true,\"remarks\":[],\"goals\":[]}}"))) {
                assertThat(write.status()).as(write.text()).isEqualTo(409);
                assertThat(write.code()).isEqualTo("archived");
            }
        }
    }

    @Test
    void a_record_brings_a_profile_in_for_the_lead_alone() {
        var id = finished(olle, "Lena Brook", "calves");
        award(olle, id, true);
        var file = olle.get(path(id) + "/file").text().replace("\"id\" : \"by-seconds\"", "\"id\" : \"smuggled\"");
        assertThat(file).contains("smuggled");
        var to = "/api/terms/" + olle.term() + "/students/" + olle.person("Lena Brook") + "/practicals/file";
        for (var who : List.of(olle, nadia))
            assertThat(who.post(to, file).status()).isEqualTo(403);
        assertThat(app.database().count("select count(*) from document_version where document = 'smuggled'"))
                .isZero();
        assertThat(lead.post(to, file).status()).isEqualTo(201);
        assertThat(app.database().count("select count(*) from document_version where document = 'smuggled'"))
                .isEqualTo(1);
    }

    @Test
    void a_grader_reads_sequences_and_writes_none() {
        var edit = "{\"from\":1,\"sequence\":"
                + olle.get("/api/sequences/calves").json().get("sequence") + "}";
        for (var write : List.of(
                olle.put("/api/sequences/calves", edit),
                olle.post("/api/sequences/calves/restore", "{\"from\":1,\"version\":1}"),
                olle.post("/api/sequences/calves/mend", "{\"from\":1,\"key\":\"x\"}"),
                olle.post(
                        "/api/sequences",
                        "{\"name\":\"mine\",\"region\":\"neck\",\"zones\":[\"neck-back\"],\"slotSeconds\":900}"),
                olle.post("/api/sequences/incoming", "{\"kind\":\"sequence\",\"text\":\"x\"}"),
                olle.post(
                        "/api/sequences/file",
                        olle.get("/api/sequences/calves/file").text())))
            assertThat(write.status()).as(write.text()).isEqualTo(403);
    }
}

package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.server.people.Accounts;
import palmtally.server.people.Terms;

/** Who may call what, by HTTP: not by hidden buttons. */
@ExtendWith(App.class)
class AccessTest {
    private static final String ID = UUID.randomUUID().toString();

    /** Every endpoint there is, with made-up ids. */
    private static List<String[]> endpoints(App.Running app) {
        return app.endpoints().stream()
                .map(e -> e.replaceAll("\\{[^}]*}", ID).split(" "))
                .toList();
    }

    private static Visitor.Answer call(Visitor visitor, String method, String path) {
        return switch (method) {
            case "GET" -> visitor.get(path);
            case "DELETE" -> visitor.delete(path);
            case "PUT" -> visitor.put(path, "{}");
            default -> visitor.post(path, "{}");
        };
    }

    @Test
    void without_a_sign_in_nothing_but_the_door_is_open(App.Running app) {
        var stranger = Visitor.at(app.url());
        // Whoever holds a statement asks whether it is the school's, and is told neither names nor marks.
        var open = List.of("/api/session", "/api/setup", "/api/verify");
        var endpoints = endpoints(app);
        assertThat(endpoints).hasSizeGreaterThan(20);
        for (var e : endpoints) {
            var answer = call(stranger, e[0], e[1]);
            if (open.contains(e[1])) continue;
            // A class screen is open to whoever has its address; this one is nobody's.
            // So is a client's handset, and a calendar at its private address; this code is nobody's.
            if (e[1].startsWith("/api/screens/")
                    || e[1].startsWith("/api/handsets/")
                    || e[1].startsWith("/api/calendar/")) {
                assertThat(answer.status()).as(e[1]).isEqualTo(404);
                continue;
            }
            assertThat(answer.status()).as(e[0] + " " + e[1]).isEqualTo(401);
            assertThat(answer.code()).isEqualTo("sign-in");
        }
    }

    @Test
    void a_student_reaches_only_the_words_of_the_trade_how_marks_come_about_and_their_own_record(App.Running app) {
        var ana = Visitor.as(app.url(), "ana");
        // One's own password is one's own.
        var own = List.of(
                "/api/session",
                "/api/session/password",
                "/api/setup",
                "/api/catalogue",
                "/api/marks",
                "/api/me/apart",
                "/api/me/agreed",
                "/api/me/sittings",
                "/api/me/calendar",
                "/api/me/calendar/addresses",
                "/api/me/hours",
                "/api/me/statements",
                "/api/me/earlier-marks",
                "/api/me/incidents",
                "/api/verify",
                "/api/me/to-mark",
                "/api/me/peer-looks");
        for (var e : endpoints(app)) {
            if (own.contains(e[1])) continue;
            var answer = call(ana, e[0], e[1]);
            assertThat(answer.status()).as(e[0] + " " + e[1]).isIn(403, 404);
            // A word on one's own practical, and what one was asked to watch; this one is nobody's.
            if (!e[0].equals("GET")
                    && !e[1].startsWith("/api/handsets/")
                    && !e[1].startsWith("/api/me/apart/")
                    && !e[1].startsWith("/api/me/calendar/addresses/")
                    && !e[1].endsWith("/self-marks")
                    && !e[1].endsWith("/second-looks")
                    && !e[1].endsWith("/withdrawal")
                    && !e[1].endsWith("/additions")
                    && !e[1].equals("/api/practicals/" + ID + "/events"))
                assertThat(answer.status()).as(e[0] + " " + e[1]).isEqualTo(403);
        }
        var me = ana.get("/api/session").json().get("person").get("id").asString();
        assertThat(ana.get("/api/competency/students/" + me).status()).isEqualTo(200);
    }

    @ParameterizedTest
    @CsvSource({"ana, bram", "gus, fay"})
    void a_student_gets_403_for_another(String who, String other, App.Running app) throws Exception {
        var stranger = Visitor.as(app.url(), other)
                .get("/api/session")
                .json()
                .get("person")
                .get("id")
                .asString();
        var visitor = Visitor.as(app.url(), who);
        var own = visitor.get("/api/session").json().get("person").get("id").asString();
        for (var path : List.of(
                "/api/competency/students/%s",
                "/api/competency/students/%s/evidence",
                "/api/competency/students/%s/report",
                "/api/students/%s/data")) {
            var answer = visitor.get(path.formatted(stranger));
            assertThat(answer.status()).as(path).isEqualTo(403);
            assertThat(answer.code()).as(path).isEqualTo("forbidden");
            assertThat(visitor.get(path.formatted(own)).status()).as(path).isEqualTo(200);
        }
        var live = "/api/competency/students/%s/live";
        assertThat(visitor.get(live.formatted(stranger)).status()).isEqualTo(403);
        try (var line = visitor.listen(live.formatted(own))) {
            assertThat(line.next(5_000)).isNotNull();
        }
    }

    /** A released practical of Bram's: Ana reaches it by no way there is; he reads it and writes nothing. */
    @Test
    void a_student_reaches_no_way_into_anothers_practical(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        String id = "";
        for (var line : nadia.all("/api/terms/" + nadia.term() + "/practicals"))
            if (line.get("student").asString().equals("Bram Oster")
                    && line.path("released").asBoolean()) id = line.get("id").asString();
        assertThat(id).isNotEmpty();
        var ana = Visitor.as(app.url(), "ana");
        var bram = Visitor.as(app.url(), "bram");
        assertThat(bram.get("/api/practicals/" + id).status()).isEqualTo(200);
        for (var e : endpoints(app)) {
            if (!e[1].startsWith("/api/practicals/" + ID)) continue;
            var path = e[1].replace(ID, id);
            assertThat(call(ana, e[0], path).status()).as(e[0] + " " + path).isEqualTo(403);
            // Of one's own practical one writes nothing but that it be looked at again, and that with a reason.
            if (path.endsWith("/second-looks") && !e[0].equals("GET"))
                assertThat(call(bram, e[0], path).status()).isEqualTo(422);
            else if (!e[0].equals("GET"))
                assertThat(call(bram, e[0], path).status())
                        .as(e[0] + " " + path)
                        .isIn(403, 409);
        }
        assertThat(ana.get("/api/floor").status()).isEqualTo(403);
        assertThat(ana.get("/api/terms/" + nadia.term() + "/practicals").status())
                .isEqualTo(403);
    }

    /** What a class looks at names no student and no mark, whatever is being graded meanwhile. */
    @Test
    void a_class_screen_shows_no_marks(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        nadia.practical("Lena Brook", "calves");
        var shown = nadia.post("/api/sequences/calves/demonstrations", "{}").json();
        var screen =
                Visitor.at(app.url()).get("/api/screens/" + shown.get("screen").asString());
        assertThat(screen.status()).isEqualTo(200);
        assertThat(screen.text())
                .doesNotContain("Lena", "Brook", "score", "award", "mean", "rating", "competen", "grader");
    }

    @ParameterizedTest
    @CsvSource({"nadia", "olle"})
    void only_the_lead_adds_people_and_chooses_the_profile(String who, App.Running app) {
        var staff = Visitor.as(app.url(), who);
        assertThat(staff.post("/api/people", "{}").status()).isEqualTo(403);
        assertThat(staff.put("/api/school/profile/by-response", "{}").status()).isEqualTo(403);
    }

    @Test
    void a_write_without_the_token_is_refused(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia").withoutToken();
        assertThat(nadia.get("/api/sequences").status()).isEqualTo(200);
        assertThat(nadia.post("/api/sequences/calves/demonstrations", "{}").status())
                .isEqualTo(403);
    }

    @Test
    void staff_of_another_term_see_nothing_of_this_one(App.Running app) {
        var accounts = app.bean(Accounts.class);
        var terms = app.bean(Terms.class);
        var term = terms.add("Spring", "Morning cohort", java.time.LocalDate.of(2026, 1, 5), 15);
        accounts.addTo(term.id(), "Iris Fell", "iris", "regatta-iris", palmtally.server.people.Role.INSTRUCTOR);
        var iris = Visitor.as(app.url(), "iris");
        var nadia = Visitor.as(app.url(), "nadia");
        var line = nadia.all("/api/terms/" + nadia.term() + "/practicals").get(0);
        var practical = line.get("id").asString();
        for (var path : List.of(
                "/api/terms/" + nadia.term() + "/practicals",
                "/api/terms/" + nadia.term() + "/people",
                "/api/terms/" + nadia.term() + "/competency",
                "/api/practicals/" + practical,
                "/api/practicals/" + practical + "/file",
                "/api/competency/students/" + line.get("studentId").asString()))
            assertThat(iris.get(path).status()).as(path).isEqualTo(403);
        assertThat(iris.post("/api/practicals/" + practical + "/events", "{\"events\":[]}")
                        .status())
                .isEqualTo(403);
        assertThat(iris.post("/api/practicals/" + practical + "/rating", "{\"value\":50}")
                        .status())
                .isEqualTo(403);
    }

    @Nested
    class Signing_in {
        @Test
        void wrongly_is_refused_the_same_whether_the_name_is_known_or_not(App.Running app) {
            var visitor = Visitor.at(app.url());
            var known = visitor.post("/api/session", "{\"signIn\":\"olle\",\"password\":\"wrong\"}");
            var unknown = visitor.post("/api/session", "{\"signIn\":\"nobody\",\"password\":\"wrong\"}");
            assertThat(known.status()).isEqualTo(401);
            assertThat(known.text()).isEqualTo(unknown.text());
        }

        @Test
        void wrongly_five_times_has_to_wait(App.Running app) {
            var visitor = Visitor.at(app.url());
            for (int i = 0; i < 5; i++)
                assertThat(visitor.post("/api/session", "{\"signIn\":\"guess\",\"password\":\"" + i + "\"}")
                                .status())
                        .isEqualTo(401);
            assertThat(visitor.post("/api/session", "{\"signIn\":\"Guess\",\"password\":\"6\"}")
                            .code())
                    .isEqualTo("too-many-tries");
        }

        @Test
        void and_out_ends_the_session(App.Running app) {
            var kit = Visitor.as(app.url(), "kit");
            assertThat(kit.delete("/api/session").status()).isEqualTo(200);
            assertThat(kit.get("/api/catalogue").status()).isEqualTo(401);
        }
    }

    @Test
    void a_school_that_has_its_lead_makes_no_second_one_by_the_first_visit(App.Running app) {
        var answer = Visitor.at(app.url())
                .post("/api/setup", "{\"school\":\"S\",\"name\":\"N\",\"signIn\":\"n\",\"password\":\"0123456789\"}");
        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.code()).isEqualTo("already-set-up");
    }

    @Test
    void the_lead_adds_a_student_who_can_sign_in_and_every_fault_comes_at_once(App.Running app) {
        var lead = Visitor.as(app.url(), "lead");
        var bad = lead.post(
                "/api/people",
                "{\"term\":\"" + lead.term()
                        + "\",\"name\":\" \",\"signIn\":\" x\",\"password\":\"short\",\"role\":\"student\"}");
        assertThat(bad.status()).isEqualTo(422);
        assertThat(bad.json().get("faults").size()).isEqualTo(3);
        var good = lead.post(
                "/api/people",
                "{\"term\":\"" + lead.term()
                        + "\",\"name\":\"Žofie 花 O’Neil\",\"signIn\":\"zofie\",\"password\":\"regatta-zofie\",\"role\":\"student\"}");
        assertThat(good.status()).isEqualTo(201);
        assertThat(Visitor.as(app.url(), "zofie").get("/api/session").text()).contains("Žofie 花 O’Neil");
        assertThat(lead.post(
                                "/api/people",
                                "{\"term\":\"" + lead.term()
                                        + "\",\"name\":\"Other\",\"signIn\":\"ZOFIE\",\"password\":\"regatta-other\",\"role\":\"student\"}")
                        .text())
                .contains("is taken");
    }

    @Test
    void passwords_are_kept_as_hashes_only(App.Running app) {
        // Who was erased has none.
        assertThat(
                        app.database()
                                .count(
                                        "select count(*) from account where password not like '{sha384-bcrypt}%' and erased_at is null"))
                .isZero();
        assertThat(app.database().count("select count(*) from account where password <> '' and erased_at is not null"))
                .isZero();
    }

    @Test
    void reading_a_students_record_leaves_a_trace(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var fay = nadia.person("Fay Linden");
        var sql = "select count(*) from audit where subject = '" + fay + "' and what = 'read a student''s page'";
        long before = app.database().count(sql);
        nadia.get("/api/competency/students/" + fay);
        assertThat(app.database().count(sql)).isEqualTo(before + 1);
    }
}

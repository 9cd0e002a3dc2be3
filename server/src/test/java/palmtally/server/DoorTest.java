package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.server.people.Accounts;
import palmtally.server.people.Role;

/** Who is let in, how often they may try, and what strangers cannot hold up. */
@ExtendWith(App.class)
class DoorTest {
    private static int made;

    /** What was tried here holds up no other test. */
    @AfterEach
    void forgetTries(App.Running app) {
        app.database().run("delete from sign_in_try");
    }

    /** Somebody new in the demo's term. */
    private static String somebody(App.Running app, String password) {
        var signIn = "door" + ++made;
        app.bean(Accounts.class)
                .addTo(
                        UUID.fromString(Visitor.as(app.url(), "nadia").term()),
                        "Door " + made,
                        signIn,
                        password,
                        Role.INSTRUCTOR);
        return signIn;
    }

    private static Visitor.Answer tried(Visitor by, String signIn, String password) {
        return by.post("/api/session", "{\"signIn\":\"" + signIn + "\",\"password\":\"" + password + "\"}");
    }

    @Nested
    class Guessing {
        @Test
        void by_many_at_the_same_moment_is_counted_one_after_another(App.Running app) throws Exception {
            var name = somebody(app, "the right words");
            var guessers = Executors.newFixedThreadPool(30);
            var answers = new ArrayList<CompletableFuture<Integer>>();
            for (int i = 0; i < 60; i++) {
                int n = i;
                answers.add(CompletableFuture.supplyAsync(
                        () -> tried(Visitor.at(app.url()), name, "wrong words " + n)
                                .status(),
                        guessers));
            }
            int looked = 0;
            for (var a : answers) {
                int status = a.get();
                assertThat(status).isIn(401, 429, 503);
                if (status == 401) looked++;
            }
            guessers.shutdown();
            assertThat(looked).isBetween(1, 5);
        }

        @ParameterizedTest(name = "{0} and {1} are one name")
        @CsvSource({"İnes,i̇nes", "DOOR,door", "ÅSE,åse", "ﬁona,fiona"})
        void under_two_spellings_of_a_name_is_one_count(String one, String other, App.Running app) {
            var visitor = Visitor.at(app.url());
            for (int i = 0; i < 5; i++)
                assertThat(tried(visitor, i % 2 == 0 ? one : other, "wrong").status())
                        .isEqualTo(401);
            assertThat(tried(visitor, other, "wrong").status()).isEqualTo(429);
            assertThat(tried(visitor, one, "wrong").status()).isEqualTo(429);
        }

        @Test
        void by_a_stranger_does_not_lock_the_owner_out_on_a_device_that_is_known(App.Running app) {
            var name = somebody(app, "the right words");
            var owner = Visitor.at(app.url());
            assertThat(tried(owner, name, "the right words").status()).isEqualTo(200);
            var stranger = Visitor.at(app.url());
            for (int i = 0; i < 6; i++) tried(stranger, name, "wrong words");
            assertThat(tried(stranger, name, "the right words").status()).isEqualTo(429);
            owner.delete("/api/session");
            assertThat(tried(owner, name, "the right words").status()).isEqualTo(200);
        }

        @Test
        void that_has_to_wait_for_its_address_counts_against_no_name(App.Running app) {
            var name = somebody(app, "the right words");
            var stranger = Visitor.at(app.url());
            assertThat(tried(stranger, name, "wrong words").status()).isEqualTo(401);
            app.database().run("update sign_in_try set failed = 210, last = now() where key like 'address %'");
            for (int i = 0; i < 8; i++)
                assertThat(tried(stranger, name, "the right words").status()).isEqualTo(429);
            app.database().run("delete from sign_in_try where key like 'address %'");
            assertThat(app.database().count("select max(failed) from sign_in_try"))
                    .isEqualTo(1);
            assertThat(tried(stranger, name, "the right words").status()).isEqualTo(200);
        }

        @Test
        void is_known_to_every_server_of_the_school(App.Running app) {
            var name = somebody(app, "the right words");
            var visitor = Visitor.at(app.url());
            for (int i = 0; i < 5; i++) tried(visitor, name, "wrong words");
            assertThat(app.database().count("select failed from sign_in_try where key like 'pair " + name + " %'"))
                    .isEqualTo(5);
        }

        @Test
        void is_not_helped_by_a_header_that_names_another_address(App.Running app) throws Exception {
            var name = somebody(app, "the right words");
            var client = HttpClient.newBuilder()
                    .cookieHandler(new java.net.CookieManager())
                    .build();
            var session = HttpRequest.newBuilder(URI.create(app.url() + "/api/session"))
                    .build();
            client.send(session, HttpResponse.BodyHandlers.ofString());
            var token = ((java.net.CookieManager) client.cookieHandler().orElseThrow())
                    .getCookieStore().getCookies().stream()
                            .filter(c -> c.getName().equals("XSRF-TOKEN"))
                            .findFirst()
                            .orElseThrow()
                            .getValue();
            int last = 0;
            for (int i = 0; i < 7; i++)
                last = client.send(
                                HttpRequest.newBuilder(URI.create(app.url() + "/api/session"))
                                        .header("Content-Type", "application/json")
                                        .header("X-XSRF-TOKEN", token)
                                        .header("X-Forwarded-For", "10.9.8." + i)
                                        .header("Forwarded", "for=10.9.8." + i)
                                        .POST(HttpRequest.BodyPublishers.ofString(
                                                "{\"signIn\":\"" + name + "\",\"password\":\"wrong words\"}"))
                                        .build(),
                                HttpResponse.BodyHandlers.ofString())
                        .statusCode();
            assertThat(last).isEqualTo(429);
        }
    }

    @Nested
    class A_password {
        @ParameterizedTest(name = "{0}: {1}")
        @CsvSource({
            "aaaaaaaaaa, repeats the same few characters. Maybe take three words",
            "ababababab, repeats the same few characters. Maybe take three words",
            "Qwertyuiop, is one of those that are tried first. Maybe take three words",
            "password1234, is one of those that are tried first. Maybe take three words",
            "short, must be 10 to 200 characters"
        })
        void that_is_tried_first_is_not_taken(String password, String reason, App.Running app) {
            var name = somebody(app, "the right words");
            var visitor = Visitor.as(app.url(), name, "the right words");
            var answer = visitor.post(
                    "/api/session/password", "{\"old\":\"the right words\",\"password\":\"" + password + "\"}");
            assertThat(answer.status()).isEqualTo(422);
            assertThat(answer.json().get("faults").get(0).get("reason").asString())
                    .isEqualTo(reason);
        }

        @Test
        void of_more_than_72_bytes_is_looked_at_to_its_end(App.Running app) {
            var words = "harbour ".repeat(10) + "花 lantern";
            var name = somebody(app, words);
            var visitor = Visitor.at(app.url());
            assertThat(tried(visitor, name, words.replace("lantern", "lanterns"))
                            .status())
                    .isEqualTo(401);
            assertThat(tried(visitor, name, words).status()).isEqualTo(200);
            assertThat(tried(visitor, name, "x".repeat(5000)).status()).isEqualTo(401);
        }

        @Test
        void that_an_earlier_version_kept_is_still_good(App.Running app) {
            var name = somebody(app, "the right words");
            var earlier =
                    new org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder().encode("earlier words");
            app.database()
                    .run("update account set password = '{bcrypt}" + earlier + "' where sign_in = '" + name + "'");
            assertThat(tried(Visitor.at(app.url()), name, "earlier words").status())
                    .isEqualTo(200);
            assertThat(tried(Visitor.at(app.url()), name, "e".repeat(90)).status())
                    .isEqualTo(401);
        }

        @Test
        void of_ones_own_that_is_new_signs_out_everywhere_else(App.Running app) {
            var name = somebody(app, "the right words");
            var here = Visitor.as(app.url(), name, "the right words");
            var elsewhere = Visitor.as(app.url(), name, "the right words");
            assertThat(here.post(
                                    "/api/session/password",
                                    "{\"old\":\"the right words\",\"password\":\"other good words\"}")
                            .status())
                    .isEqualTo(200);
            assertThat(here.get("/api/sequences").status()).isEqualTo(200);
            assertThat(elsewhere.get("/api/sequences").status()).isEqualTo(401);
        }
    }

    @Nested
    class Somebody_who_is_shut_out {
        @Test
        void is_out_at_once_and_in_again_when_they_are_let_in(App.Running app) {
            var name = somebody(app, "the right words");
            var visitor = Visitor.as(app.url(), name, "the right words");
            var id = visitor.get("/api/session").json().get("person").get("id").asString();
            var lead = Visitor.as(app.url(), "lead");
            assertThat(lead.put("/api/people/" + id + "/access", "{\"disabled\":true}")
                            .status())
                    .isEqualTo(200);
            assertThat(visitor.get("/api/sequences").status()).isEqualTo(401);
            assertThat(tried(Visitor.at(app.url()), name, "the right words").status())
                    .isEqualTo(401);
            assertThat(lead.put("/api/people/" + id + "/access", "{\"disabled\":false}")
                            .status())
                    .isEqualTo(200);
            assertThat(tried(Visitor.at(app.url()), name, "the right words").status())
                    .isEqualTo(200);
        }

        @Test
        void by_the_day_is_out_after_it(App.Running app) {
            var name = somebody(app, "the right words");
            var visitor = Visitor.as(app.url(), name, "the right words");
            var id = visitor.get("/api/session").json().get("person").get("id").asString();
            var lead = Visitor.as(app.url(), "lead");
            var today = LocalDate.now(app.bean(Clock.class));
            lead.put("/api/people/" + id + "/access", "{\"expiresOn\":\"" + today + "\"}");
            assertThat(visitor.get("/api/sequences").status()).isEqualTo(200);
            lead.put("/api/people/" + id + "/access", "{\"expiresOn\":\"" + today.minusDays(1) + "\"}");
            assertThat(visitor.get("/api/sequences").status()).isEqualTo(401);
            assertThat(tried(Visitor.at(app.url()), name, "the right words").status())
                    .isEqualTo(401);
        }

        @Test
        void is_never_the_lead_by_their_own_hand_and_nobody_but_the_lead_does_it(App.Running app) {
            var lead = Visitor.as(app.url(), "lead");
            var self = lead.get("/api/session").json().get("person").get("id").asString();
            assertThat(lead.put("/api/people/" + self + "/access", "{\"disabled\":true}")
                            .code())
                    .isEqualTo("oneself");
            assertThat(Visitor.as(app.url(), "nadia")
                            .put("/api/people/" + self + "/access", "{\"disabled\":true}")
                            .status())
                    .isEqualTo(403);
        }
    }

    @Nested
    class A_stream {
        @Test
        void ends_with_the_session_that_opened_it(App.Running app) throws Exception {
            var name = somebody(app, "the right words");
            var visitor = Visitor.as(app.url(), name, "the right words");
            try (var line = visitor.listen("/api/terms/" + visitor.term() + "/competency/live")) {
                assertThat(line.next(10_000)).isNotNull();
                visitor.delete("/api/session");
                assertThat(line.ends()).isTrue();
            }
        }

        @Test
        void of_strangers_leaves_room_for_those_who_teach(App.Running app) throws Exception {
            var nadia = Visitor.as(app.url(), "nadia");
            var shown = nadia.post("/api/sequences/calves/demonstrations", "{}").json();
            var code = shown.get("screen").asString();
            var sockets = new ArrayList<Socket>();
            int refused = 0;
            try {
                for (int i = 0; i < 220; i++) {
                    var socket = new Socket();
                    socket.connect(new InetSocketAddress("localhost", app.port()), 5000);
                    socket.setSoTimeout(10_000);
                    sockets.add(socket);
                    socket.getOutputStream()
                            .write(("GET /api/screens/" + code + "/live HTTP/1.1\r\nHost: localhost\r\n\r\n")
                                    .getBytes(StandardCharsets.US_ASCII));
                    var first = new byte[12];
                    socket.getInputStream().readNBytes(first, 0, 12);
                    if (new String(first, StandardCharsets.US_ASCII).endsWith("503")) refused++;
                }
                assertThat(refused).isBetween(20, 60);
                try (var line = nadia.listen("/api/terms/" + nadia.term() + "/competency/live")) {
                    assertThat(line.next(10_000)).isNotNull();
                }
            } finally {
                for (var socket : sockets) socket.close();
            }
        }
    }

    @Nested
    class A_body_of_a_stranger {
        private String answer(App.Running app, String head, String body) throws IOException {
            try (var socket = new Socket("localhost", app.port())) {
                socket.setSoTimeout(20_000);
                socket.getOutputStream().write((head + "\r\n\r\n" + body).getBytes(StandardCharsets.US_ASCII));
                var first = new byte[12];
                socket.getInputStream().readNBytes(first, 0, 12);
                return new String(first, StandardCharsets.US_ASCII).substring(9);
            }
        }

        private static String head(int length) {
            return "POST /api/session HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\nContent-Length: "
                    + length;
        }

        @Test
        void is_small(App.Running app) throws IOException {
            assertThat(answer(app, head(20_000), "{")).isEqualTo("413");
            assertThat(answer(
                            app,
                            "POST /api/session HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\nTransfer-Encoding: chunked",
                            "5000\r\n" + " ".repeat(0x5000) + "\r\n0\r\n\r\n"))
                    .isEqualTo("413");
        }

        @Test
        void that_comes_slowly_holds_up_nobody_who_teaches(App.Running app) throws Exception {
            var nadia = Visitor.as(app.url(), "nadia");
            var table = nadia.practical("Lena Brook", "calves");
            var sockets = new ArrayList<Socket>();
            try {
                for (int i = 0; i < 220; i++) {
                    var socket = new Socket("localhost", app.port());
                    socket.getOutputStream().write((head(200) + "\r\n\r\n{").getBytes(StandardCharsets.US_ASCII));
                    sockets.add(socket);
                }
                var waits = new ArrayList<Long>();
                for (int i = 0; i < 20; i++) {
                    long began = System.nanoTime();
                    var answer = nadia.post(
                            "/api/practicals/" + table + "/events",
                            "{\"events\":[{\"id\":\"slow" + i
                                    + "\",\"device\":\"d\",\"seq\":" + i
                                    + ",\"atMs\":" + i + ",\"kind\":\"note\",\"data\":{\"text\":\"x\"}}]}");
                    assertThat(answer.status()).isEqualTo(200);
                    waits.add((System.nanoTime() - began) / 1_000_000);
                }
                // Generous for a busy machine: without the guard the first of them waits for twenty seconds and more.
                assertThat(waits).allSatisfy(ms -> assertThat(ms).isLessThan(10_000));
                // Those that were let in are sent away for their slowness, and the door is open again.
                var answers = new TreeSet<String>();
                for (var socket : sockets) {
                    socket.setSoTimeout(20_000);
                    answers.add(new String(socket.getInputStream().readNBytes(12), StandardCharsets.US_ASCII));
                }
                assertThat(answers).containsExactly("HTTP/1.1 408", "HTTP/1.1 503");
            } finally {
                for (var socket : sockets) socket.close();
            }
            var name = somebody(app, "the right words");
            assertThat(tried(Visitor.at(app.url()), name, "the right words").status())
                    .isEqualTo(200);
        }
    }

    @Nested
    class A_handset {
        /** @return the code of one that has said so much already */
        private String said(App.Running app, Visitor grader, String table, int reports) {
            var code = grader.post("/api/practicals/" + table + "/handset", "")
                    .json()
                    .get("code")
                    .asString();
            app.database()
                    .run("insert into event (practical_id, id, device, seq, at_ms, kind, data) select '" + table
                            + "', 'handset-x' || n, 'handset-" + code
                            + "', n, n, 'report', '{\"number\":5,\"source\":\"handset\"}'"
                            + " from generate_series(1, " + reports + ") n");
            return code;
        }

        @Test
        void has_a_small_count_of_its_own_and_the_practical_can_be_finished(App.Running app) {
            var nadia = Visitor.as(app.url(), "nadia");
            var table = nadia.practical("Lena Brook", "calves");
            var code = said(app, nadia, table, 599);
            var stranger = Visitor.at(app.url());
            var say = "/api/handsets/" + code + "/reports";
            assertThat(stranger.post(say, "{\"id\":\"a\",\"seq\":1,\"number\":5}")
                            .status())
                    .isLessThan(300);
            var over = stranger.post(say, "{\"id\":\"b\",\"seq\":2,\"number\":5}");
            assertThat(over.status()).isEqualTo(429);
            assertThat(over.code()).isEqualTo("enough");
            // Even a log that is full takes its end.
            app.database()
                    .run("insert into event (practical_id, id, device, seq, at_ms, kind, data) select '" + table
                            + "', 'full' || n, 'd', n, n, 'note', '{\"text\":\"x\"}' from generate_series(1, 19300) n");
            var note =
                    "{\"events\":[{\"id\":\"n\",\"device\":\"d\",\"seq\":1,\"atMs\":1,\"kind\":\"note\",\"data\":{\"text\":\"x\"}}]}";
            var taps = new ArrayList<String>();
            for (int i = 0; i < 200; i++)
                taps.add("{\"id\":\"t" + i + "\",\"device\":\"d\",\"seq\":" + i
                        + ",\"atMs\":1,\"kind\":\"note\",\"data\":{\"text\":\"x\"}}");
            var full =
                    nadia.post("/api/practicals/" + table + "/events", "{\"events\":[" + String.join(",", taps) + "]}");
            assertThat(full.status()).isEqualTo(422);
            assertThat(full.text()).contains("Finish this practical");
            assertThat(nadia.post("/api/practicals/" + table + "/events", note).status())
                    .isIn(200, 422);
            var end = nadia.post(
                    "/api/practicals/" + table + "/events",
                    "{\"events\":[{\"id\":\"f\",\"device\":\"d\",\"seq\":1,\"atMs\":90000,\"kind\":\"finish\",\"data\":{}}]}");
            assertThat(end.status()).as(end.text()).isEqualTo(200);
            assertThat(end.json().get("finished").asBoolean()).isTrue();
        }

        @Test
        void that_says_much_at_the_same_moment_is_counted_one_after_another(App.Running app) throws Exception {
            var nadia = Visitor.as(app.url(), "nadia");
            var table = nadia.practical("Lena Brook", "calves");
            var code = said(app, nadia, table, 595);
            // No more than have a place at the door.
            var hands = Executors.newFixedThreadPool(8);
            var answers = new ArrayList<CompletableFuture<Integer>>();
            for (int i = 0; i < 40; i++) {
                var said = "{\"id\":\"m" + i + "\",\"seq\":" + i + ",\"number\":5}";
                answers.add(CompletableFuture.supplyAsync(
                        () -> Visitor.at(app.url())
                                .post("/api/handsets/" + code + "/reports", said)
                                .status(),
                        hands));
            }
            int taken = 0;
            for (var a : answers) {
                int status = a.get();
                assertThat(status).isIn(204, 429);
                if (status == 204) taken++;
            }
            hands.shutdown();
            assertThat(taken).isEqualTo(5);
            assertThat(app.database().count("select count(*) from event where practical_id = '" + table + "'"))
                    .isEqualTo(600);
        }
    }

    @Test
    void an_empty_school_belongs_to_whoever_has_the_word_that_was_printed() {
        try (var empty = App.start(TestDatabase.fresh(), false)) {
            var first = "{\"school\":\"S\",\"name\":\"N\",\"signIn\":\"n\",\"password\":\"harbour and lantern\"%s}";
            for (var word : List.of("", ",\"word\":\"\"", ",\"word\":\"guess\"")) {
                var answer = Visitor.at(empty.url()).post("/api/setup", first.formatted(word));
                assertThat(answer.status()).isEqualTo(422);
                assertThat(answer.text()).contains("is not the word that was printed");
            }
            var answer = Visitor.at(empty.url())
                    .post(
                            "/api/setup",
                            first.formatted(
                                    ",\"word\":\" " + App.SET_UP_WORD.toUpperCase(java.util.Locale.ROOT) + "\""));
            assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        }
    }
}

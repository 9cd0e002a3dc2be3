package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Taps as they are written down: once, in order, all of a request or none, however many come together. */
@ExtendWith(App.class)
class EventLogTest {
    private static String event(String id, long seq, long atMs, String more) {
        return "{\"id\":\"" + id + "\",\"device\":\"dev\",\"seq\":" + seq + ",\"atMs\":" + atMs + "," + more + "}";
    }

    private static String report(String id, long seq, long atMs, int number) {
        return event(id, seq, atMs, "\"kind\":\"report\",\"data\":{\"number\":" + number + "}");
    }

    private static Visitor.Answer send(Visitor by, String practical, String... events) {
        return by.post("/api/practicals/" + practical + "/events", "{\"events\":[" + String.join(",", events) + "]}");
    }

    private static JsonNode events(Visitor by, String practical) {
        return by.get("/api/practicals/" + practical).json().get("events");
    }

    @Test
    void what_many_devices_send_at_once_is_stored_once_each(App.Running app) throws Exception {
        var nadia = Visitor.as(app.url(), "nadia");
        var tables = List.of(
                nadia.practical("Ana Quill", "feet"),
                nadia.practical("Bram Oster", "feet"),
                nadia.practical("Cleo Fenn", "feet"));
        var pool = Executors.newFixedThreadPool(12);
        try {
            var work = new ArrayList<Callable<Integer>>();
            // Each tap is sent twice, at the same moment, in no order.
            for (int i = 0; i < 120; i++) {
                int n = i;
                for (int twice = 0; twice < 2; twice++)
                    work.add(() -> send(nadia, tables.get(n % 3), report("e" + n, n, 10L * n, n % 11))
                            .status());
            }
            java.util.Collections.shuffle(work, new java.util.Random(7));
            for (var answer : pool.invokeAll(work)) assertThat(answer.get()).isEqualTo(200);
        } finally {
            pool.shutdown();
        }
        for (var table : tables) {
            var stored = events(nadia, table);
            assertThat(stored.size()).isEqualTo(40);
            long at = -1;
            for (var e : stored) {
                assertThat(e.get("atMs").asLong()).isGreaterThan(at);
                at = e.get("atMs").asLong();
            }
        }
    }

    @Test
    void one_that_differs_leaves_nothing_of_its_request_and_hurts_no_other(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var table = nadia.practical("Dara Moss", "feet");
        assertThat(send(nadia, table, report("a", 1, 100, 3)).status()).isEqualTo(200);
        var refused = send(nadia, table, report("b", 2, 200, 4), report("a", 1, 100, 9));
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.code()).isEqualTo("event-differs");
        assertThat(events(nadia, table)).hasSize(1);
        // The same with another wall time is the same.
        var again = send(
                nadia,
                table,
                "{\"id\":\"a\",\"device\":\"dev\",\"seq\":1,\"atMs\":100,\"wall\":\"2026-01-01T00:00:00Z\",\"kind\":\"report\",\"data\":{\"number\":3}}",
                report("b", 2, 200, 4));
        assertThat(again.status()).isEqualTo(200);
        assertThat(again.json().get("stored").asInt()).isEqualTo(2);
        assertThat(send(nadia, table, report("c", 3, 300, 4), report("c", 3, 300, 5))
                        .status())
                .isEqualTo(409);
    }

    @Test
    void what_cannot_be_meant_is_named_by_its_place(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var table = nadia.practical("Eli Thorne", "feet");
        var answer = send(
                nadia,
                table,
                report("a", 1, 100, 3),
                event("b", 2, 200, "\"kind\":\"step-start\",\"data\":{\"step\":\"nope\"}"),
                event("c", 3, 300, "\"kind\":\"undo\",\"data\":{\"ref\":\"nothing\"}"));
        assertThat(answer.status()).isEqualTo(422);
        var fields = new HashSet<String>();
        answer.json().get("faults").forEach(f -> fields.add(f.get("field").asString()));
        assertThat(fields).containsExactlyInAnyOrder("events/1/data/step", "events/2/data/ref");
        assertThat(events(nadia, table)).isEmpty();
        var nul = send(nadia, table, event("d", 4, 400, "\"kind\":\"note\",\"data\":{\"text\":\"a\\u0000b\"}"));
        assertThat(nul.status()).isEqualTo(422);
        // An undo of what was stored by an earlier request is meant.
        assertThat(send(nadia, table, report("a", 1, 100, 3)).status()).isEqualTo(200);
        assertThat(send(nadia, table, event("u", 2, 200, "\"kind\":\"undo\",\"data\":{\"ref\":\"a\"}"))
                        .status())
                .isEqualTo(200);
    }

    @Test
    void a_finish_takes_it_off_the_floor_and_an_undo_puts_it_back(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var table = nadia.practical("Fay Linden", "feet");
        assertThat(nadia.get("/api/floor").text()).contains(table);
        send(nadia, table, report("a", 1, 50, 3));
        var live = nadia.get("/api/practicals/" + table + "/scores").json();
        assertThat(live.get("counted").asInt()).isEqualTo(1);
        for (var scores : List.of(
                live.get("scores"), nadia.get("/api/practicals/" + table).json().get("scores"))) {
            assertThat(scores.get("criteria").get(0).get("observations").asInt())
                    .isEqualTo(1);
            assertThat(scores.get("criteria").get(0).get("enough").asInt()).isEqualTo(8);
            for (var c : scores.get("criteria")) {
                assertThat(c.has("score")).isFalse();
                assertThat(c.get("parts")).isEmpty();
                assertThat(c.get("findings")).isEmpty();
                assertThat(c.get("questions")).isEmpty();
            }
        }
        var finish = send(nadia, table, event("f", 2, 100, "\"kind\":\"finish\",\"data\":{}"));
        assertThat(finish.json().get("finished").asBoolean()).isTrue();
        assertThat(nadia.get("/api/floor").text()).doesNotContain(table);
        // No score before the rating of the whole.
        assertThat(nadia.get("/api/practicals/" + table + "/scores").code()).isEqualTo("not-rated");
        var undone = send(nadia, table, event("u", 3, 200, "\"kind\":\"undo\",\"data\":{\"ref\":\"f\"}"));
        assertThat(undone.json().get("finished").asBoolean()).isFalse();
        assertThat(nadia.get("/api/floor").text()).contains(table);
    }

    @Test
    void what_another_device_wrote_is_news_to_the_grader_of_the_table_alone(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var table = nadia.practical("Gus Harrow", "feet");
        send(nadia, table, report("a", 1, 100, 3));
        long nth = 0;
        for (var n : nadia.get("/api/floor/news").json())
            nth = Math.max(nth, n.get("nth").asLong());
        assertThat(nth).isPositive();
        send(nadia, table, report("b", 2, 200, 8));
        var later = nadia.get("/api/floor/news?after=" + nth).json();
        var ids = new ArrayList<String>();
        for (var n : later)
            if (n.get("practical").asString().equals(table))
                ids.add(n.get("event").get("id").asString());
        assertThat(ids).contains("b");
        assertThat(Visitor.as(app.url(), "olle").get("/api/floor/news").text()).doesNotContain(table);
        assertThat(Visitor.as(app.url(), "olle").get("/api/floor").text()).doesNotContain(table);
        assertThat(Visitor.as(app.url(), "ana").get("/api/floor").status()).isEqualTo(403);
        assertThat(Visitor.as(app.url(), "ana")
                        .get("/api/practicals/" + table + "/scores")
                        .status())
                .isEqualTo(403);
    }
}

package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.formats.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Nothing that is not whole gets in, each fault is named, and what is damaged in the database takes nothing else down. */
@ExtendWith(App.class)
class WholeBodyTest {
    private App.Running app;
    private Visitor nadia;
    private Visitor lead;

    @BeforeEach
    void signIn(App.Running running) {
        app = running;
        nadia = Visitor.as(app.url(), "nadia");
        lead = Visitor.as(app.url(), "lead");
    }

    private static List<String> fields(Visitor.Answer answer) {
        assertThat(answer.status()).as(answer.text()).isEqualTo(422);
        assertThat(answer.code()).isEqualTo("invalid");
        var fields = new ArrayList<String>();
        for (var f : answer.json().get("faults"))
            fields.add(f.get("field").asString() + " " + f.get("reason").asString());
        return fields;
    }

    private ObjectNode sequence(String id) {
        var made = nadia.post(
                "/api/sequences",
                "{\"name\":\"" + id + "\",\"region\":\"neck\",\"zones\":[\"neck-back\"],\"slotSeconds\":900}");
        assertThat(made.status()).as(made.text()).isEqualTo(201);
        return (ObjectNode) made.json().get("sequence");
    }

    private static ArrayNode steps(ObjectNode sequence) {
        return (ArrayNode) sequence.get("blocks").get(0).get("steps");
    }

    private void everyListIsThere() {
        for (var list : List.of(
                "/api/sequences",
                "/api/profiles",
                "/api/techniques",
                "/api/catalogue",
                "/api/floor",
                "/api/terms/" + nadia.term() + "/curriculum",
                "/api/terms/" + nadia.term() + "/watch",
                "/api/terms/" + nadia.term() + "/practicals",
                "/api/demonstrations/lessons"))
            assertThat(nadia.get(list).status()).as(list).isEqualTo(200);
    }

    @Test
    void a_sequence_without_a_part_is_refused_with_every_part_that_is_missing_and_nothing_is_stored() {
        var sequence = sequence("Whole a");
        var id = sequence.get("id").asString();
        ((ObjectNode) steps(sequence).get(0)).remove("side");
        ((ObjectNode) steps(sequence).get(0)).putNull("sheet");
        ((ObjectNode) sequence.get("blocks").get(0)).remove("repeat");
        var edit = Json.MAPPER.createObjectNode().put("from", 1);
        edit.set("sequence", sequence);
        var answer = nadia.put("/api/sequences/" + id, edit.toString());
        assertThat(fields(answer))
                .containsExactlyInAnyOrder(
                        "sequence/blocks/0/repeat is missing",
                        "sequence/blocks/0/steps/0/side is missing",
                        "sequence/blocks/0/steps/0/sheet is missing");
        assertThat(nadia.get("/api/sequences/" + id).json().get("version").asInt())
                .isEqualTo(1);
        everyListIsThere();
    }

    @ParameterizedTest(name = "a step without {0}")
    @CsvSource({"tool", "dose", "zones", "technique", "say", "phase", "position", "before", "care"})
    void a_draft_without_a_part_is_refused(String field) {
        var sequence = sequence("Whole draft " + field);
        ((ObjectNode) steps(sequence).get(0)).remove(field);
        var draft = Json.MAPPER.createObjectNode();
        draft.set("sequence", sequence);
        for (var path : List.of("check", "fit", "mend", "template"))
            assertThat(fields(nadia.post("/api/drafts/" + path, draft.toString())))
                    .as(path)
                    .contains("sequence/blocks/0/steps/0/" + field + " is missing");
    }

    @Test
    void a_draft_whose_block_does_not_say_how_often_is_answered_at_once() {
        var sequence = sequence("Whole loop");
        ((ObjectNode) sequence.get("blocks").get(0)).remove("repeat");
        var draft = Json.MAPPER.createObjectNode();
        draft.set("sequence", sequence);
        assertThat(fields(nadia.post("/api/drafts/check", draft.toString())))
                .containsExactly("sequence/blocks/0/repeat is missing");
    }

    @ParameterizedTest(name = "a lesson without {0}")
    @CsvSource({"region", "aim", "note", "steps", "id", "week"})
    void a_plan_of_a_term_without_a_part_is_refused(String field) {
        var term = "/api/terms/" + nadia.term() + "/curriculum";
        var now = lead.get(term).json();
        var plan = (ObjectNode) now.get("curriculum").deepCopy();
        ((ObjectNode) plan.get("lessons").get(0)).remove(field);
        var edit = Json.MAPPER.createObjectNode().put("from", now.get("version").asInt());
        edit.set("curriculum", plan);
        assertThat(fields(lead.put(term, edit.toString())))
                .containsExactly("curriculum/lessons/0/" + field + " is missing");
        assertThat(lead.get(term).json().get("version").asInt())
                .isEqualTo(now.get("version").asInt());
    }

    @Test
    void a_null_in_a_list_is_named_by_its_place() {
        var practical = nadia.practical("Lena Brook", "calves");
        assertThat(fields(nadia.post("/api/practicals/" + practical + "/events", "{\"events\":[null]}")))
                .containsExactly("events/0 is missing");
        assertThat(fields(lead.put("/api/school/terms/" + nadia.term() + "/duties", "{\"duties\":[null]}")))
                .containsExactly("duties/0 is missing");
        assertThat(fields(nadia.post(
                        "/api/sequences", "{\"name\":\"x\",\"region\":\"neck\",\"zones\":[null],\"slotSeconds\":900}")))
                .containsExactly("zones/0 is missing");
        assertThat(fields(nadia.post(
                        "/api/practicals",
                        "{\"term\":\"" + nadia.term() + "\",\"student\":\"" + nadia.person("Lena Brook")
                                + "\",\"sequence\":\"calves\",\"today\":[null]}")))
                .containsExactly("today/0 is missing");
        assertThat(fields(nadia.put("/api/techniques/effleurage", "{\"from\":0,\"aliases\":[null]}")))
                .containsExactly("aliases/0 is missing");
        assertThat(fields(lead.put("/api/school/profiles/by-seconds", "{\"severities\":{\"order-warm\":null}}")))
                .isNotEmpty();
        assertThat(fields(nadia.post("/api/practicals/" + practical + "/events", "null")))
                .containsExactly(" is missing");
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "a number above 2^63    | {\"events\":[{\"id\":\"a\",\"device\":\"d\",\"seq\":9223372036854775808,\"atMs\":1,\"kind\":\"note\",\"data\":{\"text\":\"a\"}}]} | events/0/seq must be at most 9223372036854775807",
                "half a number          | {\"events\":[{\"id\":\"a\",\"device\":\"d\",\"seq\":1.5,\"atMs\":1,\"kind\":\"note\",\"data\":{\"text\":\"a\"}}]} | events/0/seq must be a whole number",
                "a null character       | {\"events\":[{\"id\":\"a\\u0000\",\"device\":\"d\",\"seq\":1,\"atMs\":1,\"kind\":\"note\",\"data\":{\"text\":\"a\"}}]} | events/0/id must not hold a null character",
                "half a character       | {\"events\":[{\"id\":\"a\\ud800\",\"device\":\"d\",\"seq\":1,\"atMs\":1,\"kind\":\"note\",\"data\":{\"text\":\"a\"}}]} | events/0/id holds half of a character. Maybe it was cut in the middle of one",
                "a kind nobody knows    | {\"events\":[{\"id\":\"a\",\"device\":\"d\",\"seq\":1,\"atMs\":1,\"kind\":\"nope\",\"data\":{}}]} | events/0/kind is none of the",
                "a moment out of time   | {\"events\":[{\"id\":\"a\",\"device\":\"d\",\"seq\":1,\"atMs\":1,\"kind\":\"note\",\"wall\":\"+99999-01-01T00:00:00Z\",\"data\":{\"text\":\"a\"}}]} | events/0/wall must be a moment such as 2026-09-28T18:30:00Z, from 1900 to 2999",
                "what another kind has  | {\"events\":[{\"id\":\"a\",\"device\":\"d\",\"seq\":1,\"atMs\":1,\"kind\":\"report\",\"data\":{\"number\":3,\"step\":\"a\"}}]} | events/0/data/step does not belong to report",
                "nothing of its kind    | {\"events\":[{\"id\":\"a\",\"device\":\"d\",\"seq\":1,\"atMs\":1,\"kind\":\"report\"}]} | events/0/data/number is missing: report needs it",
                "out of its bounds      | {\"events\":[{\"id\":\"a\",\"device\":\"d\",\"seq\":1,\"atMs\":1,\"kind\":\"report\",\"data\":{\"number\":11}}]} | events/0/data/number must be 0 to 10",
                "no list                | {\"events\":{}} | events must be a list",
                "no event               | {\"events\":[3]} | events/0 must be an object"
            })
    void what_no_database_keeps_is_refused_before_it(String what, String body, String fault) {
        var practical = nadia.practical("Lena Brook", "calves");
        var answer = nadia.post("/api/practicals/" + practical + "/events", body);
        assertThat(fields(answer)).hasSize(1);
        assertThat(fields(answer).get(0)).startsWith(fault);
    }

    @Test
    void days_nobody_can_mean_and_texts_in_an_address_are_no_fault_of_the_database() {
        assertThat(fields(lead.post(
                        "/api/school/terms",
                        "{\"name\":\"Far\",\"cohort\":\"Far\",\"startsOn\":\"+999999999-01-01\",\"weeks\":15}")))
                .containsExactly("startsOn must be a day such as 2026-09-28, from 1900 to 2999");
        for (var path :
                List.of("/api/sequences/%00", "/api/screens/%00", "/api/handsets/%00", "/api/sequences/%ED%A0%80"))
            assertThat(nadia.get(path).status()).as(path).isBetween(400, 499);
        var nowhere = "/api/terms/00000000-0000-0000-0000-000000000000/";
        for (var path : List.of("practicals", "curriculum", "watch", "people", "cohort", "archive", "steps"))
            assertThat(lead.get(nowhere + path).status()).as(path).isEqualTo(404);
    }

    @Test
    void a_damaged_version_takes_down_no_list_and_the_one_before_it_is_shown() {
        var sequence = sequence("Whole damaged");
        var id = sequence.get("id").asString();
        var damaged = sequence.deepCopy();
        ((ObjectNode) steps(damaged).get(0)).remove("side");
        store(id, 2, damaged);
        everyListIsThere();
        var line = line(id);
        assertThat(line.get("version").asInt()).isEqualTo(1);
        assertThat(line.get("damaged").asString())
                .isEqualTo("Version 2 cannot be read (/sequence/blocks/0/steps/0/side is missing)."
                        + " This is version 1; what is saved from it becomes the newest.");
        var shown = nadia.get("/api/sequences/" + id).json();
        assertThat(shown.get("version").asInt()).isEqualTo(1);
        assertThat(shown.get("damaged").asString()).startsWith("Version 2 cannot be read");
        assertThat(shown.get("history").get("lines")).hasSize(2);
        assertThat(nadia.get("/api/sequences/" + id + "/versions/2").code()).isEqualTo("unreadable");
        // Going back to it makes a version that is the newest again.
        var back = nadia.post("/api/sequences/" + id + "/restore", "{\"from\":1,\"version\":1}");
        assertThat(back.status()).as(back.text()).isEqualTo(200);
        assertThat(back.json().get("version").asInt()).isEqualTo(3);
        assertThat(line(id).has("damaged")).isFalse();
    }

    @Test
    void a_sequence_of_which_nothing_can_be_read_is_listed_as_that() {
        var sequence = sequence("Whole lost");
        var id = sequence.get("id").asString();
        app.database()
                .run("update document_version set body = '{\"id\":\"" + id + "\"}' where document = '" + id + "'");
        everyListIsThere();
        assertThat(line(id).get("damaged").asString()).startsWith("No version of it can be read: ");
        assertThat(line(id).get("name").asString()).isEqualTo("Whole lost");
        assertThat(nadia.get("/api/sequences/" + id).status()).isEqualTo(409);
        assertThat(nadia.get("/api/sequences/" + id).code()).isEqualTo("unreadable");
        // A file of it makes it whole.
        var file = "{\"format\":\"palm-tally/sequence\",\"version\":1,\"sequence\":" + sequence + "}";
        assertThat(nadia.post("/api/sequences/file", file).status()).isEqualTo(201);
        assertThat(line(id).has("damaged")).isFalse();
        assertThat(line(id).get("version").asInt()).isEqualTo(2);
    }

    @Test
    void a_damaged_plan_of_a_term_is_the_one_before_it() {
        var term = nadia.term();
        var path = "/api/terms/" + term + "/curriculum";
        var before = lead.get(path).json();
        int version = before.get("version").asInt();
        app.database()
                .run(
                        "insert into document_version (id, kind, document, number, name, region, what, body) values (gen_random_uuid(), 'curriculum', '"
                                + term + "', " + (version + 1) + ", 'x', '', 'x', '{\"lessons\":[{}]}')");
        everyListIsThere();
        var shown = lead.get(path).json();
        assertThat(shown.get("curriculum")).isEqualTo(before.get("curriculum"));
        assertThat(shown.get("damaged").asString()).startsWith("Version " + (version + 1) + " cannot be read");
        var edit =
                Json.MAPPER.createObjectNode().put("from", shown.get("version").asInt());
        edit.set("curriculum", shown.get("curriculum"));
        var saved = lead.put(path, edit.toString());
        assertThat(saved.status()).as(saved.text()).isEqualTo(200);
        assertThat(saved.json().has("damaged")).isFalse();
        assertThat(saved.json().get("version").asInt()).isEqualTo(version + 2);
    }

    @Test
    void a_damaged_technique_or_profile_is_the_one_before_it() {
        app.database()
                .run(
                        "insert into document_version (id, kind, document, number, name, region, what, body)"
                                + " values (gen_random_uuid(), 'technique', 'effleurage', 900, 'x', '', 'x', '{\"id\":\"effleurage\"}')");
        app.database()
                .run(
                        "insert into document_version (id, kind, document, number, name, region, what, body)"
                                + " values (gen_random_uuid(), 'profile', 'by-response', 900, 'x', '', 'x', '{\"id\":\"by-response\"}')");
        everyListIsThere();
        var names = new ArrayList<String>();
        for (var p : nadia.get("/api/profiles").json())
            names.add(p.get("profile").get("id").asString());
        assertThat(names).contains("by-seconds");
        app.database().run("delete from document_version where number = 900");
    }

    private void store(String id, int version, JsonNode body) {
        app.database()
                .run("insert into document_version (id, kind, document, number, name, region, what, body)"
                        + " select gen_random_uuid(), kind, document, " + version
                        + ", name, region, 'damaged', '"
                        + body.toString().replace("'", "''") + "' from document_version where document = '" + id
                        + "' and number = 1");
    }

    private JsonNode line(String id) {
        for (var l : nadia.get("/api/sequences").json())
            if (l.get("id").asString().equals(id)) return l;
        throw new AssertionError(id + " is not in the list");
    }
}

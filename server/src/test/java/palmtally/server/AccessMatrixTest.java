package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Supplier;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import palmtally.formats.Json;
import palmtally.server.people.Accounts;
import palmtally.server.people.Role;
import palmtally.server.people.Substitutes;
import palmtally.server.people.Terms;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;

/**
 * Who reaches what: every endpoint × everybody there is × the state of what it is about, by HTTP. What is expected stands in {@code
 * access-matrix.txt}, a line a case: {@code +} is let through to what the endpoint itself says, {@code -} is 403, {@code 0} is 401,
 * {@code a} is refused as the term is in the archive.
 */
class AccessMatrixTest {
    private static final Path EXPECTED = Path.of("src/test/resources/access-matrix.txt");
    private static final String WORD = "a-long-password";
    /** Whose sign-in is changed. */
    private static final String SPARE = "Kit Sorrel";

    private static final String NOBODY = UUID.randomUUID().toString();

    /** They end the session of whoever calls them, or begin one. */
    private static final List<String> DOOR = List.of("POST /api/session", "DELETE /api/session", "POST /api/setup");

    private static App.Running app;
    private static Visitor nadia;
    private static Visitor lead;
    private static String here;
    private static String over;
    private static String ana;
    private static String duties;
    private static String plan;
    private static String planFile;
    private static final Map<String, Visitor> PEOPLE = new LinkedHashMap<>();

    @BeforeAll
    static void begin() {
        app = App.start(TestDatabase.fresh(), true);
        var accounts = app.bean(Accounts.class);
        var terms = app.bean(Terms.class);
        nadia = Visitor.as(app.url(), "nadia");
        lead = Visitor.as(app.url(), "lead");
        here = nadia.term();
        ana = nadia.person("Ana Quill");
        duties = lead.get("/api/terms/" + here + "/duties").text();
        plan = nadia.get("/api/terms/" + here + "/curriculum")
                .json()
                .get("curriculum")
                .toString();
        // Without its sequences, which are there: students send less than those.
        var file = nadia.get("/api/terms/" + here + "/curriculum/file").json();
        ((ArrayNode) file.get("sequences")).removeAll();
        planFile = file.toString();
        var away = terms.add("Away", "Away", LocalDate.now(app.clock()), 15).id();
        accounts.addTo(away, "Ivo Away", "ivo", WORD, Role.INSTRUCTOR);
        accounts.addTo(away, "Greta Away", "greta", WORD, Role.GRADER);
        accounts.addTo(UUID.fromString(here), "Lew Gone", "lew", WORD, Role.STUDENT);
        terms.leave(UUID.fromString(here), UUID.fromString(nadia.person("Lew Gone")));
        accounts.addTo(away, "Sten Away", "sten", WORD, Role.INSTRUCTOR);
        var today = LocalDate.now(app.clock());
        var of = accounts.standing(UUID.fromString(
                        lead.get("/api/session").json().get("person").get("id").asString()))
                .orElseThrow();
        var sten = terms.people(away).stream()
                .filter(p -> p.name().startsWith("Sten"))
                .findFirst()
                .orElseThrow();
        app.bean(Substitutes.class).set(of, UUID.fromString(here), 3, 1, today, sten.id());
        var archived = terms.add("Over", "Over", LocalDate.now(app.clock()), 15).id();
        over = archived.toString();
        for (var p : List.copyOf(terms.people(UUID.fromString(here)))) terms.enrol(archived, p.id());
        PEOPLE.put("stranger", Visitor.at(app.url()));
        PEOPLE.put("student left", Visitor.as(app.url(), "lew", WORD));
        PEOPLE.put("other student", Visitor.as(app.url(), "bram"));
        PEOPLE.put("own student", Visitor.as(app.url(), "ana"));
        PEOPLE.put("grader", Visitor.as(app.url(), "olle"));
        PEOPLE.put("grader elsewhere", Visitor.as(app.url(), "greta", WORD));
        PEOPLE.put("instructor", nadia);
        PEOPLE.put("instructor elsewhere", Visitor.as(app.url(), "ivo", WORD));
        PEOPLE.put("substitute today", Visitor.as(app.url(), "sten", WORD));
        PEOPLE.put("lead", lead);
    }

    @AfterAll
    static void end() {
        app.close();
    }

    @Test
    void everybody_reaches_what_the_table_says_and_nothing_else() throws IOException {
        var made = new ArrayList<String>();
        var ids = ids();
        for (var endpoint : app.endpoints()) {
            if (DOOR.contains(endpoint)) continue;
            var path = endpoint.substring(endpoint.indexOf(' ') + 1);
            if (path.startsWith("/api/practicals/{id}"))
                for (var of : List.of("calves held", "calves released", "neck held", "neck released"))
                    made.add(line(endpoint, of, () -> with(path, Map.of("id", practical(here, of)))));
            else made.add(line(endpoint, "", () -> with(path, ids)));
        }
        // The term goes into the archive: what is about it is read and not written.
        var practicals = new HashMap<String, String>();
        for (var endpoint : app.endpoints())
            if (endpoint.contains("/api/practicals/{id}")) practicals.put(endpoint, practical(over, "calves released"));
        app.bean(Terms.class).archive(UUID.fromString(over), true);
        for (var endpoint : app.endpoints()) {
            var path = endpoint.substring(endpoint.indexOf(' ') + 1);
            if (practicals.containsKey(endpoint))
                made.add(line(endpoint, "archived", () -> with(path, Map.of("id", practicals.get(endpoint)))));
            else if (path.contains("{term}")) {
                var there = new HashMap<>(ids);
                there.put("term", over);
                made.add(line(endpoint, "archived", () -> with(path, there)));
            }
        }
        made.sort(null);
        var head = "# " + String.join(", ", PEOPLE.keySet());
        var text = head + "\n" + String.join("\n", made) + "\n";
        if (System.getenv("PALM_WRITE_MATRIX") != null) Files.writeString(EXPECTED, text);
        assertThat(text.lines()).containsExactlyElementsOf(Files.readAllLines(EXPECTED));
    }

    /** What the paths name, all of the demo's own term and of Ana where they are about a student. */
    private static Map<String, String> ids() {
        var ids = new HashMap<String, String>();
        ids.put("term", here);
        ids.put("student", ana);
        ids.put("person", ana);
        ids.put("sequence", "calves");
        ids.put("version", "1");
        ids.put("week", "1");
        ids.put("lab", "1");
        ids.put("index", "1");
        ids.put("kind", "students");
        ids.put("item", NOBODY);
        for (var random : List.of("account", "note", "step", "entry", "plan", "day", "sitting"))
            ids.put(random, NOBODY);
        return ids;
    }

    private static String with(String path, Map<String, String> ids) {
        // Of a practical's plan there must be such a step.
        var filled = path.startsWith("/api/practicals") ? path.replace("{step}", "thigh-glide") : path;
        for (var id : ids.entrySet()) filled = filled.replace("{" + id.getKey() + "}", id.getValue());
        return filled.replace("{id}", idFor(path)).replace("{code}", codeFor(path));
    }

    private static String idFor(String path) {
        if (path.startsWith("/api/sequences")) return "calves";
        if (path.startsWith("/api/techniques"))
            return nadia.get("/api/techniques")
                    .json()
                    .get(0)
                    .get("technique")
                    .get("id")
                    .asString();
        if (path.startsWith("/api/profiles") || path.startsWith("/api/school/profile")) return "by-seconds";
        if (path.startsWith("/api/demonstrations"))
            return nadia.post("/api/sequences/calves/demonstrations", "{}")
                    .json()
                    .get("id")
                    .asString();
        if (path.startsWith("/api/people")) return nadia.person(SPARE);
        if (path.startsWith("/api/statements"))
            return must(nadia.post("/api/terms/" + here + "/statements/" + ana, ""))
                    .get("id")
                    .asString();
        if (path.startsWith("/api/second-looks"))
            return must(PEOPLE.get("own student")
                            .post(
                                    "/api/practicals/" + practical(here, "calves released") + "/second-looks",
                                    "{\"reason\":\"a test\"}"))
                    .get("looks")
                    .get(0)
                    .get("id")
                    .asString();
        if (path.startsWith("/api/practice-runs"))
            return must(lead.post(
                            "/api/practicals/" + practical(here, "calves released") + "/practice-run",
                            "{\"title\":\"a test\"}"))
                    .get("runs")
                    .get(0)
                    .get("id")
                    .asString();
        if (path.startsWith("/api/incidents")) {
            var id = begun(here, "calves");
            must(
                    nadia.post(
                            "/api/practicals/" + id + "/events",
                            "{\"events\":[{\"id\":\"s\",\"device\":\"d\",\"seq\":1,\"atMs\":5000,\"kind\":\"safety-stop\",\"data\":{}}]}"));
            return must(nadia.post(
                            "/api/practicals/" + id + "/incidents",
                            "{\"atMs\":5000,\"named\":[\"" + ana + "\",\"" + nadia.person("Olle Strand") + "\"]}"))
                    .get("id")
                    .asString();
        }
        if (path.startsWith("/api/earlier-marks"))
            return must(nadia.post("/api/terms/" + here + "/earlier-marks", marks()))
                    .get("id")
                    .asString();
        if (path.startsWith("/api/rounds"))
            return nadia.post("/api/sequences/hip/rounds", "{\"minutes\":60,\"roles\":2,\"tables\":6}")
                    .json()
                    .get("id")
                    .asString();
        return ana;
    }

    private static int files;

    /** A file of marks that was not taken yet. */
    private static String marks() {
        return "{\"title\":\"Spring\",\"file\":\""
                + Base64.getEncoder()
                        .encodeToString(("name,draping\nAna Quill," + files++ + "\n").getBytes(StandardCharsets.UTF_8))
                + "\"}";
    }

    private static String codeFor(String path) {
        if (path.startsWith("/api/calendar")) return "nobodys";
        if (path.startsWith("/api/handsets")) {
            var id = begun(here, "calves");
            return nadia.post("/api/practicals/" + id + "/handset", "")
                    .json()
                    .get("code")
                    .asString();
        }
        return nadia.post("/api/screens", "").json().get("code").asString();
    }

    /** One that has ended and was awarded, of Ana's. */
    private static String practical(String term, String of) {
        var id = begun(term, of.substring(0, of.indexOf(' ')));
        var path = "/api/practicals/" + id;
        must(
                nadia.post(
                        path + "/events",
                        "{\"events\":[{\"id\":\"f\",\"device\":\"d\",\"seq\":1,\"atMs\":5000,\"kind\":\"finish\",\"data\":{}}]}"));
        must(nadia.post(path + "/rating", "{\"value\":61}"));
        must(nadia.put(
                path + "/award",
                "{\"from\":0,\"award\":{\"criteria\":{\"pressure\":{\"value\":71,\"reason\":\"a test\"}},\"struck\":[],\"confirmed\":[],"
                        + "\"feedback\":\"\",\"released\":" + of.endsWith("released")
                        + ",\"remarks\":[],\"goals\":[]}}"));
        return id;
    }

    private static String begun(String term, String sequence) {
        return must(nadia.post(
                        "/api/practicals",
                        "{\"term\":\"" + term + "\",\"student\":\"" + ana + "\",\"sequence\":\"" + sequence
                                + "\",\"despite\":\"a test\"}"))
                .get("id")
                .asString();
    }

    private static JsonNode must(Visitor.Answer answer) {
        assertThat(answer.status()).as(answer.text()).isIn(200, 201);
        return answer.json();
    }

    /** Whoever may least comes first: what one of them changes must not open or shut a door for the next. */
    private static String line(String endpoint, String of, Supplier<String> path) {
        var method = endpoint.substring(0, endpoint.indexOf(' '));
        var cells = new StringBuilder();
        var at = path.get();
        for (var who : PEOPLE.entrySet()) {
            cells.append(method.equals("GET") ? read(who.getValue(), at) : write(who.getValue(), method, endpoint, at));
        }
        return (endpoint + (of.isEmpty() ? "" : ", " + of)) + ": " + cells;
    }

    private static char read(Visitor who, String path) {
        if (path.endsWith("/live")) return cell(who.status(path), "", path);
        var answer = who.get(path);
        return cell(answer.status(), answer.text(), path);
    }

    private static char write(Visitor who, String method, String endpoint, String path) {
        var answer = switch (method) {
            case "DELETE" -> who.delete(path);
            case "PUT" -> who.put(path, body(endpoint));
            default -> who.post(path, body(endpoint));
        };
        return cell(answer.status(), answer.text(), method + " " + path);
    }

    private static char cell(int status, String text, String what) {
        assertThat(status).as(what + ": " + text).isLessThan(500);
        return switch (status) {
            // A stranger's body is refused before it is read.
            case 401, 413 -> '0';
            case 403 -> '-';
            case 409 -> Json.MAPPER.readTree(text).path("code").asString("").equals("archived") ? 'a' : '+';
            default -> '+';
        };
    }

    /** Whole enough that who it is decides, where the endpoint asks for the body first. */
    private static String body(String endpoint) {
        if (endpoint.contains("/earlier-marks")) return marks();
        if (endpoint.endsWith("/register/{week}/{lab}")) return "{\"minutes\":90,\"parts\":[]}";
        if (endpoint.endsWith("/days") || endpoint.endsWith("/days/{day}"))
            return "{\"heldOn\":\"2026-12-04\",\"from\":540,\"until\":720,\"minutes\":20,\"tables\":2}";
        if (endpoint.endsWith("/calendar/addresses")) return "{\"name\":\"phone\"}";
        if (endpoint.contains("/calendar/incoming"))
            return "{\"from\":900,\"text\":\"BEGIN:VCALENDAR\\r\\nEND:VCALENDAR\\r\\n\"}";
        if (endpoint.endsWith("/second-looks")) return "{\"reason\":\"a test\"}";
        if (endpoint.endsWith("/decision")) return "{\"revision\":900,\"reason\":\"a test\"}";
        if (endpoint.equals("POST /api/incidents/{id}/signature")) return "{\"revision\":900}";
        if (endpoint.endsWith("/practice-run")) return "{\"title\":\"a test\"}";
        if (endpoint.endsWith("/letters/{student}")) return "{\"text\":\"Dear Ana\"}";
        if (endpoint.endsWith("/duty")) return "{\"open\":true}";
        if (endpoint.endsWith("/hold")) return "{\"why\":\"a test\"}";
        if (endpoint.endsWith("/incidents")) return "{\"atMs\":5000}";
        if (endpoint.endsWith("/additions")) return "{\"words\":\"a test\"}";
        if (endpoint.endsWith("/second-look-days")) return "{\"days\":14}";
        if (endpoint.endsWith("/zone")) return "{\"zone\":\"Nowhere/Quay\"}";
        if (endpoint.endsWith("/shown")) return "{\"shown\":true}";
        if (endpoint.endsWith("/withdrawn")) return "{\"withdrawn\":true}";
        if (endpoint.endsWith("/me/agreed")) return "{\"region\":\"abdomen\",\"agreed\":true}";
        if (endpoint.endsWith("/partners")) return "{\"tables\":6}";
        if (endpoint.endsWith("/seats/{week}/{lab}")) return "{\"tables\":[]}";
        if (endpoint.endsWith("/rating")) return "{\"value\":50}";
        if (endpoint.endsWith("/void")) return "{\"reason\":null}";
        if (endpoint.endsWith("/self-marks")) return "{\"marks\":{\"order\":50}}";
        if (endpoint.endsWith("/award"))
            return "{\"from\":900,\"award\":{\"criteria\":{},\"struck\":[],\"confirmed\":[],\"feedback\":\"\",\"released\":true,"
                    + "\"remarks\":[],\"goals\":[]}}";
        if (endpoint.endsWith("/events"))
            return "{\"events\":[{\"id\":\"x\",\"device\":\"d\",\"seq\":9,\"atMs\":5,\"kind\":\"note\",\"data\":{\"text\":\"x\"}}]}";
        if (endpoint.endsWith("/peer-looks")) return "{\"observer\":\"" + NOBODY + "\"}";
        if (endpoint.equals("POST /api/practicals") || endpoint.endsWith("/ready"))
            return "{\"term\":\"" + here + "\",\"student\":\"" + ana + "\",\"sequence\":\"calves\"}";
        if (endpoint.startsWith("POST /api/notes")) return "{\"kind\":\"no-cold\"}";
        if (endpoint.endsWith("/duties")) return "{\"duties\":" + duties + "}";
        if (endpoint.endsWith("/class")) return "{\"text\":\"name\\nSorna Matrix\"}";
        if (endpoint.endsWith("/curriculum")) return "{\"from\":900,\"curriculum\":" + plan + "}";
        if (endpoint.endsWith("/curriculum/incoming"))
            return Json.MAPPER.createObjectNode().put("text", planFile).toString();
        if (endpoint.endsWith("/terms/{term}"))
            return "{\"name\":\"X\",\"cohort\":\"X\",\"startsOn\":\"" + LocalDate.now(app.clock()) + "\",\"weeks\":15}";
        return "{}";
    }
}

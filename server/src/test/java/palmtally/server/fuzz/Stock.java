package palmtally.server.fuzz;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import palmtally.formats.Json;
import palmtally.server.Visitor;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;

/** What there is in a school, for requests that get far: ids by the name they go by, whole documents, files. */
final class Stock {
    /** By the name of a field or of a part of a path; ids of one kind also as {@code sequences/id}. */
    final Map<String, List<String>> names = new HashMap<>();
    /** By the name of their schema. */
    final Map<String, List<JsonNode>> documents = new HashMap<>();
    /** By the path they are sent to. */
    final Map<String, List<String>> files = new HashMap<>();

    /** @param own addresses that the one who asks is at home in, and that nothing may be done to */
    static Stock of(Visitor lead, List<String> own) {
        var stock = new Stock();
        stock.people(lead, own);
        stock.plans(lead);
        stock.practicals(lead);
        stock.days(lead);
        stock.statements(lead);
        stock.marks(lead);
        stock.raised(lead);
        return stock;
    }

    private void name(String field, String value) {
        names.computeIfAbsent(field, k -> new ArrayList<>()).add(value);
    }

    private static String id(JsonNode of) {
        return of.get("id").asString();
    }

    private void people(Visitor lead, List<String> own) {
        var made = lead.post(
                "/api/school/terms",
                "{\"name\":\"Spare\",\"cohort\":\"Nobody\",\"startsOn\":\"2026-09-07\",\"weeks\":10}");
        var term = lead.term();
        for (var t : made.json()) {
            // One that may be closed and put away; the other is asked for more often.
            name(
                    "school/term",
                    t.get("name").asString().equals("Spare") ? id(t) : "00000000-0000-0000-0000-000000000001");
            name("term", id(t));
        }
        for (int i = 0; i < 6; i++) name("term", term);
        name("into", names.get("school/term").get(0));
        for (var p : lead.get("/api/terms/" + term + "/people").json()) {
            boolean student = p.get("role").asString().equals("student");
            boolean mine = own.contains(p.get("name").asString());
            name("person", id(p));
            if (student) for (var as : List.of("student", "partner", "students/id", "competency/id")) name(as, id(p));
            else name("grader", id(p));
            if (student && !mine) for (var as : List.of("account", "people/id", "observer")) name(as, id(p));
        }
        names.get("students/id").remove(0);
        documents.put(
                "Duty",
                List.of(JsonNodeFactory.instance
                        .objectNode()
                        .put("account", names.get("grader").get(0))
                        .put("name", "x")
                        .put("region", "neck")
                        .put("task", "grade")));
    }

    private void plans(Visitor lead) {
        var sequences = new ArrayList<JsonNode>();
        for (var line : lead.get("/api/sequences").json()) {
            var id = id(line);
            name("sequence", id);
            name("sequences/id", id);
            var view = lead.get("/api/sequences/" + id).json();
            sequences.add(view.get("sequence"));
            for (var b : view.get("sequence").get("blocks"))
                for (var s : b.get("steps")) {
                    name("step", id(s));
                    name("asked", id(s));
                    name("after", id(s));
                    name("technique", s.get("technique").asString());
                }
            for (var f : view.get("plan").get("findings"))
                if (f.has("key")) name("key", f.get("key").asString());
            file(
                    "/api/sequences/file",
                    lead.get("/api/sequences/" + id + "/file").text());
            file(
                    "/api/sequences/incoming",
                    lead.get("/api/sequences/" + id + "/steps").text());
        }
        documents.put("Sequence", sequences);
        var term = lead.term();
        documents.put(
                "Curriculum",
                List.of(lead.get("/api/terms/" + term + "/curriculum").json().get("curriculum")));
        file("curriculum", lead.get("/api/terms/" + term + "/curriculum/file").text());
        for (var p : lead.get("/api/profiles").json()) {
            var profile = p.get("profile");
            name("profile", id(profile));
            name("profiles/id", id(profile));
            file(
                    "/api/school/profiles/file",
                    lead.get("/api/profiles/" + id(profile) + "/file").text());
        }
        file("techniques", lead.get("/api/techniques/file").text());
        for (var t : lead.get("/api/techniques").json())
            name("techniques/id", t.get("technique").get("id").asString());
        file("class", "name,sign-in,role\nŽofie Ott,zo.ott,student\nBo Quay,,student\nMaren Hill,maren,grader\n");
    }

    private void practicals(Visitor lead) {
        var term = lead.term();
        var running = lead.practical("Lena Brook", "calves");
        for (int i = 0; i < 5; i++) name("practicals/id", running);
        name(
                "code",
                lead.post("/api/practicals/" + running + "/handset", "")
                        .json()
                        .get("code")
                        .asString());
        var lines = lead.all("/api/terms/" + term + "/practicals");
        for (int i = 0; i < 20; i++) name("practicals/id", id(lines.get(i * (lines.size() - 1) / 20)));
        var full =
                lead.get("/api/practicals/" + id(lines.get(lines.size() - 1))).json();
        var events = new ArrayList<JsonNode>();
        full.get("events").forEach(events::add);
        documents.put("Event", events);
        file("practical", lead.get("/api/practicals/" + id(full) + "/file").text());
        var sequence = names.get("sequence").get(0);
        name(
                "demonstrations/id",
                id(lead.post("/api/sequences/" + sequence + "/demonstrations", "{}")
                        .json()));
        var round = lead.post("/api/sequences/" + sequence + "/rounds", "{\"tables\":6,\"minutes\":20}");
        if (round.json().has("id")) name("rounds/id", id(round.json()));
        name("note", "00000000-0000-0000-0000-000000000001");
        for (var n : lead.post(
                        "/api/notes/" + names.get("student").get(0),
                        "{\"kind\":\"spare\",\"zone\":\"calf\",\"side\":\"left\"}")
                .json()) name("note", id(n));
    }

    private void marks(Visitor lead) {
        var file = Base64.getEncoder()
                .encodeToString("name;date;draping\nAna Quill;3.11.2025;8,5\n".getBytes(StandardCharsets.UTF_8));
        var body = "{\"title\":\"Spring\",\"fileName\":\"spring.csv\",\"file\":\"" + file + "\"}";
        document("MarksFile", body);
        name(
                "earlier-marks/id",
                id(lead.post("/api/terms/" + lead.term() + "/earlier-marks", body)
                        .json()));
    }

    /** What was raised of a practical, and the practice run it became. */
    private void raised(Visitor lead) {
        var sequence = names.get("sequence").get(0);
        var ana = lead.other("ana");
        var id = id(lead.post(
                        "/api/practicals",
                        "{\"term\":\"" + lead.term() + "\",\"student\":\"" + lead.person("Ana Quill")
                                + "\",\"sequence\":\"" + sequence + "\",\"despite\":\"so\"}")
                .json());
        var path = "/api/practicals/" + id;
        lead.post(
                path + "/events",
                "{\"events\":[{\"id\":\"s\",\"device\":\"d\",\"seq\":1,\"atMs\":5000,\"kind\":\"safety-stop\",\"data\":{}},"
                        + "{\"id\":\"f\",\"device\":\"d\",\"seq\":2,\"atMs\":6000,\"kind\":\"finish\",\"data\":{}}]}");
        lead.post(path + "/rating", "{\"value\":61}");
        lead.put(
                path + "/award",
                "{\"from\":0,\"award\":{\"criteria\":{\"order\":{\"value\":61,\"reason\":\"x\"}},\"struck\":[],\"confirmed\":[],"
                        + "\"feedback\":\"\",\"remarks\":[],\"goals\":[],\"released\":true}}");
        name(
                "second-looks/id",
                id(ana.post(path + "/second-looks", "{\"reason\":\"so\"}")
                        .json()
                        .get("looks")
                        .get(0)));
        name(
                "incidents/id",
                id(lead.post(path + "/incidents", "{\"atMs\":5000}").json()));
        name(
                "practice-runs/id",
                id(lead.post(path + "/practice-run", "{\"title\":\"A run\"}")
                        .json()
                        .get("runs")
                        .get(0)));
        name("kind", "body-notes");
        name("item", "2024-11");
        document("Asking", "{\"criterion\":\"order\",\"reason\":\"so\"}");
        document("Deciding", "{\"revision\":1,\"marks\":{\"order\":70},\"reason\":\"so\"}");
        document(
                "IncidentForm",
                "{\"atMs\":5000,\"revision\":1,\"who\":\"a\",\"what\":\"b\",\"done\":\"c\",\"told\":\"d\",\"named\":[]}");
        document("PracticeMarksForm", "{\"marks\":{\"order\":70},\"words\":\"x\"}");
        document("RetentionForm", "{\"months\":{\"trail\":36,\"students\":null}}");
    }

    private void statements(Visitor lead) {
        lead.put("/api/me/initials", "{\"typed\":\"L\"}");
        for (var student : List.of("Ana Quill", "Lena Brook")) {
            var made = lead.post("/api/terms/" + lead.term() + "/statements/" + lead.person(student), "");
            name("statements/id", id(made.json()));
            document("VerifyForm", "{\"code\":\"" + made.json().get("code").asString() + "\"}");
        }
        document("InitialsForm", "{\"typed\":\"L\",\"drawn\":[[0.1,0.2,0.3,0.4]]}");
    }

    /** A practical's day with all that is on it, and one as it is asked for. */
    private void days(Visitor lead) {
        var days = "/api/terms/" + lead.term() + "/days";
        var day = lead.get(days + "/" + id(lead.get(days).json().get(0))).json();
        name("day", id(day));
        var sittings = JsonNodeFactory.instance.arrayNode();
        for (var s : day.get("sittings")) {
            name("sitting", id(s));
            var asked = sittings.addObject();
            asked.set("student", s.get("student").get("id"));
            asked.set("sequence", s.get("sequence"));
        }
        var wish = JsonNodeFactory.instance.objectNode();
        for (var field :
                List.of("heldOn", "from", "until", "tables", "changeOver", "minutes", "breaks", "tablesAGrader"))
            wish.set(field, day.get(field));
        var graders = wish.putArray("graders");
        day.get("staff").forEach(g -> graders.add(g.get("id")));
        documents.put("DayWish", List.of(wish.set("sittings", sittings)));
        document("ZoneForm", "{\"zone\":\"Europe/Berlin\"}", "{\"zone\":\"Asia/Kathmandu\"}");
        document(
                "LabForm",
                "{\"minutes\":90,\"parts\":[{\"kind\":\"supervised-practice\",\"region\":\"neck\",\"minutes\":60}]}");
        var brief = "{\"term\":\"" + lead.term() + "\",\"student\":\"%s\",\"sequence\":\"%s\",\"despite\":\"so\"}";
        document(
                "Brief",
                names.get("student").stream()
                        .map(student ->
                                brief.formatted(student, names.get("sequence").get(0)))
                        .toArray(String[]::new));
        document(
                "TechniqueEdit",
                "{\"from\":0,\"name\":\"Wringing\",\"stroke\":\"petrissage\",\"tool\":\"palm\",\"depth\":2,"
                        + "\"dose\":{\"kind\":\"seconds\",\"seconds\":40.0}}");
        document("ProfileChanges", "{\"numbers\":{\"ceiling-sole\":2}}", "{\"scope\":{\"prenatal\":\"theory-only\"}}");
        file("calendar", lead.get("/api/terms/" + lead.term() + "/calendar").text());
        name("addresses/id", "00000000-0000-0000-0000-000000000001");
        for (var a : lead.post("/api/me/calendar/addresses", "{\"name\":\"phone\"}")
                .json()
                .get("addresses")) name("addresses/id", id(a));
    }

    private void document(String schema, String... texts) {
        documents.put(schema, List.of(texts).stream().map(Json.MAPPER::readTree).toList());
    }

    private void file(String to, String text) {
        files.computeIfAbsent(to, k -> new ArrayList<>()).add(text);
    }
}

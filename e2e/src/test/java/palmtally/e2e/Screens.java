package palmtally.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import palmtally.server.Visitor;

/** Where the screens of the app are: each address with something of the demo school on it. */
final class Screens {
    /** Those of a school that has nobody yet. */
    static final List<String> FIRST = List.of("/setup", "/install");

    /** Those of students, and of whoever is not signed in. */
    static final List<String> OPEN = List.of("/sign-in", "/me", "/peer", "/marks");

    private final Visitor teacher;

    Screens(Visitor teacher) {
        this.teacher = teacher;
    }

    /** Addresses by the name of their picture, those of a teacher; what they show is made on the way. */
    Map<String, String> made() {
        var lines = teacher.all("/api/terms/" + teacher.term() + "/practicals");
        String waiting = "";
        String awarded = "";
        var runs = new ArrayList<String>();
        for (var l : lines) {
            var id = l.get("id").asString();
            if (!l.has("result") && l.get("finished").asBoolean()) waiting = id;
            if (l.has("result") && l.get("result").asString().equals("fail")) awarded = id;
            if (l.has("result") && l.get("student").asString().equals("Gus Harrow")) runs.add(id);
        }
        var screens = new LinkedHashMap<String, String>();
        screens.put("plan", "/plan");
        screens.put("profile", "/school/profile/by-seconds");
        screens.put("sequence", "/plan/calves");
        screens.put("term", "/term");
        screens.put("coverage", "/term#coverage");
        screens.put("techniques", "/techniques#trigger-point");
        screens.put("show-list", "/show");
        screens.put("round-set-up", "/show/rounds?sequence=hip&minutes=60");
        var round = teacher.post("/api/sequences/hip/rounds", "{\"minutes\":60,\"roles\":2,\"tables\":6}")
                .json()
                .get("id")
                .asString();
        teacher.post(
                "/api/rounds/" + round + "/marks", "{\"id\":\"1\",\"what\":\"started\",\"leg\":1,\"atSeconds\":100}");
        screens.put("round", "/show/rounds/" + round);
        // Seven steps in, a minute and a half late in a slot of 17 minutes.
        var showing = teacher.post("/api/sequences/calves/demonstrations", "{\"slotSeconds\":1020}")
                .json();
        var moments = showing.get("shown").get("moments");
        double at = 0;
        for (int i = 0; i < 7; i++) {
            teacher.post(
                    "/api/demonstrations/" + showing.get("id").asString() + "/marks",
                    "{\"id\":\"" + i + "\",\"what\":\"started\",\"index\":" + i + ",\"atSeconds\":" + at + "}");
            at += 15
                    + moments.get(i).get("leadSeconds").asDouble()
                    + moments.get(i).get("classSeconds").asDouble();
        }
        screens.put("show", "/show/" + showing.get("id").asString());
        screens.put("class", "/class/" + showing.get("screen").asString());
        screens.put("grade", "/grade");
        floor();
        screens.put("floor", "/floor");
        screens.put(
                "handset",
                "/client/"
                        + teacher.post("/api/practicals/" + teacher.practical("Tobin Vale", "hip") + "/handset", "")
                                .json()
                                .get("code")
                                .asString());
        screens.put("table", "/grade/" + teacher.practical("Fay Linden", "hip"));
        screens.put("rating", "/review/" + waiting);
        screens.put("review", "/review/" + awarded);
        screens.put("compare", "/compare/" + runs.get(0) + "/" + runs.get(1));
        for (var d : teacher.get("/api/demonstrations").json().get("lines"))
            if (d.get("finished").asBoolean())
                screens.putIfAbsent(
                        "beside-shown",
                        "/compare/" + runs.get(0) + "/shown/" + d.get("id").asString());
        screens.put("incident", "/incidents/" + incident());
        screens.put("practice", "/practice/" + practiceRun(awarded));
        screens.put("track", "/track");
        screens.put("looks", "/track#next");
        screens.put("missed", "/track#steps");
        screens.put("forecast", "/track#forecast");
        screens.put("hours", "/track#hours");
        screens.put("graders", "/track#graders");
        earlierMarks();
        screens.put("beside", "/track#beside");
        screens.put("closing", "/track#closing");
        screens.put("student", "/track/" + teacher.person("Gus Harrow"));
        screens.put("school", "/school");
        screens.put("people", "/school#people");
        screens.put("terms", "/school#terms");
        screens.put("duties", "/school#duties");
        screens.put("bodies", "/school#body");
        screens.put("password", "/school#own");
        // A page with nothing to choose in its address needs no line here.
        var named = screens.values().stream().map(Screens::page).toList();
        for (var route : routes())
            if (!route.contains(":") && !named.contains(route) && !FIRST.contains(route) && !OPEN.contains(route))
                screens.put(route.substring(1).replace('/', '-'), route);
        return screens;
    }

    /** A practical that was stopped twice; the record of the first stop is begun. */
    private String incident() {
        var id = teacher.practical("Eli Thorne", "calves");
        teacher.post(
                "/api/practicals/" + id + "/events",
                "{\"events\":[{\"id\":\"s1\",\"device\":\"d\",\"seq\":1,\"atMs\":40000,\"kind\":\"safety-stop\","
                        + "\"data\":{\"text\":\"cramp in the calf\"}},{\"id\":\"s2\",\"device\":\"d\",\"seq\":2,\"atMs\":400000,"
                        + "\"kind\":\"safety-stop\",\"data\":{\"byClient\":true}}]}");
        return teacher.post(
                        "/api/practicals/" + id + "/incidents",
                        "{\"atMs\":40000,\"who\":\"Eli Thorne, therapist\",\"what\":\"Cramp in the calf.\",\"named\":[\""
                                + teacher.person("Eli Thorne") + "\"]}")
                .json()
                .get("id")
                .asString();
    }

    /** An awarded practical that new graders practise on. */
    private String practiceRun(String practical) {
        return teacher.other("lead")
                .post(
                        "/api/practicals/" + practical + "/practice-run",
                        "{\"title\":\"A run in week nine\",\"words\":\"The client was quiet and then asked for less.\"}")
                .json()
                .get("runs")
                .get(0)
                .get("id")
                .asString();
    }

    /** Marks of before, of four students on another scale, one of whom left. */
    private void earlierMarks() {
        var list = "name;date;region;pressure;order;mechanics;communication;draping;grader\n"
                + "Ana Quill;3.2.2026;Neck;6,5;7;7,5;8;7;N. Vale\nBram Oster;3.2.2026;Neck;6;8;7;7;8;N. Vale\n"
                + "Cleo Fenn;10.2.2026;Neck;7;7;6;8;9;K. Holm\nZoe Gone;10.2.2026;Hip;5;6;7;6;8;K. Holm\n";
        teacher.post(
                "/api/terms/" + teacher.term() + "/earlier-marks",
                "{\"title\":\"Spring\",\"fileName\":\"spring.csv\",\"file\":\""
                        + Base64.getEncoder().encodeToString(list.getBytes(StandardCharsets.UTF_8)) + "\"}");
    }

    /** Five tables, some minutes in. */
    private void floor() {
        var who = List.of("Ana Quill", "Bram Oster", "Cleo Fenn", "Dara Moss", "Eli Thorne");
        for (int t = 0; t < who.size(); t++) {
            var view = teacher.post(
                            "/api/practicals",
                            "{\"term\":\"" + teacher.term() + "\",\"student\":\"" + teacher.person(who.get(t))
                                    + "\",\"partner\":\"" + teacher.person("Kit Sorrel")
                                    + "\",\"sequence\":\"calves\",\"limitSeconds\":1500,\"tableNumber\":" + (t + 2)
                                    + "}")
                    .json();
            var events = new StringBuilder();
            int n = 0;
            for (var span : view.get("spans")) {
                if (n > 4 + t) break;
                long at = Math.round(1000 * span.get("start").asDouble()) + 4000L * t;
                events.append(n > 0 ? "," : "")
                        .append(event(
                                n++,
                                at,
                                "step-start",
                                "\"step\":" + span.get("step") + ",\"side\":" + span.get("side")))
                        .append(",")
                        .append(
                                n % 3 == 0
                                        ? event(n++, at + 9000, "look", "\"faults\":[]")
                                        : n % 3 == 1
                                                ? event(
                                                        n++,
                                                        at + 9000,
                                                        "say",
                                                        "\"saying\":\"pressure-question\",\"style\":\"open\"")
                                                : event(n++, at + 9000, "report", "\"number\":" + (3 + t)));
            }
            teacher.post("/api/practicals/" + view.get("id").asString() + "/events", "{\"events\":[" + events + "]}");
        }
    }

    private static String event(int n, long at, String kind, String data) {
        return "{\"id\":\"e" + n + "\",\"device\":\"d\",\"seq\":" + n + ",\"atMs\":" + at + ",\"kind\":\"" + kind
                + "\",\"data\":{" + data + "}}";
    }

    static String page(String address) {
        return address.replaceAll("[?#].*", "");
    }

    /** Patterns of all addresses that have a page. */
    static List<String> routes() {
        try {
            return Pattern.compile("path: '(/[^']*)'(?!, redirect)")
                    .matcher(Files.readString(Path.of("..", "web", "src", "router.ts")))
                    .results()
                    .map(r -> r.group(1))
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

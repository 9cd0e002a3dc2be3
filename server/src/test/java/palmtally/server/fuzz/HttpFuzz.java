package palmtally.server.fuzz;

import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicLong;
import palmtally.formats.Json;
import palmtally.server.App;
import palmtally.server.Visitor;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Requests out of the API document, half meant and half spoiled, to a school of their own: the same ones for one seed and number. */
final class HttpFuzz {
    private static final Path DOCUMENT = Path.of("..", "docs", "openapi.json");
    private static final int STRANGERS_BYTES = 16 * 1024;
    private static final long SLOW_MS = 5000;

    /** What ends the sessions of those who ask, or makes a backup each time. */
    private static final Set<String> NOT_ASKED = Set.of(
            "DELETE /api/session",
            "POST /api/session/password",
            "POST /api/people/{id}/password",
            "POST /api/school/backups",
            "POST /api/screens");

    /** Asked more seldom: each makes a whole file. */
    private static final Set<String> HEAVY = Set.of("archive", "handout", "report", "sheet", "marks", "students.xlsx");

    /** Parts of a path that are a number. */
    private static final Set<String> NUMBERED = Set.of("version", "week", "lab", "index");

    private static final List<String> WHO = List.of("lead", "nadia", "olle", "ana");

    /** Where a file is sent as it is, or in a field of the body. */
    private static final Map<String, String> FILES = Map.ofEntries(
            Map.entry("POST /api/sequences/file", "/api/sequences/file"),
            Map.entry("POST /api/school/profiles/file", "/api/school/profiles/file"),
            Map.entry("POST /api/terms/{term}/students/{student}/practicals/file", "practical"),
            Map.entry("POST /api/sequences/incoming", "/api/sequences/incoming"),
            Map.entry("POST /api/sequences/incoming/preview", "/api/sequences/incoming"),
            Map.entry("POST /api/techniques/incoming", "techniques"),
            Map.entry("POST /api/techniques/incoming/preview", "techniques"),
            Map.entry("POST /api/school/terms/{term}/class", "class"),
            Map.entry("POST /api/school/terms/{term}/class/preview", "class"),
            Map.entry("POST /api/terms/{term}/calendar/incoming", "calendar"),
            Map.entry("POST /api/terms/{term}/calendar/incoming/preview", "calendar"),
            Map.entry("POST /api/terms/{term}/curriculum/incoming/preview", "curriculum"));

    private record Operation(String verb, String path, JsonNode of) {
        String named() {
            return verb + " " + path;
        }
    }

    private final List<Operation> operations = new ArrayList<>();
    private final JsonNode schemas;
    private final Map<String, Visitor> visitors = new TreeMap<>();
    private final Visitor nobody;
    private final Stock stock;
    private final long seed;
    private final Map<String, Integer> versions = new ConcurrentHashMap<>();

    /** Answers by status, by operation. */
    final Map<String, Map<Integer, Integer>> answers = new ConcurrentHashMap<>();

    /** What should not have been: the number of the request, what it was, what came. */
    final Queue<String> faults = new ConcurrentLinkedQueue<>();

    final AtomicLong slowestMs = new AtomicLong();

    HttpFuzz(App.Running app, long seed) {
        this.seed = seed;
        try {
            var document = Json.MAPPER.readTree(Files.readString(DOCUMENT));
            schemas = document.get("components").get("schemas");
            for (var path : document.get("paths").properties())
                for (var of : path.getValue().properties()) {
                    var operation =
                            new Operation(of.getKey().toUpperCase(java.util.Locale.ROOT), path.getKey(), of.getValue());
                    if (!NOT_ASKED.contains(operation.named())) operations.add(operation);
                }
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        for (var who : WHO) visitors.put(who, Visitor.as(app.url(), who));
        nobody = Visitor.at(app.url());
        stock = Stock.of(lead(), List.of("Ana Quill"));
    }

    private Visitor lead() {
        return visitors.get("lead");
    }

    /** Sends those numbered from one to before another. */
    void run(int from, int to) {
        for (int i = from; i < to; i++) one(i);
    }

    private void one(int number) {
        var random = new Random(seed * 1_000_003L + number);
        for (int i = 0; i < 3; i++) random.nextLong();
        var mangler = new Mangler(random);
        var operation = operations.get(random.nextInt(operations.size()));
        if (HEAVY.stream().anyMatch(operation.path::contains) && random.nextInt(20) > 0)
            operation = operations.get(random.nextInt(operations.size()));
        // What is sent breaks more than what is asked for.
        while (!operation.of.has("requestBody") && random.nextInt(3) > 0)
            operation = operations.get(random.nextInt(operations.size()));
        int w = random.nextInt(20);
        var who = w < 11 ? "lead" : w < 15 ? "nadia" : w < 17 ? "olle" : w < 19 ? "ana" : "nobody";
        var path = path(operation, random, mangler);
        var body = body(operation, path, random, mangler);
        var type = random.nextInt(60) == 0 ? "text/plain" : "application/json";
        Visitor.Answer answer;
        long ms;
        try {
            var visitor = visitors.getOrDefault(who, nobody);
            long began = System.nanoTime();
            answer = visitor.ask(operation.verb, path, body, type);
            ms = since(began);
            // Late once may be the machine, which others use too; what is late is asked again.
            if (ms > SLOW_MS) {
                began = System.nanoTime();
                visitor.ask(operation.verb, path, body, type);
                ms = Math.min(ms, since(began));
            }
        } catch (RuntimeException e) {
            // Of a stranger who sends more than they may nothing more is read, and the line may go before the answer.
            if (!who.equals("nobody") || body == null || body.length <= STRANGERS_BYTES)
                faults.add(number + " " + who + " " + operation.verb + " " + path + ": no answer, " + e.getMessage());
            return;
        }
        slowestMs.accumulateAndGet(ms, Math::max);
        answers.computeIfAbsent(operation.named(), k -> new ConcurrentHashMap<>())
                .merge(answer.status(), 1, Integer::sum);
        var what = number + " " + who + " " + operation.verb + " " + short_(path) + ": " + answer.status();
        if (answer.status() >= 500) faults.add(what + " " + short_(answer.text()));
        else if (ms > SLOW_MS) faults.add(what + " after " + ms + " ms");
        else if (answer.status() >= 400 && !said(answer))
            faults.add(what + " and does not say why: " + short_(answer.text()));
        if (answer.status() < 300) learn(operation, path, answer);
        else if (answer.status() == 409 && answer.text().contains("changed-meanwhile")) ask(path);
    }

    static long since(long began) {
        return (System.nanoTime() - began) / 1_000_000;
    }

    /** A refusal is a problem with words, but for an address that the container itself does not read. */
    private static boolean said(Visitor.Answer answer) {
        if (answer.status() == 400 && answer.text().startsWith("<!doctype html>")) return true;
        try {
            return !Json.MAPPER
                    .readTree(answer.text())
                    .path("detail")
                    .asString("")
                    .isBlank();
        } catch (RuntimeException e) {
            return false;
        }
    }

    private static String short_(String text) {
        return text.length() < 200 ? text : text.substring(0, 200);
    }

    /** Keeps at which version a document is, so that edits get far. */
    private void learn(Operation operation, String path, Visitor.Answer answer) {
        if (operation.verb.equals("GET") || !answer.text().contains("\"version\":")) return;
        try {
            var version = Json.MAPPER.readTree(answer.text()).path("version");
            if (version.isInt()) versions.put(document(path), version.asInt());
        } catch (RuntimeException e) {
            // Not a document.
        }
    }

    private void ask(String path) {
        var document = document(path);
        var now = lead().get(document);
        if (now.status() == 200 && now.json().path("version").isInt())
            versions.put(document, now.json().get("version").asInt());
    }

    /** The address of the document a change goes to. */
    private static String document(String path) {
        // What is read out of a calendar changes the curriculum.
        var of = path.replaceFirst("/calendar/incoming.*", "/curriculum");
        var parts = of.split("[/?]");
        int n = of.contains("/curriculum") ? 5 : 4;
        return String.join("/", List.of(parts).subList(0, Math.min(n, parts.length)));
    }

    private String path(Operation operation, Random random, Mangler mangler) {
        var path = new StringBuilder();
        var parts = operation.path.split("/");
        for (int i = 1; i < parts.length; i++) {
            path.append('/');
            path.append(parts[i].startsWith("{") ? encoded(part(operation, parts, i, random, mangler)) : parts[i]);
        }
        var query = new ArrayList<String>();
        for (var p : operation.of.path("parameters"))
            if (p.get("in").asString().equals("query") && random.nextInt(3) == 0) {
                var name = p.get("name").asString();
                var value = random.nextInt(3) == 0
                        ? mangler.text()
                        : bodies(random, mangler)
                                .of(wrapped(name, p.get("schema")))
                                .path(name)
                                .asString("1");
                query.add(name + "=" + encoded(short_(value)));
            }
        if (!query.isEmpty()) path.append('?').append(String.join("&", query));
        return path.toString();
    }

    private static JsonNode wrapped(String name, JsonNode schema) {
        var object = JsonNodeFactory.instance.objectNode();
        object.putObject("properties").set(name, schema);
        object.putArray("required").add(name);
        return object;
    }

    private String part(Operation operation, String[] parts, int i, Random random, Mangler mangler) {
        var name = parts[i].substring(1, parts[i].length() - 1);
        // The school's own term and people are left whole, so that there is something to ask for.
        boolean hurts = operation.path.startsWith("/api/school/terms")
                || operation.path.endsWith("/closing") && !operation.verb.equals("GET");
        var keys = List.of(name.equals("term") && hurts ? "school/term" : parts[i - 1] + "/" + name, name);
        if (random.nextInt(12) > 0)
            for (var key : keys) {
                var there = stock.names.get(key);
                if (there != null) return there.get(random.nextInt(there.size()));
            }
        if (NUMBERED.contains(name)) return String.valueOf(random.nextInt(12));
        var text = mangler.text();
        return text.isBlank() || text.length() > 200 || hurts ? "none-such" : text;
    }

    private static String encoded(String part) {
        return URLEncoder.encode(part, StandardCharsets.UTF_8).replace("+", "%20");
    }

    private Bodies bodies(Random random, Mangler mangler) {
        return new Bodies(schemas, stock.names, stock.documents, random, mangler);
    }

    private byte[] body(Operation operation, String path, Random random, Mangler mangler) {
        var content = operation.of.path("requestBody").path("content").path("application/json");
        if (content.isMissingNode()) return null;
        var file = stock.files.get(FILES.getOrDefault(operation.named(), ""));
        JsonNode body = null;
        if (file != null) {
            var text = file.get(random.nextInt(file.size()));
            if (text.startsWith("{") && random.nextBoolean())
                text = Mangler.written(mangler.spoiled(Json.MAPPER.readTree(text)));
            else if (random.nextInt(3) > 0) text = mangler.spoiled(text);
            if (content.get("schema").path("type").asString("").equals("string"))
                return text.getBytes(StandardCharsets.UTF_8);
            body = bodies(random, mangler).of(content.get("schema"));
            if (body instanceof ObjectNode object)
                for (var field : List.of("text", "table", "file"))
                    if (schemaHas(content, field)) object.put(field, text);
        } else body = bodies(random, mangler).of(content.get("schema"));
        if (body instanceof ObjectNode object) {
            // Of a day it is the minute it opens.
            boolean version = object.has("from") && !path.contains("/days");
            if (version && random.nextInt(8) > 0)
                object.put("from", versions.computeIfAbsent(document(path), d -> now(d)));
            if (operation.verb.equals("PUT")
                    && object.get("sequence") instanceof ObjectNode sequence
                    && random.nextInt(8) > 0) sequence.put("id", path.split("[/?]")[3]);
        }
        if (random.nextBoolean() && file == null) body = mangler.spoiled(body);
        var text = Mangler.written(body);
        return (random.nextInt(25) == 0 ? mangler.spoiled(text) : text).getBytes(StandardCharsets.UTF_8);
    }

    private boolean schemaHas(JsonNode content, String field) {
        var ref = content.get("schema").path("$ref").asString("");
        return schemas.path(ref.substring(ref.lastIndexOf('/') + 1))
                .path("properties")
                .has(field);
    }

    private int now(String document) {
        var answer = lead().get(document);
        return answer.status() == 200 ? answer.json().path("version").asInt(0) : 0;
    }

    /** What the lead cannot read any more of all that can be listed and opened. */
    List<String> unreadable() {
        var bad = new ArrayList<String>();
        var paths = new ArrayList<String>();
        for (var o : operations)
            if (o.verb.equals("GET")
                    && !o.path.contains("{")
                    && !o.of.toString().contains("\"required\":true")) paths.add(o.path);
        for (var s : lead().get("/api/sequences").json())
            paths.add("/api/sequences/" + encoded(s.get("id").asString()));
        for (var t : lead().get("/api/session").json().get("terms")) {
            var term = "/api/terms/" + t.get("id").asString();
            for (var list : List.of(
                    "people",
                    "curriculum",
                    "competency",
                    "steps",
                    "duties",
                    "graders",
                    "closing",
                    "forecast",
                    "shown",
                    "register",
                    "days",
                    "partners",
                    "calendar")) paths.add(term + "/" + list);
            for (var p : lead().all(term + "/practicals"))
                paths.add("/api/practicals/" + p.get("id").asString());
        }
        for (var path : paths) {
            var answer = lead().get(path);
            // Half of a pair stays shut to the other half's grader until both have awarded.
            if (answer.status() != 200 && !answer.text().contains("Two graders mark this run"))
                bad.add(path + " " + answer.status() + " " + short_(answer.text()));
        }
        return bad;
    }

    /** How many of all answers had a status from one to before another. */
    long answered(int from, int to) {
        return answers.values().stream()
                .flatMap(m -> m.entrySet().stream())
                .filter(e -> e.getKey() >= from && e.getKey() < to)
                .mapToLong(Map.Entry::getValue)
                .sum();
    }

    List<String> neverAsked() {
        return operations.stream()
                .map(Operation::named)
                .filter(o -> !answers.containsKey(o))
                .toList();
    }

    /** What of the heap is in use once nothing more can be thrown away, in MB. */
    static long heap() {
        var memory = java.lang.management.ManagementFactory.getMemoryMXBean();
        memory.gc();
        return memory.getHeapMemoryUsage().getUsed() >> 20;
    }
}

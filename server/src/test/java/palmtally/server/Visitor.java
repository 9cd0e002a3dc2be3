package palmtally.server;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import palmtally.formats.Json;
import tools.jackson.databind.JsonNode;

/** Somebody who speaks to the app over HTTP, with cookies and the token against forged requests. */
public final class Visitor {
    /**
     * What came back.
     *
     * @param rules by which rules the server says that it answers; empty where it does not say
     */
    public record Answer(int status, String text, String rules) {
        public JsonNode json() {
            return Json.MAPPER.readTree(text);
        }

        public String code() {
            return json().path("code").asString("");
        }
    }

    private final String base;
    private final CookieManager cookies;
    private final HttpClient client;
    private boolean withToken = true;

    private Visitor(String base, CookieManager cookies) {
        this.base = base;
        this.cookies = cookies;
        client = HttpClient.newBuilder().cookieHandler(cookies).build();
        get("/api/session");
    }

    /** The same visitor, with the same session, at another server of the school; what becomes of the cookies there is of no matter here. */
    public Visitor elsewhere(String url) {
        var copy = new CookieManager();
        for (var cookie : cookies.getCookieStore().getCookies())
            copy.getCookieStore().add(URI.create(url), cookie);
        return new Visitor(url, copy);
    }

    public static Visitor at(String base) {
        return new Visitor(base, new CookieManager());
    }

    /** Somebody else at the same server. */
    public Visitor other(String name) {
        return as(base, name);
    }

    public static Visitor as(String base, String name) {
        return as(base, name, "regatta-" + name);
    }

    public static Visitor as(String base, String name, String password) {
        var visitor = at(base);
        var answer = visitor.post("/api/session", "{\"signIn\":\"" + name + "\",\"password\":\"" + password + "\"}");
        if (answer.status() != 200) throw new IllegalStateException(answer.text());
        return visitor;
    }

    /** The same visitor, who forgets the token. */
    public Visitor withoutToken() {
        withToken = false;
        return this;
    }

    public Answer get(String path) {
        return send("GET", path, null);
    }

    /** A file as bytes. */
    public byte[] bytes(String path) {
        try {
            var request = HttpRequest.newBuilder(URI.create(base + path)).build();
            return client.send(request, HttpResponse.BodyHandlers.ofByteArray()).body();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** The status alone: what is told may never end. */
    public int status(String path) {
        var request = HttpRequest.newBuilder(URI.create(base + path)).build();
        try {
            var answer = client.send(request, HttpResponse.BodyHandlers.ofInputStream());
            answer.body().close();
            return answer.statusCode();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** Listens to what the server tells. */
    Line listen(String path) {
        return Line.open(client, base + path);
    }

    public Answer post(String path, String body) {
        return send("POST", path, body);
    }

    public Answer put(String path, String body) {
        return send("PUT", path, body);
    }

    public Answer delete(String path) {
        return send("DELETE", path, null);
    }

    private Answer send(String method, String path, String body) {
        return ask(method, path, body == null ? null : body.getBytes(StandardCharsets.UTF_8), "application/json");
    }

    /**
     * Any request at all.
     *
     * @param body null for none
     */
    public Answer ask(String method, String path, byte[] body, String type) {
        return ask(
                method,
                path,
                body == null ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofByteArray(body),
                type);
    }

    /** Any request at all, whose body comes as it may. */
    Answer ask(String method, String path, HttpRequest.BodyPublisher body, String type) {
        var request = HttpRequest.newBuilder(URI.create(base + path))
                .method(method, body)
                .header("Content-Type", type);
        if (withToken)
            cookies.getCookieStore().getCookies().stream()
                    .filter(c -> c.getName().equals("XSRF-TOKEN"))
                    .forEach(c -> request.header("X-XSRF-TOKEN", c.getValue()));
        try {
            var answer = client.send(request.build(), HttpResponse.BodyHandlers.ofString());
            return new Answer(
                    answer.statusCode(),
                    answer.body(),
                    answer.headers().firstValue("X-Palm-Rules").orElse(""));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** Every line of a list that comes page by page. */
    public List<JsonNode> all(String path) {
        var lines = new ArrayList<JsonNode>();
        var next = "";
        while (next != null) {
            var page = get(path + next);
            if (page.status() != 200) throw new IllegalStateException(page.text());
            page.json().get("lines").forEach(lines::add);
            var place = page.json().get("next");
            next = place == null ? null : (path.contains("?") ? "&" : "?") + "before=" + place.asString();
        }
        return lines;
    }

    /** Id of the first term of the one who is signed in. */
    public String term() {
        return get("/api/session").json().get("terms").get(0).get("id").asString();
    }

    /** Id of somebody in the term, by name. */
    public String person(String name) {
        for (var p : get("/api/terms/" + term() + "/people").json())
            if (p.get("name").asString().equals(name)) return p.get("id").asString();
        throw new IllegalArgumentException(name);
    }

    /** A practical that has just been started, gates or not. */
    public String practical(String student, String sequence) {
        var answer = post(
                "/api/practicals",
                "{\"term\":\"" + term() + "\",\"student\":\"" + person(student) + "\",\"sequence\":\"" + sequence
                        + "\",\"despite\":\"a test\"}");
        if (answer.status() != 201) throw new IllegalStateException(answer.text());
        return answer.json().get("id").asString();
    }
}

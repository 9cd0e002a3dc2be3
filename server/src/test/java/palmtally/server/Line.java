package palmtally.server;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import palmtally.formats.Json;
import tools.jackson.databind.JsonNode;

/** A class screen that listens: an open stream of server-sent events, read as the standard says (WHATWG HTML, server-sent events). */
public final class Line implements AutoCloseable {
    /** A state that was told, and when it was here. */
    public record Told(JsonNode state, long nanos) {}

    private final BlockingQueue<Told> told = new LinkedBlockingQueue<>();
    private final CountDownLatch ended = new CountDownLatch(1);
    private final InputStream stream;

    private Line(InputStream stream) {
        this.stream = stream;
        var thread = new Thread(this::read, "line");
        thread.setDaemon(true);
        thread.start();
    }

    /** @throws IllegalStateException with the status where it is not a stream */
    public static Line open(String url, String code) {
        return open(HttpClient.newHttpClient(), url + "/api/screens/" + code + "/live");
    }

    /** @param client with the cookies of whoever listens */
    static Line open(HttpClient client, String address) {
        try {
            var request = HttpRequest.newBuilder(URI.create(address))
                    .header("Accept", "text/event-stream")
                    .build();
            var answer = client.send(request, HttpResponse.BodyHandlers.ofInputStream());
            if (answer.statusCode() != 200) throw new IllegalStateException("status " + answer.statusCode());
            return new Line(answer.body());
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private void read() {
        try (var reader = new BufferedReader(new InputStreamReader(stream, StandardCharsets.UTF_8))) {
            var event = "";
            for (var line = reader.readLine(); line != null; line = reader.readLine())
                if (line.startsWith("event:")) event = line.substring(6).strip();
                else if (line.startsWith("data:") && event.equals("state"))
                    told.add(new Told(Json.MAPPER.readTree(line.substring(5)), System.nanoTime()));
        } catch (IOException e) {
            // Closed, at one end or the other.
        } finally {
            ended.countDown();
        }
    }

    /** Whether the server ends it before ten seconds are over. */
    boolean ends() throws InterruptedException {
        return ended.await(10, TimeUnit.SECONDS);
    }

    /** Waits for the state in which this stint is on. */
    public Told until(int index) throws InterruptedException {
        while (true) {
            var next = told.poll(10, TimeUnit.SECONDS);
            if (next == null) throw new IllegalStateException("was not told that " + index + " is on");
            if (next.state.path("live").path("current").asInt(-9) == index) return next;
        }
    }

    /** The next state, whatever it is; null where none is told in time. */
    Told next(long millis) throws InterruptedException {
        return told.poll(millis, TimeUnit.MILLISECONDS);
    }

    @Override
    public void close() throws IOException {
        // Not by its reader, which waits for the next line with the door locked.
        stream.close();
    }
}

package palmtally.server;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** The server with the demo school as a process of its own, as the start command runs it. */
public record ServerProcess(Process process, int port) implements AutoCloseable {
    /** What the start command sets beside the serial collector. */
    public static final String[] AS_SERVED = {"-Xmx768m", "-Xmn256m", "-XX:+ExitOnOutOfMemoryError"};

    /**
     * Starts it and waits until it answers.
     *
     * @param log where its output goes
     * @param options of its virtual machine, besides the serial collector
     * @throws IllegalStateException if it ends, or does not answer within two minutes
     */
    public static ServerProcess start(TestDatabase database, int port, Path log, String... options)
            throws IOException, InterruptedException {
        var words = new ArrayList<String>();
        words.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
        words.addAll(List.of(options));
        words.addAll(List.of(
                "-XX:+UseSerialGC",
                "-cp",
                System.getProperty("java.class.path"),
                "palmtally.server.PalmTally",
                "--logging.level.root=warn"));
        var command = new ProcessBuilder(words).redirectErrorStream(true).redirectOutput(log.toFile());
        var settings = command.environment();
        settings.put("PORT", String.valueOf(port));
        settings.put("DB_URL", database.url());
        settings.put("DB_USER", database.user());
        settings.put("DB_PASSWORD", database.password());
        settings.put("PALM_DEMO", "true");
        var started = new ServerProcess(command.start(), port);
        var client = HttpClient.newHttpClient();
        for (int i = 0; i < 600; i++) {
            if (!started.process.isAlive()) throw new IllegalStateException("the server ended; see " + log);
            try {
                var request = HttpRequest.newBuilder(URI.create(started.url() + "/api/session"))
                        .build();
                var answer = client.send(request, HttpResponse.BodyHandlers.ofString());
                if (answer.statusCode() == 200 && answer.body().contains("Breakwater")) return started;
            } catch (IOException e) {
                // Not there yet.
            }
            Thread.sleep(200);
        }
        started.close();
        throw new IllegalStateException("the server did not answer within two minutes; see " + log);
    }

    public static int freePort() throws IOException {
        try (var socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    public String url() {
        return "http://localhost:" + port;
    }

    /** Kills it as {@code kill -9} does. */
    @Override
    public void close() {
        process.destroyForcibly();
        process.onExit().join();
    }
}

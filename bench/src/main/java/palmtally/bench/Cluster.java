package palmtally.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import palmtally.server.ServerProcess;
import palmtally.server.TestDatabase;

/** A PostgreSQL of its own, which waits for its disk, and may be killed and started again. */
final class Cluster implements AutoCloseable {
    private static final String PASSWORD = "storm";
    private final Path bin;
    private final Path home;
    private final int port;
    private final boolean root = "root".equals(System.getProperty("user.name"));
    private final boolean mounted;

    /** @param megabytes of a disk of its own, or 0 for the one that is there; a disk of its own needs root */
    Cluster(Path bin, int megabytes) throws Exception {
        this.bin = bin;
        port = ServerProcess.freePort();
        home = Files.createTempDirectory("storm");
        mounted = megabytes > 0;
        if (mounted) run(List.of("mount", "-t", "tmpfs", "-o", "size=" + megabytes + "m", "tmpfs", home.toString()));
        if (root) run(List.of("chown", "postgres", home.toString()));
        var word = home.resolve("word");
        Files.writeString(word, PASSWORD);
        if (root) run(List.of("chown", "postgres", word.toString()));
        run(as(bin.resolve("initdb").toString(), "-D", data(), "-U", "app", "-A", "scram-sha-256", "--pwfile=" + word));
        start();
    }

    private String data() {
        return home.resolve("data").toString();
    }

    Path home() {
        return home;
    }

    private List<String> as(String... words) {
        var all = new ArrayList<String>();
        if (root) all.addAll(List.of("runuser", "-u", "postgres", "--"));
        all.addAll(List.of(words));
        return all;
    }

    private static void run(List<String> words) throws IOException {
        var process = new ProcessBuilder(words).redirectErrorStream(true).start();
        var out = new String(process.getInputStream().readAllBytes());
        if (process.onExit().join().exitValue() != 0) throw new IOException(words + ": " + out);
    }

    boolean answers() {
        try (var c = DriverManager.getConnection(url("postgres"), "app", PASSWORD)) {
            return c.isValid(2);
        } catch (SQLException e) {
            return false;
        }
    }

    private String url(String database) {
        return "jdbc:postgresql://127.0.0.1:" + port + "/" + database + "?connectTimeout=3";
    }

    /** Starts it and waits until it answers; what a kill left behind may hold it up for a moment. */
    void start() throws Exception {
        for (int i = 0; i < 120 && !answers(); i++) {
            var words = new ArrayList<>(as(
                    bin.resolve("postgres").toString(),
                    "-D",
                    data(),
                    "-p",
                    String.valueOf(port),
                    "-c",
                    "listen_addresses=127.0.0.1",
                    "-c",
                    "unix_socket_directories="));
            new ProcessBuilder(words)
                    .directory(home.toFile())
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.appendTo(
                            Path.of("target", "storm-postgres.log").toFile()))
                    .start();
            for (int j = 0; j < 10 && !answers(); j++) Thread.sleep(200);
        }
        if (!answers()) throw new IllegalStateException("the database does not start; see target/storm-postgres.log");
    }

    /** kill −9 of the process that leads all others. */
    void kill() throws IOException {
        var pid = Files.readAllLines(home.resolve("data").resolve("postmaster.pid"))
                .get(0);
        run(List.of("kill", "-9", pid));
    }

    TestDatabase fresh(String name) throws SQLException {
        try (var c = DriverManager.getConnection(url("postgres"), "app", PASSWORD);
                var s = c.createStatement()) {
            s.execute("create database " + name);
        }
        return new TestDatabase(url(name), "app", PASSWORD);
    }

    @Override
    public void close() throws IOException {
        if (answers()) run(as(bin.resolve("pg_ctl").toString(), "-D", data(), "-m", "immediate", "stop"));
        if (mounted) run(List.of("umount", home.toString()));
        run(List.of("rm", "-rf", home.toString()));
    }
}

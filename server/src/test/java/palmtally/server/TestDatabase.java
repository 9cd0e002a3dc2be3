package palmtally.server;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;

/** A fresh database in the private test cluster: of the script that runs the tests, or started here by the same script. */
public record TestDatabase(String url, String user, String password) implements AutoCloseable {
    private static String[] server() {
        var url = System.getenv("DB_URL");
        if (url != null) return new String[] {url, System.getenv("DB_USER"), System.getenv("DB_PASSWORD")};
        try {
            var script = Path.of("..", "palm").toAbsolutePath().normalize();
            if (!Files.exists(script)) throw new IllegalStateException("no " + script);
            var process = new ProcessBuilder(script.toString(), "testdb")
                    .redirectError(ProcessBuilder.Redirect.INHERIT)
                    .start();
            var line = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8).strip();
            if (process.waitFor() != 0) throw new IllegalStateException("palm testdb failed");
            return line.split(" ");
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    public static TestDatabase fresh() {
        var server = server();
        var name = "t_" + UUID.randomUUID().toString().replace("-", "");
        run(server[0], server[1], server[2], "create database " + name);
        return new TestDatabase(server[0].replaceFirst("/[^/]*$", "/" + name), server[1], server[2]);
    }

    /** Another with the same in it; nobody may be connected to this one. */
    public TestDatabase copy() {
        var name = "t_" + UUID.randomUUID().toString().replace("-", "");
        run(url, user, password, "create database " + name + " template " + url.replaceFirst("^.*/", ""));
        return new TestDatabase(url.replaceFirst("/[^/]*$", "/" + name), user, password);
    }

    private static void run(String url, String user, String password, String sql) {
        try (var c = DriverManager.getConnection(url.replaceFirst("/[^/]*$", "/postgres"), user, password);
                var s = c.createStatement()) {
            s.execute(sql);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    /** How many rows a query finds. */
    public long count(String sql) {
        try (var c = DriverManager.getConnection(url, user, password);
                var s = c.createStatement();
                var rows = s.executeQuery(sql)) {
            rows.next();
            return rows.getLong(1);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The first column of what a query finds, as text. */
    public List<String> column(String sql) {
        try (var c = DriverManager.getConnection(url, user, password);
                var s = c.createStatement();
                var rows = s.executeQuery(sql)) {
            var all = new ArrayList<String>();
            while (rows.next()) all.add(rows.getString(1));
            return all;
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Carries out a statement that nothing of the app would. */
    public void run(String sql) {
        try (var c = DriverManager.getConnection(url, user, password);
                var s = c.createStatement()) {
            s.execute(sql);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void close() {
        run(url, user, password, "drop database if exists " + url.replaceFirst("^.*/", "") + " with (force)");
    }
}

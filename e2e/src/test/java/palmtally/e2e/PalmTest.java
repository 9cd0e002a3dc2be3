package palmtally.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.CleanupMode;
import org.junit.jupiter.api.io.TempDir;
import palmtally.server.ServerProcess;
import palmtally.server.Visitor;

/** The command that a school is served by: what it starts, starts again, keeps, dumps and brings back. */
class PalmTest {
    private static final int SECONDS = 180;

    /** A school's home; the database's own user must get there. */
    @TempDir(cleanup = CleanupMode.ON_SUCCESS)
    private Path home;

    private int port;
    private Process served;
    private StringBuffer said;

    @BeforeEach
    void reachable() throws IOException {
        Files.setPosixFilePermissions(home, PosixFilePermissions.fromString("rwxr-xr-x"));
        port = ServerProcess.freePort();
    }

    @AfterEach
    void stop() throws Exception {
        palm("stop");
        if (served != null && !served.waitFor(SECONDS, TimeUnit.SECONDS)) served.destroyForcibly();
    }

    private ProcessBuilder command(String... words) {
        var all = new ArrayList<>(List.of(Path.of("..", "palm").toString()));
        all.addAll(List.of(words));
        var command = new ProcessBuilder(all).redirectErrorStream(true);
        command.environment().put("PALM_HOME", home.toString());
        command.environment().put("PORT", Integer.toString(port));
        command.environment().put("PALM_JAR", "../server/target/server-0.1.0-app.jar");
        return command;
    }

    private record Done(int code, String said) {}

    private Done palm(String... words) throws IOException, InterruptedException {
        var process = command(words).start();
        var said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return new Done(process.waitFor(), said);
    }

    private void serve() throws Exception {
        served = command("demo").start();
        said = new StringBuffer();
        var from = served;
        var to = said;
        var reader = new Thread(() -> {
            try (var in = new InputStreamReader(from.getInputStream(), StandardCharsets.UTF_8)) {
                for (int c = in.read(); c >= 0; c = in.read()) to.append((char) c);
            } catch (IOException e) {
                // It has ended.
            }
        });
        reader.setDaemon(true);
        reader.start();
        await("Palm Tally answers at  http://localhost:" + port);
    }

    private void await(String words) throws InterruptedException {
        for (int i = 0; i < SECONDS * 10 && said.indexOf(words) < 0; i++) {
            if (!served.isAlive()) break;
            Thread.sleep(100);
        }
        assertThat(said.toString()).contains(words);
    }

    private static String first(Path file) throws IOException {
        return Files.readAllLines(file).get(0).strip();
    }

    private static void kill(String pid) {
        ProcessHandle.of(Long.parseLong(pid)).orElseThrow().destroyForcibly();
    }

    private static String mode(Path file) throws IOException {
        return PosixFilePermissions.toString(Files.getPosixFilePermissions(file));
    }

    private String url() {
        return "http://localhost:" + port;
    }

    private long awaitAnswer() throws InterruptedException {
        for (int i = 0; i < SECONDS * 5; i++) {
            try {
                var floor = Visitor.as(url(), "nadia").get("/api/floor");
                if (floor.status() == 200) return i;
            } catch (RuntimeException | AssertionError e) {
                // Not there yet.
            }
            Thread.sleep(200);
        }
        throw new AssertionError("no answer within " + SECONDS + " s: " + said);
    }

    @Test
    void starts_again_what_was_killed_dumps_the_school_that_is_served_and_takes_a_restore_back() throws Exception {
        serve();
        var log = home.resolve("server.log");
        assertThat(mode(log)).isEqualTo("rw-------");
        assertThat(mode(home.resolve("backups"))).isEqualTo("rwx------");
        kill(first(home.resolve("server.pid")));
        await("· the server is gone (exit code 137); starting it again");
        await("· it answers again");
        awaitAnswer();
        kill(first(home.resolve("pg-school").resolve("data").resolve("postmaster.pid")));
        await("· the database is gone; starting it again");
        awaitAnswer();

        var file = home.resolve("kept.dump");
        var dumped = palm("backup", file.toString());
        assertThat(dumped.code()).as(dumped.said()).isZero();
        assertThat(dumped.said()).contains("· dumping the database \"demo\"");
        var then = words(dumped, "kept ");
        assertThat(then)
                .matches(
                        "Breakwater School of Massage: 15 people, 1\\d\\d practicals with \\d{4,} events, schema \\d+");
        assertThat(mode(file)).isEqualTo("rw-------");
        Visitor.as(url(), "nadia").practical("Lena Brook", "calves");
        var running = palm("restore", file.toString());
        assertThat(running.code()).isEqualTo(7);
        assertThat(running.said()).contains("stop the server first");
        assertThat(palm("stop").code()).isZero();
        assertThat(served.waitFor(SECONDS, TimeUnit.SECONDS)).isTrue();
        assertThat(Files.readString(log).split("Started PalmTally", -1)).hasSize(3);

        var text = Files.writeString(home.resolve("text.dump"), "no dump at all");
        var refused = palm("restore", text.toString());
        assertThat(refused.code()).isEqualTo(5);
        assertThat(refused.said()).contains("it is no dump, or is damaged. The school is as it was.");
        var restored = palm("restore", file.toString());
        assertThat(restored.code()).as(restored.said()).isZero();
        assertThat(words(restored, "restored ")).isEqualTo(then);
        var back = palm("restore", "--undo");
        assertThat(back.code()).as(back.said()).isZero();
        assertThat(words(back, "gone back to ")).isEqualTo(oneMore(then));
        // As open files, out and in again in the place of what was restored before.
        var folder = home.resolve("open");
        var exported = palm("export", folder.toString());
        assertThat(exported.code()).as(exported.said()).isZero();
        assertThat(exported.said()).contains("tables/account.csv: 15");
        assertThat(mode(folder)).isEqualTo("rwx------");
        var imported = palm("import", folder.toString());
        assertThat(imported.code()).as(imported.said()).isZero();
        assertThat(words(imported, "imported ")).isEqualTo(oneMore(then));
        Files.writeString(folder.resolve("tables").resolve("term.csv"), "id\n");
        var changed = palm("import", folder.toString());
        assertThat(changed.code()).isEqualTo(5);
        assertThat(changed.said()).contains("Not as exported: tables/term.csv. The school is as it was.");
        assertThat(palm("export", folder.toString()).said()).contains("is not empty");
    }

    private static String words(Done done, String before) {
        return done.said()
                .lines()
                .filter(l -> l.startsWith(before))
                .findFirst()
                .orElseThrow(() -> new AssertionError(done.said()))
                .substring(before.length());
    }

    private static String oneMore(String words) {
        var many = words.replaceFirst(".*people, (\\d+) practicals.*", "$1");
        return words.replace(many + " practicals", (Integer.parseInt(many) + 1) + " practicals");
    }
}

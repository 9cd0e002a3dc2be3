package palmtally.bench;

import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Pattern;
import palmtally.server.ServerProcess;
import palmtally.server.TestDatabase;
import palmtally.server.Visitor;

/**
 * How soon a tap is on disk, over real HTTP into a real database that waits for its disk: sixty tables of five events a second for three
 * minutes, then as fast as it goes; and in the same run, on the same cluster, how many bare single-row inserts of the same rows
 * pgbench makes.
 *
 * <p>Arguments: seconds of the load, 180 where none is given; the folder pgbench is in.
 */
public final class GradeBench {
    private static final int TABLES = 60;
    private static final int A_SECOND = 5;
    private static final int FULL_SECONDS = 15;
    /** Few enough that no practical gets more events than it may have. */
    private static final int TOGETHER = 20;
    /** As many connections as the server has. */
    private static final int CONNECTIONS = 10;

    private GradeBench() {}

    public static void main(String[] args) throws Exception {
        int seconds = args.length > 0 ? Integer.parseInt(args[0]) : 180;
        var bin = Path.of(args.length > 1 ? args[1] : "/usr/lib/postgresql/15/bin");
        try (var database = TestDatabase.fresh();
                var app = ServerProcess.start(
                        database, ServerProcess.freePort(), Path.of("target", "server.log"), ServerProcess.AS_SERVED)) {
            if (database.count("select count(*) from pg_settings where name in ('fsync', 'synchronous_commit')"
                            + " and setting = 'on'")
                    != 2) throw new IllegalStateException("this database does not wait for its disk: no figures");
            var nadia = Visitor.as(app.url(), "nadia");
            var tables = new ArrayList<String>();
            for (int i = 0; i < TABLES; i++) tables.add(nadia.practical("Ana Quill", "calves"));
            var graders = new ArrayList<Visitor>();
            for (int i = 0; i < TABLES; i++) graders.add(Visitor.as(app.url(), "nadia"));
            load(graders, tables, 20, 1000 / A_SECOND, 1, "warm");
            var paced = load(graders, tables, seconds, 1000 / A_SECOND, 1, "paced");
            paced.report(TABLES + " tables, " + A_SECOND + " taps a second each, " + seconds + " s");
            var single = load(graders, tables, FULL_SECONDS, 0, 1, "single");
            single.report(TABLES + " tables as fast as it goes, a tap a request");
            // What comes faster than the answers waits on its device and goes together, as in the browser.
            var full = load(graders, tables, FULL_SECONDS, 0, TOGETHER, "full");
            full.report(TABLES + " tables as fast as it goes, " + TOGETHER + " taps that waited a request");
            double bare = bare(database, bin);
            System.out.printf(
                    Locale.ROOT,
                    "%-52s %6.0f a second%ntaps stored a second ÷ bare inserts a second: %.2f%n",
                    "bare single-row inserts, pgbench, " + CONNECTIONS + " connections",
                    bare,
                    full.rate() / bare);
            long stored = database.count("select count(*) from event where device like 'bench-%'");
            long sent = paced.stored + single.stored + full.stored;
            System.out.printf(
                    Locale.ROOT, "%d answered as stored beside the warm-up, %d in the database%n", sent, stored);
        }
    }

    /** @param times from sending to the answer, ms */
    private record Load(List<Double> times, int stored, int errors, double seconds) {
        double rate() {
            return stored / seconds;
        }

        void report(String what) {
            var sorted = times.stream().sorted().toList();
            System.out.printf(
                    Locale.ROOT,
                    "%-52s %6.0f a second   median %5.1f ms   p99 %5.1f ms   worst %6.1f ms   %d errors%n",
                    what,
                    rate(),
                    sorted.get(sorted.size() / 2),
                    sorted.get((int) (0.99 * (sorted.size() - 1))),
                    sorted.get(sorted.size() - 1),
                    errors);
        }
    }

    private static Load load(
            List<Visitor> graders, List<String> tables, int seconds, int everyMs, int together, String run)
            throws Exception {
        var times = java.util.Collections.synchronizedList(new ArrayList<Double>());
        var errors = new AtomicInteger();
        var stored = new AtomicInteger();
        var threads = new ArrayList<Thread>();
        long start = System.nanoTime();
        long end = start + seconds * 1_000_000_000L;
        for (int t = 0; t < tables.size(); t++) {
            int table = t;
            var thread = new Thread(() -> {
                var grader = graders.get(table);
                try {
                    // Spread over the beat, as hands are.
                    if (everyMs > 0) Thread.sleep((long) everyMs * table / tables.size());
                    for (int i = 0; System.nanoTime() < end; i++) {
                        long due = System.nanoTime();
                        var answer = grader.post(
                                "/api/practicals/" + tables.get(table) + "/events",
                                events(run, table, i * together, together, due - start));
                        if (answer.status() == 200) {
                            times.add((System.nanoTime() - due) / 1e6);
                            stored.addAndGet(together);
                        } else errors.incrementAndGet();
                        long left = everyMs - (System.nanoTime() - due) / 1_000_000;
                        if (left > 0) Thread.sleep(left);
                    }
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                }
            });
            thread.start();
            threads.add(thread);
        }
        for (var thread : threads) thread.join();
        return new Load(times, stored.get(), errors.get(), (System.nanoTime() - start) / 1e9);
    }

    private static String events(String run, int table, int from, int count, long at) {
        var name = (run.equals("warm") ? "warm-" : "bench-") + run + table;
        var events = new StringBuilder("{\"events\":[");
        for (int i = from; i < from + count; i++)
            events.append(i > from ? "," : "")
                    .append("{\"id\":\"" + name + "-" + i + "\",\"device\":\"" + name + "\",\"seq\":" + i + ",\"atMs\":"
                            + at / 1_000_000 + ",\"kind\":\"report\",\"data\":{\"number\":" + i % 11
                            + ",\"source\":\"spoken\"}}");
        return events.append("]}").toString();
    }

    /** Bare inserts of the same rows into a table like that of events, a transaction each. */
    private static double bare(TestDatabase database, Path bin) throws Exception {
        var script = Files.createTempFile("bare", ".sql");
        Files.writeString(script, """
                \\set n random(1, 1000000000)
                insert into bare (practical_id, id, device, seq, at_ms, wall, kind, data)
                values ('00000000-0000-0000-0000-000000000001', gen_random_uuid()::text, 'bench-full1', :n, :n, now(), 'report',
                    '{"number":3,"source":"spoken"}');
                """);
        var at = URI.create(database.url().substring("jdbc:".length()));
        run(database, bin.resolve("psql"), at, List.of("-q", "-c", "create table bare (like event including all)"));
        var out = run(
                database,
                bin.resolve("pgbench"),
                at,
                List.of(
                        "-n",
                        "-M",
                        "prepared",
                        "-c",
                        String.valueOf(CONNECTIONS),
                        "-j",
                        "2",
                        "-T",
                        String.valueOf(FULL_SECONDS),
                        "-f",
                        script.toString()));
        Files.delete(script);
        var tps = Pattern.compile("tps = ([0-9.]+)").matcher(out);
        if (!tps.find()) throw new IllegalStateException(out);
        return Double.parseDouble(tps.group(1));
    }

    private static String run(TestDatabase database, Path program, URI at, List<String> options) throws Exception {
        var words = new ArrayList<String>();
        words.add(program.toString());
        words.addAll(List.of("-h", at.getHost(), "-p", String.valueOf(at.getPort()), "-U", database.user()));
        words.addAll(options);
        words.add(at.getPath().substring(1));
        var command = new ProcessBuilder(words).redirectErrorStream(true);
        command.environment().put("PGPASSWORD", database.password());
        var process = command.start();
        var out = new String(process.getInputStream().readAllBytes());
        if (process.waitFor() != 0) throw new IllegalStateException(out);
        return out;
    }
}

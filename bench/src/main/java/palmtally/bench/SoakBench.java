package palmtally.bench;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import palmtally.server.ServerProcess;
import palmtally.server.TestDatabase;
import palmtally.server.Visitor;

/**
 * An afternoon in short: taps, readers of scores, floor and cohort as fast as they are answered, people who come and go, for half an hour on
 * one server or two, and every minute what it costs to hold: heap after a collection, threads, open files, connections, rows of what should
 * not grow. Then how many requests a second were answered, the first five minutes against the last.
 *
 * <p>Arguments: minutes, servers.
 */
public final class SoakBench {
    private static final int TABLES = 20;
    private static final int READERS = 2;
    private static final List<String> FLAT =
            List.of("spring_session", "sign_in_try", "known_device", "class_screen", "handset", "document_version");

    private final Map<String, AtomicLong> answered = new TreeMap<>();
    private final AtomicLong failed = new AtomicLong();
    private final AtomicBoolean going = new AtomicBoolean(true);
    private final List<ServerProcess> servers = new ArrayList<>();

    private SoakBench() {
        for (var what : List.of("score", "floor", "cohort", "tap", "sign-in")) answered.put(what, new AtomicLong());
    }

    public static void main(String[] args) throws Exception {
        int minutes = args.length > 0 ? Integer.parseInt(args[0]) : 30;
        int many = args.length > 1 ? Integer.parseInt(args[1]) : 1;
        try (var database = TestDatabase.fresh()) {
            var soak = new SoakBench();
            try {
                for (int i = 0; i < many; i++)
                    soak.servers.add(ServerProcess.start(
                            database,
                            ServerProcess.freePort(),
                            Path.of("target", "soak-" + i + ".log"),
                            ServerProcess.AS_SERVED));
                soak.run(database, minutes);
            } finally {
                soak.servers.forEach(ServerProcess::close);
            }
        }
    }

    private String url(int of) {
        return servers.get(of % servers.size()).url();
    }

    private void run(TestDatabase database, int minutes) throws Exception {
        var nadia = Visitor.as(url(0), "nadia");
        var tables = new ArrayList<String>();
        for (int i = 0; i < TABLES; i++) tables.add(nadia.practical("Ana Quill", "calves"));
        var term = nadia.term();
        var threads = new ArrayList<Thread>();
        // One after the other: who signs in twenty times in a second is taken for one who guesses.
        for (int t = 0; t < TABLES; t++) {
            int table = t;
            var grader = Visitor.as(url(table), "nadia");
            threads.add(new Thread(() -> taps(grader, table, tables.get(table))));
        }
        for (int r = 0; r < READERS * servers.size(); r++) {
            var who = Visitor.as(url(r), "nadia");
            threads.add(new Thread(() -> reads(who, tables, term)));
        }
        threads.add(new Thread(this::comings));
        threads.forEach(Thread::start);
        Thread.sleep(30_000);
        System.out.println("minute  heap MB  threads  files  connections  " + String.join("  ", FLAT) + "  a second: "
                + String.join(", ", answered.keySet()));
        var before = counts();
        for (int m = 1; m <= minutes; m++) {
            long began = System.nanoTime();
            Thread.sleep(60_000);
            var now = counts();
            double seconds = (System.nanoTime() - began) / 1e9;
            var line =
                    new StringBuilder(String.format(Locale.ROOT, "%6d  %s  %11d ", m, held(), connections(database)));
            for (var table : FLAT) line.append(" ").append(database.count("select count(*) from " + table));
            line.append("  ");
            for (var what : now.keySet())
                line.append(String.format(Locale.ROOT, " %s %.1f", what, (now.get(what) - before.get(what)) / seconds));
            System.out.println(line + ", failed " + failed.get());
            before = now;
        }
        going.set(false);
        for (var thread : threads) thread.join();
    }

    private Map<String, Long> counts() {
        var now = new TreeMap<String, Long>();
        answered.forEach((what, n) -> now.put(what, n.get()));
        return now;
    }

    private void count(String what, Visitor.Answer answer) {
        if (answer.status() < 300) answered.get(what).incrementAndGet();
        else if (failed.incrementAndGet() < 10)
            System.out.println("  " + what + " " + answer.status() + " " + answer.text());
    }

    private void taps(Visitor grader, int table, String practical) {
        long began = System.nanoTime();
        for (int i = 1; going.get(); i++) {
            // A practical holds so many taps and no more: what comes after are looks, which undo nothing and end
            // nothing.
            var kind = i % 2 == 0 ? "note" : "report";
            var data = i % 2 == 0 ? "{\"text\":\"seen\"}" : "{\"number\":" + i % 11 + ",\"source\":\"spoken\"}";
            count(
                    "tap",
                    grader.post(
                            "/api/practicals/" + practical + "/events",
                            "{\"events\":[{\"id\":\"soak-" + table + "-" + i + "\",\"device\":\"soak-" + table
                                    + "\",\"seq\":" + i
                                    + ",\"atMs\":" + (System.nanoTime() - began) / 1_000_000 + ",\"kind\":\"" + kind
                                    + "\",\"data\":" + data + "}]}"));
            sleep(1000);
        }
    }

    private void reads(Visitor who, List<String> tables, String term) {
        for (int i = 0; going.get(); i++) {
            count("score", who.get("/api/practicals/" + tables.get(i % tables.size()) + "/scores"));
            if (i % 10 == 0) count("floor", who.get("/api/floor"));
            if (i % 5 == 0) count("cohort", who.get("/api/terms/" + term + "/competency"));
        }
    }

    /** Somebody signs in, looks, and goes. */
    private void comings() {
        for (int i = 0; going.get(); i++) {
            var who = Visitor.at(url(i));
            count("sign-in", who.post("/api/session", "{\"signIn\":\"ana\",\"password\":\"regatta-ana\"}"));
            who.get("/api/me/to-mark");
            who.delete("/api/session");
            sleep(2000);
        }
    }

    private static void sleep(long ms) {
        try {
            Thread.sleep(ms);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Heap after a collection, threads and open files of each server. */
    private String held() throws Exception {
        var all = new ArrayList<String>();
        for (var server : servers) {
            long pid = server.process().pid();
            command("jcmd", String.valueOf(pid), "GC.run");
            double kilobytes = 0;
            var lines = command("jstat", "-gc", String.valueOf(pid)).lines().toList();
            var names = lines.get(0).trim().split("\\s+");
            var values = lines.get(1).trim().split("\\s+");
            for (int i = 0; i < names.length; i++)
                if (List.of("S0U", "S1U", "EU", "OU").contains(names[i])) kilobytes += Double.parseDouble(values[i]);
            var threads = Files.readAllLines(Path.of("/proc", String.valueOf(pid), "status")).stream()
                    .filter(l -> l.startsWith("Threads:"))
                    .findFirst()
                    .orElseThrow()
                    .replaceAll("\\D+", "");
            try (var files = Files.list(Path.of("/proc", String.valueOf(pid), "fd"))) {
                all.add(String.format(Locale.ROOT, "%7.1f  %7s  %5d", kilobytes / 1024, threads, files.count()));
            }
        }
        return String.join(" | ", all);
    }

    private static String command(String... words) throws Exception {
        var process = new ProcessBuilder(words).redirectErrorStream(true).start();
        var out = new String(process.getInputStream().readAllBytes());
        process.waitFor();
        return out;
    }

    private static long connections(TestDatabase database) {
        return database.count("select count(*) from pg_stat_activity where datname = current_database()");
    }
}

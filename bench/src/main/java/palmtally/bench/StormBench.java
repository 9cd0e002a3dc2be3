package palmtally.bench;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.PlaywrightException;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.atomic.AtomicBoolean;
import palmtally.server.ServerProcess;
import palmtally.server.TestDatabase;
import palmtally.server.Visitor;

/**
 * Whether anything that was answered as stored is ever lost, or anything is stored twice, whatever dies under load: the server, the
 * database, one of two servers, the disk, the network. Twenty devices tap twice a second and keep what is not answered, as the pages do;
 * beside them real pages stand open in Chromium, one of them grading, and one is loaded anew at each outage; nobody touches them, and all
 * must show their own again by themselves.
 *
 * <p>Arguments: the folder of PostgreSQL's programs, then parts: {@code kills=50 database=10 two disk offline=30} (minutes).
 */
public final class StormBench {
    private static final int TABLES = 20;
    private static final int TAP_EVERY_MS = 500;
    private static final int MOST_AT_ONCE = 50;
    private static final int BACK_WITHIN_MS = 60_000;
    private static final List<String> PAGES =
            List.of("/plan", "/term", "/plan/calves", "/show", "/floor", "/grade", "/track", "/school");

    private static final String GRADED = "the page that is graded on";

    private final TestDatabase database;
    private final List<Table> tables = new ArrayList<>();
    private final Random chance = new Random(7);
    private final List<ServerProcess> servers = new ArrayList<>();

    private StormBench(TestDatabase database) {
        this.database = database;
    }

    public static void main(String[] args) throws Exception {
        var bin = Path.of(args[0]);
        for (int i = 1; i < args.length; i++) {
            var part = args[i].split("=");
            int many = part.length > 1 ? Integer.parseInt(part[1]) : 1;
            try (var cluster = new Cluster(bin, part[0].equals("disk") ? 400 : 0);
                    var database = new Closing(cluster.fresh("storm"))) {
                var storm = new StormBench(database.of);
                try {
                    storm.part(part[0], many, cluster);
                } finally {
                    storm.tables.forEach(Table::end);
                    storm.servers.forEach(ServerProcess::close);
                }
            }
        }
    }

    /** The cluster goes as a whole, its database with it. */
    private record Closing(TestDatabase of) implements AutoCloseable {
        @Override
        public void close() {}
    }

    private void part(String part, int many, Cluster cluster) throws Exception {
        int port = ServerProcess.freePort();
        serve(port);
        if (part.equals("two")) serve(ServerProcess.freePort());
        var shown = Visitor.as(servers.get(0).url(), "nadia")
                .post("/api/sequences/calves/demonstrations", "{}")
                .json();
        var paths = new ArrayList<>(PAGES);
        paths.add("/show/" + shown.get("id").asString());
        paths.add("/class/" + shown.get("screen").asString());
        tables();
        try (var pages = new Pages(servers.get(0).url(), tables.get(0).practical, paths)) {
            Thread.sleep(3000);
            long began = System.nanoTime();
            switch (part) {
                case "kills" -> {
                    for (int i = 0; i < many; i++) {
                        Thread.sleep(chance.nextInt(3000));
                        servers.get(0).process().destroyForcibly().waitFor();
                        pages.outage(i, 500 + chance.nextInt(1500));
                        servers.remove(0);
                        serve(port);
                        pages.back("kill " + (i + 1) + " of the server");
                    }
                }
                case "database" -> {
                    for (int i = 0; i < many; i++) {
                        Thread.sleep(chance.nextInt(3000));
                        cluster.kill();
                        pages.outage(i, 500 + chance.nextInt(3000));
                        cluster.start();
                        pages.back("kill " + (i + 1) + " of the database");
                    }
                }
                case "two" -> {
                    Thread.sleep(10_000);
                    servers.get(1).process().destroyForcibly().waitFor();
                    servers.remove(1);
                    Thread.sleep(20_000);
                    pages.back("one of two servers killed");
                }
                case "disk" -> {
                    var filler = cluster.home().resolve("filler");
                    fill(filler);
                    pages.outage(3, 60_000);
                    System.out.println("  with a full disk: health " + health() + ", taps that wait " + waiting()
                            + ", database answers: " + cluster.answers());
                    Files.delete(filler);
                    cluster.start();
                    pages.back("a minute of full disk");
                }
                case "offline" -> {
                    pages.offline(many);
                    pages.back(many + " minutes without network");
                }
                default -> throw new IllegalArgumentException(part);
            }
            System.out.printf(
                    Locale.ROOT,
                    "%s ×%d, %.1f min: pages back %d of %d, slowest %.1f s after it could be answered%n",
                    part,
                    many,
                    (System.nanoTime() - began) / 6e10,
                    pages.came,
                    pages.awaited,
                    pages.slowestMs / 1000.0);
            count(pages);
        }
    }

    private void serve(int port) throws IOException, InterruptedException {
        servers.add(ServerProcess.start(
                database, port, Path.of("target", "storm-server-" + port + ".log"), ServerProcess.AS_SERVED));
    }

    private int health() {
        try {
            return Visitor.at(servers.get(0).url()).get("/actuator/health").status();
        } catch (IllegalStateException e) {
            return 0;
        }
    }

    private static void fill(Path file) throws IOException {
        try (var out = new RandomAccessFile(file.toFile(), "rw")) {
            for (var block = new byte[1 << 20]; ; out.write(block)) {}
        } catch (IOException e) {
            System.out.println("  the disk is full: " + Files.size(file) / (1 << 20) + " MB were free");
        }
    }

    private void tables() {
        var nadia = Visitor.as(servers.get(0).url(), "nadia");
        for (int i = 0; i < TABLES; i++) tables.add(new Table(i, nadia.practical("Ana Quill", "calves")));
        // The first is graded in the browser.
        tables.subList(1, TABLES).forEach(Thread::start);
    }

    private int waiting() {
        return tables.stream().mapToInt(Table::waiting).sum();
    }

    /** A device: what it saw waits until somebody answers that it is stored. */
    private final class Table extends Thread {
        final String practical;
        final Set<String> answered = new HashSet<>();
        private final List<String> waiting = new ArrayList<>();
        private final int number;
        private final AtomicBoolean going = new AtomicBoolean(true);
        private int seq;

        Table(int number, String practical) {
            super("table-" + number);
            this.number = number;
            this.practical = practical;
            setDaemon(true);
        }

        synchronized int waiting() {
            return waiting.size();
        }

        void end() {
            going.set(false);
        }

        @Override
        public void run() {
            // A device signs in once at each server: its session outlives them.
            var signedIn = new HashMap<String, Visitor>();
            int at = number;
            long due = System.currentTimeMillis();
            while (going.get() || waiting() > 0) {
                try {
                    synchronized (this) {
                        while (going.get() && due <= System.currentTimeMillis()) {
                            due += TAP_EVERY_MS;
                            waiting.add("storm-" + number + "-" + ++seq);
                        }
                    }
                    send(signedIn.computeIfAbsent(server(at).url(), url -> Visitor.as(url, "nadia")));
                    Thread.sleep(Math.max(1, due - System.currentTimeMillis()));
                } catch (IllegalStateException e) {
                    // Nobody answered, or not that it is stored: it is sent again, to another where there is one.
                    at++;
                    pause();
                } catch (InterruptedException e) {
                    return;
                }
            }
        }

        private void pause() {
            try {
                Thread.sleep(300);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }

        private void send(Visitor grader) {
            List<String> now;
            synchronized (this) {
                now = List.copyOf(waiting.subList(0, Math.min(MOST_AT_ONCE, waiting.size())));
            }
            if (now.isEmpty()) return;
            var body = new StringBuilder("{\"events\":[");
            for (var id : now) {
                int n = Integer.parseInt(id.substring(id.lastIndexOf('-') + 1));
                body.append(body.length() > 11 ? "," : "")
                        .append("{\"id\":\"" + id + "\",\"device\":\"storm-" + number + "\",\"seq\":" + n + ",\"atMs\":"
                                + n * (long) TAP_EVERY_MS
                                + ",\"kind\":\"report\",\"data\":{\"number\":" + n % 11
                                + ",\"source\":\"spoken\"}}");
            }
            var answer = grader.post("/api/practicals/" + practical + "/events", body + "]}");
            if (answer.status() >= 300) throw new IllegalStateException(answer.text());
            synchronized (this) {
                answered.addAll(now);
                waiting.removeAll(now);
            }
        }
    }

    private ServerProcess server(int n) {
        var there = servers;
        if (there.isEmpty()) throw new IllegalStateException("no server");
        return there.get(n % there.size());
    }

    private void count(Pages pages) throws InterruptedException {
        tables.forEach(Table::end);
        for (var table : tables.subList(1, TABLES)) table.join(120_000);
        int answered = 0;
        long lost = 0;
        for (var table : tables.subList(1, TABLES)) {
            answered += table.answered.size();
            long there = database.count(
                    "select count(*) from event where practical_id = '" + table.practical + "' and device = 'storm-"
                            + table.number + "' and id in ('" + String.join("','", table.answered) + "')");
            lost += table.answered.size() - there;
        }
        long stored = database.count("select count(*) from event where device like 'storm-%'");
        long doubled = database.count(
                "select count(*) from (select 1 from event group by practical_id, device, seq having count(*) > 1) d");
        long page = database.count("select count(*) from event where practical_id = '" + tables.get(0).practical + "'");
        System.out.printf(
                Locale.ROOT,
                "  devices: %d answered as stored, %d stored, %d lost, %d doubled, %d still wait;  page: %d tapped, shown as stored %d, stored %d%n",
                answered,
                stored,
                lost,
                doubled,
                waiting(),
                pages.tapped,
                pages.shownStored(),
                page);
    }

    /** Pages that nobody touches, and one that is graded on. */
    private static final class Pages implements AutoCloseable {
        private final Chromium chromium = new Chromium();
        private final BrowserContext context = chromium.browser().newContext();
        private final Map<String, Page> pages = new HashMap<>();
        private final Map<String, Integer> letters = new HashMap<>();
        private final Page grading;
        private final List<String> paths;
        int tapped;
        int came;
        int awaited;
        long slowestMs;

        Pages(String url, String practical, List<String> paths) {
            this.paths = paths;
            context.setDefaultTimeout(60_000);
            var first = context.newPage();
            first.navigate(url + "/sign-in");
            first.getByLabel("Sign-in").fill("nadia");
            first.getByLabel("Password").fill("regatta-nadia");
            first.keyboard().press("Enter");
            first.waitForURL("**/plan");
            first.evaluate("() => navigator.serviceWorker.ready.then(() => true)");
            for (var path : paths) {
                var page = path.equals("/plan") ? first : context.newPage();
                page.navigate(url + path);
                page.locator("main, .night").first().waitFor();
                page.waitForTimeout(2500);
                pages.put(path, page);
                letters.put(path, length(page));
            }
            grading = context.newPage();
            grading.navigate(url + "/grade/" + practical);
            grading.getByText("Finish").first().waitFor();
            grading.keyboard().press("Enter");
            grading.getByText("taps stored").or(grading.getByText("tap stored")).waitFor();
            tapped = shownStored();
        }

        private static int length(Page page) {
            return ((Number) page.evaluate("() => document.body.innerText.length")).intValue();
        }

        private void tap() {
            grading.keyboard().press(String.valueOf(1 + tapped % 5));
            tapped++;
        }

        int shownStored() {
            var text = String.valueOf(grading.evaluate("() => document.body.innerText"));
            var found =
                    java.util.regex.Pattern.compile("all (\\d+) taps? stored").matcher(text);
            return found.find() ? Integer.parseInt(found.group(1)) : -1;
        }

        /** Somebody goes on tapping, and loads one page anew, while nobody answers. */
        void outage(int n, int ms) {
            var path = paths.get(n % paths.size());
            try {
                pages.get(path).reload(new Page.ReloadOptions().setTimeout(15_000));
            } catch (PlaywrightException e) {
                System.out.println("  " + path + " does not even load: "
                        + e.getMessage().lines().findFirst().orElse(""));
            }
            for (long end = System.currentTimeMillis() + ms; System.currentTimeMillis() < end; ) {
                tap();
                grading.waitForTimeout(400);
            }
        }

        void offline(int minutes) {
            context.setOffline(true);
            for (long end = System.currentTimeMillis() + minutes * 60_000L; System.currentTimeMillis() < end; ) {
                tap();
                grading.waitForTimeout(1000);
            }
            context.setOffline(false);
        }

        /** Waits until each shows its own again; a page that does not within a minute is named. */
        void back(String after) {
            long began = System.currentTimeMillis();
            var missing = new ArrayList<>(paths);
            missing.add(GRADED);
            awaited += missing.size();
            while (!missing.isEmpty() && System.currentTimeMillis() - began < BACK_WITHIN_MS) {
                missing.removeIf(this::whole);
                if (!missing.isEmpty()) grading.waitForTimeout(100);
            }
            slowestMs = Math.max(slowestMs, System.currentTimeMillis() - began);
            came += paths.size() + 1 - missing.size();
            if (awaited % (10 * (paths.size() + 1)) == 0)
                System.out.println("  after " + after + ": " + came + " of " + awaited + " pages back");
            for (var path : missing) {
                var page = path.equals(GRADED) ? grading : pages.get(path);
                System.out.println("  after " + after + " not back: " + path + ": "
                        + String.valueOf(page.evaluate("() => document.body.innerText"))
                                .replace('\n', ' ')
                                .substring(0, Math.min(300, length(page))));
            }
        }

        private boolean whole(String path) {
            // It also notes things by itself, such as that a grader is back at the table.
            if (path.equals(GRADED)) return shownStored() >= tapped;
            var page = pages.get(path);
            return page.locator(".standing").count() == 0 && length(page) > 0.6 * letters.get(path);
        }

        @Override
        public void close() {
            chromium.close();
        }
    }
}

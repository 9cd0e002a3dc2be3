package palmtally.bench;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import org.dhatim.fastexcel.Workbook;
import palmtally.core.competency.Competency;
import palmtally.core.competency.Evidence;
import palmtally.core.profile.Profile;
import palmtally.server.ServerProcess;
import palmtally.server.TestDatabase;
import palmtally.server.Visitor;

/**
 * How long a term of 1,000 students × 12 regions × 5 criteria × 40 pieces of evidence takes to be recomputed on one core, database time
 * apart; beside it, in the same run, how long a headless spreadsheet takes for the weighted averages of a tenth of them, which a school
 * would use instead; and how soon the cohort of 30 students can be used, and shows a mark that was given elsewhere.
 */
public final class TrackBench {
    private static final int KEYS = 1000 * 12 * 5;
    private static final int PIECES = 40;
    private static final int TENTH = KEYS / 10;
    private static final double WEEKS = 15;

    private TrackBench() {}

    public static void main(String[] args) throws Exception {
        var all = evidence();
        double core = recompute(all);
        System.out.printf(Locale.ROOT, "%-62s %8.0f ms%n", "60,000 criteria × 40 pieces recomputed, one core", core);
        double sheet = spreadsheet(all.subList(0, TENTH));
        if (sheet > 0) {
            double averages = averages(all);
            System.out.printf(
                    Locale.ROOT,
                    "%-62s %8.0f ms%n%-62s %8.0f ms%n%-62s %8.1f%n%-62s %8.2f%n",
                    "a tenth of their weighted averages in a headless spreadsheet",
                    sheet,
                    "all of the weighted averages here",
                    averages,
                    "spreadsheet, all of them ÷ the same averages here",
                    10 * sheet / averages,
                    "spreadsheet’s averages ÷ all of the reckoning here",
                    10 * sheet / core);
        }
        pages();
    }

    private static List<List<Evidence>> evidence() {
        var random = new Random(42);
        var all = new ArrayList<List<Evidence>>(KEYS);
        for (int k = 0; k < KEYS; k++) {
            double skill = 40 + 40 * random.nextDouble();
            var pieces = new ArrayList<Evidence>(PIECES);
            for (int i = 0; i < PIECES; i++) {
                double week = WEEKS * i / PIECES;
                pieces.add(new Evidence(
                        "p" + i,
                        week,
                        (int) (7 * week),
                        Math.max(0, Math.min(100, skill + i * 0.3 + 10 * random.nextGaussian())),
                        0.25 + 0.75 * random.nextDouble(),
                        random.nextInt(200) == 0));
            }
            all.add(pieces);
        }
        return all;
    }

    private static double recompute(List<List<Evidence>> all) {
        var profile = Profile.bySeconds();
        var times = new ArrayList<Double>();
        double sum = 0;
        for (int round = 0; round < 7; round++) {
            long start = System.nanoTime();
            for (var pieces : all)
                sum += Competency.of(pieces, WEEKS, WEEKS, profile).level().mean();
            // The first ones warm up.
            if (round >= 2) times.add((System.nanoTime() - start) / 1e6);
        }
        if (!(sum > 0)) throw new IllegalStateException("nothing was computed");
        return median(times);
    }

    /** @return milliseconds in which it recalculates the averages, the file once open; 0 where there is no spreadsheet */
    private static double spreadsheet(List<List<Evidence>> some) throws IOException, InterruptedException {
        var program = Path.of("/usr/bin/soffice");
        var script = TrackBench.class.getResourceAsStream("/recalculate.py");
        if (!Files.exists(program) || script == null || run("/usr/bin/python3", "-c", "import uno") != 0) {
            System.out.println("no spreadsheet here: apt-get install libreoffice-calc-nogui python3-uno, then again");
            return 0;
        }
        var folder = Files.createTempDirectory("track-bench");
        Files.copy(script, folder.resolve("recalculate.py"));
        var file = workbook(folder.resolve("term.xlsx"), some);
        int port = ServerProcess.freePort();
        var office = new ProcessBuilder(
                        program.toString(),
                        "-env:UserInstallation=file://" + folder.resolve("profile"),
                        "--headless",
                        "--norestore",
                        "--accept=socket,host=127.0.0.1,port=" + port + ";urp;")
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("said").toFile())
                .start();
        try {
            var asked = new ProcessBuilder(
                            "/usr/bin/python3",
                            folder.resolve("recalculate.py").toString(),
                            String.valueOf(port),
                            file.toString(),
                            String.valueOf(2 * PIECES),
                            String.valueOf(some.size()))
                    .redirectError(ProcessBuilder.Redirect.INHERIT)
                    .start();
            var lines = new String(asked.getInputStream().readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .toList();
            if (asked.waitFor() != 0) throw new IllegalStateException("the spreadsheet did not answer");
            // Both reckoned the same.
            for (int k = 0; k < some.size(); k++)
                if (Math.abs(Double.parseDouble(lines.get(k + 1)) - mean(some.get(k))) > 1e-6)
                    throw new IllegalStateException("row " + k + " has " + lines.get(k + 1));
            return Double.parseDouble(lines.get(0));
        } finally {
            office.destroy();
        }
    }

    private static int run(String... command) throws IOException, InterruptedException {
        return new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start()
                .waitFor();
    }

    private static double averages(List<List<Evidence>> all) {
        var times = new ArrayList<Double>();
        double sum = 0;
        for (int round = 0; round < 7; round++) {
            long start = System.nanoTime();
            for (var pieces : all) sum += mean(pieces);
            if (round >= 2) times.add((System.nanoTime() - start) / 1e6);
        }
        if (!(sum > 0)) throw new IllegalStateException("nothing was computed");
        return median(times);
    }

    private static double mean(List<Evidence> pieces) {
        double w = 0;
        double sum = 0;
        for (var e : pieces) {
            w += e.weight();
            sum += e.weight() * e.score();
        }
        return sum / w;
    }

    private static Path workbook(Path file, List<List<Evidence>> some) throws IOException {
        try (var out = Files.newOutputStream(file);
                var book = new Workbook(out, "bench", "1.0")) {
            var sheet = book.newWorksheet("term");
            for (int r = 0; r < some.size(); r++) {
                for (int c = 0; c < PIECES; c++) {
                    sheet.value(r, c, some.get(r).get(c).score());
                    sheet.value(r, PIECES + c, some.get(r).get(c).weight());
                }
                int n = r + 1;
                sheet.formula(
                        r,
                        2 * PIECES,
                        "SUMPRODUCT(A" + n + ":AN" + n + ",AO" + n + ":CB" + n + ")/SUM(AO" + n + ":CB" + n + ")");
            }
        }
        return file;
    }

    private static void pages() throws Exception {
        try (var database = TestDatabase.fresh();
                var app = ServerProcess.start(
                        database, ServerProcess.freePort(), Path.of("target", "server.log"), ServerProcess.AS_SERVED);
                var chromium = new Chromium()) {
            Cohort.grow(database, 30);
            var nadia = Visitor.as(app.url(), "nadia");
            var page = chromium.browser().newContext().newPage();
            var other = chromium.browser().newContext().newPage();
            for (var p : List.of(page, other)) {
                p.navigate(app.url() + "/sign-in");
                p.getByLabel("Sign-in").fill("nadia");
                p.getByLabel("Password").fill("regatta-nadia");
                p.keyboard().press("Enter");
                p.waitForURL("**/plan");
            }
            var opened = new ArrayList<Double>();
            for (int i = 0; i < 12; i++) {
                page.navigate(app.url() + "/plan");
                page.waitForTimeout(400);
                long start = System.nanoTime();
                page.navigate(app.url() + "/track");
                page.locator("[role=grid] tbody tr")
                        .nth(29)
                        .locator("a")
                        .first()
                        .waitFor();
                page.locator("[role=grid] a").first().focus();
                if (i >= 2) opened.add((System.nanoTime() - start) / 1e6);
            }
            report("cohort of 30 students from the address to the first key", opened);
            other.navigate(app.url() + "/track");
            other.locator("[role=grid] tbody tr").nth(29).waitFor();
            page.waitForTimeout(500);
            report("a mark given, to both open screens", marks(nadia, List.of(page, other)));
        }
    }

    /** Marks are given over HTTP; each screen says by itself when what it shows has changed. */
    private static List<Double> marks(Visitor nadia, List<Page> pages) {
        var took = new ArrayList<Double>();
        for (int i = 0; i < 12; i++) {
            var id = nadia.practical("Lena Brook", "feet");
            nadia.post(
                    "/api/practicals/" + id + "/events",
                    "{\"events\":[{\"id\":\"b" + i
                            + "\",\"device\":\"bench\",\"seq\":1,\"atMs\":1000,\"kind\":\"attend\","
                            + "\"data\":{\"on\":true}},{\"id\":\"f" + i
                            + "\",\"device\":\"bench\",\"seq\":2,\"atMs\":60000,\"kind\":\"finish\",\"data\":{}}]}");
            nadia.post("/api/practicals/" + id + "/rating", "{\"value\":70}");
            for (var p : pages)
                p.evaluate("() => { window.__changed = new Promise(done => { const o = new MutationObserver(() => {"
                        + " o.disconnect(); done(Date.now()) }); o.observe(document.querySelector('main'),"
                        + " { subtree: true, childList: true, characterData: true, attributes: true }) }) }");
            long start = System.currentTimeMillis();
            var award = nadia.put(
                    "/api/practicals/" + id + "/award",
                    "{\"from\":0,\"award\":{\"criteria\":{\"draping\":{\"value\":" + (40 + i)
                            + ",\"reason\":\"bench\"}},\"struck\":[],\"confirmed\":[],\"feedback\":\"\",\"released\":true}}");
            if (award.status() >= 300) throw new IllegalStateException(award.text());
            double last = 0;
            for (var p : pages)
                last = Math.max(last, ((Number) p.evaluate("() => window.__changed")).doubleValue() - start);
            if (i >= 2) took.add(last);
            pages.get(0).waitForTimeout(300);
        }
        return took;
    }

    private static void report(String what, List<Double> times) {
        System.out.printf(
                Locale.ROOT, "%-62s median %4.0f ms, worst %4.0f ms%n", what, median(times), Collections.max(times));
    }

    private static double median(List<Double> values) {
        var sorted = values.stream().sorted().toList();
        return (sorted.get((sorted.size() - 1) / 2) + sorted.get(sorted.size() / 2)) / 2;
    }
}

package palmtally.server.fuzz;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.function.IntConsumer;
import palmtally.server.App;
import palmtally.server.TestDatabase;

/**
 * The long run. Requests in slices of five thousand, each with a seed and a school of its own; files in slices of fifty thousand. A slice
 * that was green is written down and not run again.
 */
public final class FuzzRun {
    private static final int REQUESTS = 5_000;
    private static final int FILES = 50_000;
    private static final int HANDS = 2;

    private FuzzRun() {}

    /** @param args the file of green slices, how many requests by HTTP, how many files */
    public static void main(String[] args) throws Exception {
        var done = Path.of(args[0]);
        var green = Files.exists(done) ? Files.readAllLines(done) : List.<String>of();
        boolean red = files(done, green, Integer.parseInt(args[2]) / FILES);
        red |= requests(done, green, Integer.parseInt(args[1]) / REQUESTS);
        System.exit(red ? 1 : 0);
    }

    private static boolean files(Path done, List<String> green, int slices) throws Exception {
        boolean red = false;
        for (int s = 1; s <= slices; s++) {
            if (green.contains("files " + s)) continue;
            var fuzz = new ParserFuzz(s);
            fuzz.run(0, FILES / 10);
            long before = HttpFuzz.heap();
            long began = System.nanoTime();
            together(FILES, i -> fuzz.run(i, i + 1));
            long taken = fuzz.counts.values().stream().mapToLong(c -> c[0]).sum();
            red |= said(
                    done,
                    "files " + s,
                    taken + " taken, slowest " + fuzz.slowestMs + " ms, heap " + before + " to " + HttpFuzz.heap()
                            + " MB",
                    began,
                    List.copyOf(fuzz.faults));
        }
        return red;
    }

    private static boolean requests(Path done, List<String> green, int slices) throws Exception {
        boolean red = false;
        TestDatabase school = null;
        for (int s = 1; s <= slices; s++) {
            if (green.contains("requests " + s)) continue;
            if (school == null) {
                school = TestDatabase.fresh();
                filled(school);
            }
            try (var app = App.start(school.copy(), false)) {
                var fuzz = new HttpFuzz(app, s);
                fuzz.run(0, REQUESTS / 10);
                long before = HttpFuzz.heap();
                long began = System.nanoTime();
                together(REQUESTS - REQUESTS / 10, i -> fuzz.run(i + REQUESTS / 10, i + REQUESTS / 10 + 1));
                var faults = new ArrayList<>(fuzz.faults);
                faults.addAll(fuzz.unreadable());
                red |= said(
                        done,
                        "requests " + s,
                        fuzz.answered(200, 300) + " done, " + fuzz.answered(400, 500) + " refused, slowest "
                                + fuzz.slowestMs + " ms, heap " + before + " to " + HttpFuzz.heap() + " MB",
                        began,
                        faults);
            }
        }
        return red;
    }

    /** The demo's school, once: each slice has a copy of it. */
    private static void filled(TestDatabase school) {
        App.start(school, true).stop();
    }

    private static void together(int n, IntConsumer one) throws Exception {
        var hands = Executors.newFixedThreadPool(HANDS);
        var all = new ArrayList<Future<?>>();
        for (int h = 0; h < HANDS; h++) {
            int hand = h;
            all.add(hands.submit(() -> {
                for (int i = hand; i < n; i += HANDS) one.accept(i);
            }));
        }
        hands.shutdown();
        // A hand that breaks ends the run: what it left out is not green.
        for (var hand : all) hand.get(1, TimeUnit.HOURS);
    }

    private static boolean said(Path done, String slice, String figures, long began, List<String> faults)
            throws IOException {
        System.out.println(slice + ": " + figures + ", " + (System.nanoTime() - began) / 1_000_000_000 + " s, "
                + faults.size() + " faults");
        faults.stream().limit(20).forEach(f -> System.out.println("  " + f));
        if (faults.isEmpty())
            Files.writeString(done, slice + "\n", StandardOpenOption.CREATE, StandardOpenOption.APPEND);
        return !faults.isEmpty();
    }
}

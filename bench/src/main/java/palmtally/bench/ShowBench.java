package palmtally.bench;

import java.net.InetSocketAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import palmtally.server.Line;
import palmtally.server.ServerProcess;
import palmtally.server.TestDatabase;
import palmtally.server.Visitor;

/**
 * How soon class screens follow, with the real server and database: sixty of them that listen over HTTP, beside some that opened a line
 * and never read it; and as what people would use instead, the same sixty asking again every half a second.
 */
public final class ShowBench {
    private static final int SCREENS = 60;
    private static final int STALLED = 5;
    private static final int STEPS = 100;
    private static final int FILL = 1000;
    private static final int ASK_MS = 500;

    private ShowBench() {}

    public static void main(String[] args) throws Exception {
        try (var database = TestDatabase.fresh();
                var app = ServerProcess.start(
                        database, ServerProcess.freePort(), Path.of("target", "server.log"), ServerProcess.AS_SERVED)) {
            var nadia = Visitor.as(app.url(), "nadia");
            var view = nadia.post("/api/sequences/calves/demonstrations", "{}").json();
            var code = view.get("screen").asString();
            var marks = "/api/demonstrations/" + view.get("id").asString() + "/marks";
            var stalled = new ArrayList<Socket>();
            for (int i = 0; i < STALLED; i++) stalled.add(stalled(app.port(), code));
            report(
                    SCREENS + " class screens by lines, " + STALLED + " stalled",
                    byLines(app.url(), code, nadia, marks));
            report(
                    SCREENS + " class screens that ask every " + ASK_MS + " ms",
                    byAsking(app.url(), code, nadia, marks));
            for (var socket : stalled) socket.close();
        }
    }

    private static Socket stalled(int port, String code) throws java.io.IOException {
        var socket = new Socket();
        socket.setReceiveBufferSize(1024);
        socket.connect(new InetSocketAddress("localhost", port));
        socket.getOutputStream()
                .write(("GET /api/screens/" + code + "/live HTTP/1.1\r\nHost: localhost\r\n\r\n")
                        .getBytes(StandardCharsets.US_ASCII));
        return socket;
    }

    private static void begin(Visitor by, String marks, String run, int i) {
        var answer = by.post(
                marks,
                "{\"id\":\"" + run + i + "\",\"what\":\"started\",\"index\":" + i % 9 + ",\"atSeconds\":" + i + "}");
        if (answer.status() >= 300) throw new IllegalStateException(answer.text());
    }

    /** From the press to each screen, ms. */
    private static List<Double> byLines(String url, String code, Visitor by, String marks) throws Exception {
        var lines = new ArrayList<Line>();
        for (int i = 0; i < SCREENS; i++) lines.add(Line.open(url, code));
        var times = new ArrayList<Double>();
        for (int i = 0; i < STEPS; i++) {
            Thread.sleep(100);
            long pressed = System.nanoTime();
            begin(by, marks, "line", FILL + i);
            for (var line : lines) times.add((line.until((FILL + i) % 9).nanos() - pressed) / 1e6);
        }
        for (var line : lines) line.close();
        return times;
    }

    private static List<Double> byAsking(String url, String code, Visitor by, String marks) throws Exception {
        var times = java.util.Collections.synchronizedList(new ArrayList<Double>());
        var pressed = new long[STEPS];
        var done = new boolean[1];
        var threads = new ArrayList<Thread>();
        for (int s = 0; s < SCREENS; s++) {
            int late = s * ASK_MS / SCREENS;
            var thread = new Thread(() -> ask(url, code, late, pressed, done, times));
            thread.start();
            threads.add(thread);
        }
        Thread.sleep(2000);
        for (int i = 0; i < STEPS / 4; i++) {
            synchronized (pressed) {
                pressed[i] = System.nanoTime();
            }
            begin(by, marks, "ask", 2 * FILL + i);
            Thread.sleep(2 * ASK_MS);
        }
        done[0] = true;
        for (var thread : threads) thread.join();
        return times;
    }

    private static void ask(String url, String code, int late, long[] pressed, boolean[] done, List<Double> times) {
        var screen = Visitor.at(url);
        int seen = -1;
        try {
            Thread.sleep(late);
            while (!done[0]) {
                var live = screen.get("/api/screens/" + code).json().get("live");
                int on = (int) Math.round(live.get("startedAt").asDouble()) - 2 * FILL;
                synchronized (pressed) {
                    if (on > seen && on >= 0 && pressed[on] > 0) times.add((System.nanoTime() - pressed[on]) / 1e6);
                }
                seen = Math.max(seen, on);
                Thread.sleep(ASK_MS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private static void report(String what, List<Double> times) {
        var sorted = times.stream().sorted().toList();
        System.out.printf(
                Locale.ROOT,
                "%-46s %5d told   median %6.1f ms   p95 %6.1f ms   worst %6.1f ms%n",
                what,
                sorted.size(),
                sorted.get(sorted.size() / 2),
                sorted.get((int) (0.95 * (sorted.size() - 1))),
                sorted.get(sorted.size() - 1));
    }
}

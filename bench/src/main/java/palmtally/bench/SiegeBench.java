package palmtally.bench;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.nio.ByteBuffer;
import java.nio.channels.SelectionKey;
import java.nio.channels.Selector;
import java.nio.channels.SocketChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicBoolean;
import palmtally.server.ServerProcess;
import palmtally.server.TestDatabase;
import palmtally.server.Visitor;

/**
 * How long a teacher's tap takes while strangers do all at once what strangers can: sign-in bodies that come a letter a second, streams
 * of one class screen, reports of one handset, guesses of a password. Beside it, in the same run: the same taps while nobody else is there.
 */
public final class SiegeBench {
    private static final int SLOW_BODIES = 220;
    private static final int STREAMS = 2000;
    private static final int REPORTS = 10_000;
    private static final int REPORTS_AT_ONCE = 50;
    private static final int GUESSES = 1000;
    /** A stream is listened to, and a slow body dripped, as long as this. */
    private static final int HELD_MS = 25_000;

    private static final int TAP_EVERY_MS = 100;
    private static final int CALM_TAPS = 150;

    private SiegeBench() {}

    public static void main(String[] args) throws Exception {
        try (var database = TestDatabase.fresh();
                var app = ServerProcess.start(
                        database, ServerProcess.freePort(), Path.of("target", "server.log"), ServerProcess.AS_SERVED)) {
            var nadia = Visitor.as(app.url(), "nadia");
            var practical = nadia.practical("Lena Brook", "calves");
            var handset = nadia.post("/api/practicals/" + practical + "/handset", "")
                    .json()
                    .get("code")
                    .asString();
            var screen = nadia.post("/api/sequences/calves/demonstrations", "{}")
                    .json()
                    .get("screen")
                    .asString();
            taps(nadia, practical, "warm", i -> i < 300, 0);
            report("nobody else", taps(nadia, practical, "calm", i -> i < CALM_TAPS, TAP_EVERY_MS));

            var siege = new Siege(app.port());
            for (int i = 0; i < SLOW_BODIES; i++) siege.add("slow bodies", slowBody(), true);
            for (int i = 0; i < STREAMS; i++) siege.add("streams", get("/api/screens/" + screen + "/live"), false);
            for (int i = 0; i < REPORTS; i++)
                siege.add(
                        "handset reports",
                        post(
                                "/api/handsets/" + handset + "/reports",
                                "",
                                "{\"id\":\"r" + i + "\",\"seq\":" + i + ",\"number\":5}"),
                        false);
            for (int i = 0; i < GUESSES; i++)
                siege.add(
                        "guesses",
                        post(
                                "/api/session",
                                "Cookie: XSRF-TOKEN=x\r\nX-XSRF-TOKEN: x\r\n",
                                "{\"signIn\":\"lead\",\"password\":\"wrong words " + i + "\"}"),
                        false);
            var going = new AtomicBoolean(true);
            List<Double> times = new ArrayList<>();
            var teacher = new Thread(
                    () -> times.addAll(taps(nadia, practical, "siege", i -> going.get(), TAP_EVERY_MS)), "teacher");
            teacher.start();
            long began = System.nanoTime();
            siege.run();
            long took = (System.nanoTime() - began) / 1_000_000_000;
            going.set(false);
            teacher.join();
            report("under siege of " + took + " s", times);
            siege.outcomes.forEach((kind, counts) -> System.out.println("  " + kind + " " + counts));
            var finish = tap(nadia, practical, "end", 0, "finish", "{}");
            System.out.println("the practical is finished afterwards: " + finish.status());
        }
    }

    private interface Going {
        boolean on(int taps);
    }

    private static Visitor.Answer tap(Visitor by, String practical, String run, int i, String kind, String data) {
        return by.post(
                "/api/practicals/" + practical + "/events",
                "{\"events\":[{\"id\":\"" + run + "-" + i + "\",\"device\":\"" + run + "\",\"seq\":" + i + ",\"atMs\":"
                        + i + ",\"kind\":\"" + kind + "\",\"data\":" + data + "}]}");
    }

    /** @return from sending to the answer that it is stored, ms */
    private static List<Double> taps(Visitor by, String practical, String run, Going going, int everyMs) {
        var times = new ArrayList<Double>();
        try {
            for (int i = 0; going.on(i); i++) {
                long began = System.nanoTime();
                var answer = tap(by, practical, run, i, "note", "{\"text\":\"seen\"}");
                if (answer.status() >= 300) throw new IllegalStateException(answer.text());
                times.add((System.nanoTime() - began) / 1e6);
                Thread.sleep(everyMs);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return times;
    }

    private static void report(String what, List<Double> times) {
        var sorted = times.stream().sorted().toList();
        System.out.printf(
                Locale.ROOT,
                "taps of the teacher, %-24s %5d   median %6.1f ms   p95 %6.1f ms   worst %7.1f ms%n",
                what,
                sorted.size(),
                sorted.get(sorted.size() / 2),
                sorted.get((int) (0.95 * (sorted.size() - 1))),
                sorted.get(sorted.size() - 1));
    }

    private static byte[] get(String path) {
        return ("GET " + path + " HTTP/1.1\r\nHost: localhost\r\n\r\n").getBytes(StandardCharsets.US_ASCII);
    }

    private static byte[] post(String path, String headers, String body) {
        return ("POST " + path + " HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n" + headers
                        + "Content-Type: application/json\r\nContent-Length: " + body.length() + "\r\n\r\n" + body)
                .getBytes(StandardCharsets.US_ASCII);
    }

    private static byte[] slowBody() {
        return "POST /api/session HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\nContent-Length: 4000\r\n\r\n{"
                .getBytes(StandardCharsets.US_ASCII);
    }

    /** Many connections of one thread: each says its piece, and is counted by what it is answered. */
    private static final class Siege {
        private static final class Line {
            final String kind;
            final ByteBuffer out;
            final boolean drips;
            final ByteBuffer in = ByteBuffer.allocate(12);
            boolean answered;

            Line(String kind, byte[] out, boolean drips) {
                this.kind = kind;
                this.out = ByteBuffer.wrap(out);
                this.drips = drips;
            }
        }

        final Map<String, Map<String, Integer>> outcomes = new TreeMap<>();
        private final InetSocketAddress at;
        private final List<Line> first = new ArrayList<>();
        private final ArrayDeque<Line> reports = new ArrayDeque<>();
        private final ByteBuffer scrap = ByteBuffer.allocate(4096);

        Siege(int port) {
            at = new InetSocketAddress("localhost", port);
        }

        void add(String kind, byte[] out, boolean drips) {
            var line = new Line(kind, out, drips);
            if (kind.startsWith("handset")) reports.add(line);
            else first.add(line);
        }

        void run() throws IOException {
            try (var selector = Selector.open()) {
                for (var line : first) open(selector, line);
                for (int i = 0; i < REPORTS_AT_ONCE; i++) open(selector, reports.poll());
                long began = System.nanoTime();
                long dripped = began;
                while (true) {
                    selector.select(50);
                    for (var key : selector.selectedKeys()) serve(selector, key);
                    selector.selectedKeys().clear();
                    long now = System.nanoTime();
                    if (now - dripped > 1_000_000_000L) {
                        dripped = now;
                        for (var key : selector.keys()) drip(selector, key);
                    }
                    if (now - began > HELD_MS * 1_000_000L && reports.isEmpty()) break;
                }
                for (var key : selector.keys()) {
                    if (key.attachment() instanceof Line line && !line.answered) count(line, "no answer");
                    key.channel().close();
                }
            }
        }

        private void open(Selector selector, Line line) throws IOException {
            if (line == null) return;
            var channel = SocketChannel.open();
            channel.configureBlocking(false);
            channel.connect(at);
            channel.register(selector, SelectionKey.OP_CONNECT, line);
        }

        private void serve(Selector selector, SelectionKey key) throws IOException {
            if (!key.isValid()) return;
            var channel = (SocketChannel) key.channel();
            var line = (Line) key.attachment();
            try {
                if (key.isConnectable() && channel.finishConnect())
                    key.interestOps(SelectionKey.OP_WRITE | SelectionKey.OP_READ);
                if (key.isWritable()) {
                    channel.write(line.out);
                    if (!line.out.hasRemaining()) key.interestOps(SelectionKey.OP_READ);
                }
                if (!key.isReadable()) return;
                if (line.answered) {
                    scrap.clear();
                    if (channel.read(scrap) < 0) end(selector, key, line, null);
                    return;
                }
                int read = channel.read(line.in);
                if (!line.in.hasRemaining()) {
                    line.answered = true;
                    var status = new String(line.in.array(), StandardCharsets.US_ASCII).substring(9, 12);
                    count(line, status);
                    if (!line.kind.equals("streams") || !status.equals("200")) end(selector, key, line, null);
                } else if (read < 0) end(selector, key, line, "closed");
            } catch (IOException e) {
                end(selector, key, line, line.answered ? null : "refused");
            }
        }

        private void drip(Selector selector, SelectionKey key) throws IOException {
            if (!key.isValid() || !(key.attachment() instanceof Line line) || !line.drips || line.out.hasRemaining())
                return;
            try {
                ((SocketChannel) key.channel()).write(ByteBuffer.wrap(new byte[] {' '}));
            } catch (IOException e) {
                end(selector, key, line, "refused");
            }
        }

        private void end(Selector selector, SelectionKey key, Line line, String outcome) throws IOException {
            if (outcome != null) {
                line.answered = true;
                count(line, outcome);
            }
            key.cancel();
            key.channel().close();
            if (line.kind.startsWith("handset")) open(selector, reports.poll());
        }

        private void count(Line line, String outcome) {
            outcomes.computeIfAbsent(line.kind, k -> new TreeMap<>()).merge(outcome, 1, Integer::sum);
        }
    }
}

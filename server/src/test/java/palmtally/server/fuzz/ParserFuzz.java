package palmtally.server.fuzz;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Random;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicLong;
import palmtally.core.InvalidValue;
import palmtally.core.calendar.TermChecks;
import palmtally.core.jot.Jot;
import palmtally.core.practical.Scores;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.check.Checks;
import palmtally.core.technique.Techniques;
import palmtally.formats.ClassList;
import palmtally.formats.Documents;
import palmtally.formats.FormatException;
import palmtally.formats.Json;
import palmtally.formats.StepTable;
import palmtally.formats.UnreadableDocument;
import tools.jackson.databind.JsonNode;

/** Files that nobody means through every reader; what a reader takes is judged, written and read again. */
final class ParserFuzz {
    private static final Path EXAMPLES = Path.of("..", "docs", "formats", "examples");
    private static final long SLOW_MS = 5000;

    /** One reader: what it reads is judged as the app would. */
    private interface Reading {
        void read(String text) throws FormatException;
    }

    private record Kind(String name, List<String> texts, Reading reading) {}

    private final List<Kind> kinds;
    private final Map<String, JsonNode> trees = new ConcurrentHashMap<>();
    private final long seed;

    /** How many were taken and refused, by kind. */
    final Map<String, long[]> counts = new ConcurrentHashMap<>();

    final Queue<String> faults = new ConcurrentLinkedQueue<>();
    final AtomicLong slowestMs = new AtomicLong();

    ParserFuzz(long seed) throws IOException, FormatException {
        this.seed = seed;
        var profile = Documents.readProfile(example("profile"));
        var table = StepTable.write(List.of(Documents.readSequence(example("sequence"))));
        kinds = List.of(
                new Kind("sequence", List.of(example("sequence")), text -> {
                    var read = Documents.readSequence(text);
                    Checks.run(read, profile);
                    same(read, Documents.readSequence(Documents.write(read)));
                }),
                new Kind("profile", List.of(example("profile"), example("profile-b")), text -> {
                    var read = Documents.readProfile(text);
                    same(read, Documents.readProfile(Documents.write(read)));
                }),
                new Kind("practical", List.of(small(example("practical"))), text -> {
                    var read = Documents.readPractical(text);
                    Scores.of(read);
                    same(read, Documents.readPractical(Documents.write(read)));
                }),
                new Kind("curriculum", List.of(example("curriculum")), text -> curriculum(text, profile)),
                new Kind("techniques", List.of(example("techniques")), text -> {
                    var read = Documents.readTechniques(text);
                    same(read, Documents.readTechniques(Documents.write(read)));
                }),
                new Kind(
                        "class list",
                        List.of(
                                "name,sign-in,role\nŽofie Ott,zo.ott,student\nBo Quay,,student\nMaren Hill,maren,grader\n",
                                "Žofie Ott;zo.ott\nBo Quay\n",
                                "name\trole\nBo\tstudent\n"),
                        ClassList::read),
                new Kind("steps", List.of(table), text -> {
                    for (var sequence : StepTable.read(text, Techniques.SHIPPED)) Checks.run(sequence, profile);
                }),
                new Kind(
                        "line",
                        List.of(
                                "effleurage calf left 6 strokes depth 3, eyes on the face",
                                "petrissage thigh-back 90 s forearm each side",
                                "hold 3 x 20 s heel of hand low back",
                                "knead both calves 2 min"),
                        ParserFuzz::line));
    }

    private static void line(String text) {
        var jotted = Jot.jot(text, Techniques.SHIPPED, "s1", null);
        if (jotted.step() == null && jotted.asked() == null)
            throw new IllegalStateException("neither step nor question");
    }

    private static void curriculum(String text, Profile profile) throws FormatException {
        var read = Documents.readCurriculum(text);
        TermChecks.run(read.curriculum(), read.sequences(), profile);
        same(read, Documents.readCurriculum(Documents.write(read)));
    }

    private static void same(Object read, Object again) {
        if (!read.equals(again)) throw new AssertionError("written and read again it is another");
    }

    private static String example(String name) throws IOException {
        return Files.readString(EXAMPLES.resolve(name + ".json"));
    }

    /** With its first events alone: faults are found sooner in what is short. */
    private static String small(String practical) {
        var file = Json.MAPPER.readTree(practical);
        var events = (tools.jackson.databind.node.ArrayNode) file.get("events");
        while (events.size() > 60) events.remove(60);
        return file.toString();
    }

    void run(int from, int to) {
        for (int i = from; i < to; i++) one(i);
    }

    private void one(int number) {
        var random = new Random(seed * 1_000_003L + number);
        for (int i = 0; i < 3; i++) random.nextLong();
        var mangler = new Mangler(random);
        var kind = kinds.get(random.nextInt(kinds.size()));
        var text = kind.texts.get(random.nextInt(kind.texts.size()));
        if (text.startsWith("{") && random.nextInt(4) > 0)
            text = Mangler.written(mangler.spoiled(trees.computeIfAbsent(text, Json.MAPPER::readTree)));
        else text = mangler.spoiled(text);
        long ms = read(number, kind, text);
        // Late once may be the machine, which others use too; what is late is read again.
        if (ms > SLOW_MS) ms = Math.min(ms, read(number, kind, text));
        slowestMs.accumulateAndGet(ms, Math::max);
        if (ms > SLOW_MS) faults.add(number + " " + kind.name + " took " + ms + " ms");
    }

    /** How long it took, in ms. */
    private long read(int number, Kind kind, String text) {
        var count = counts.computeIfAbsent(kind.name, k -> new long[2]);
        long began = System.nanoTime();
        try {
            kind.reading.read(text);
            synchronized (count) {
                count[0]++;
            }
        } catch (FormatException | InvalidValue | UnreadableDocument e) {
            synchronized (count) {
                count[1]++;
            }
        } catch (RuntimeException | StackOverflowError | AssertionError | OutOfMemoryError e) {
            faults.add(number + " " + kind.name + ": " + e + at(e));
        }
        return HttpFuzz.since(began);
    }

    private static String at(Throwable e) {
        var lines = new ArrayList<String>();
        for (var line : e.getStackTrace())
            if (line.getClassName().startsWith("palmtally") && lines.size() < 3) lines.add(line.toString());
        return " " + lines;
    }
}

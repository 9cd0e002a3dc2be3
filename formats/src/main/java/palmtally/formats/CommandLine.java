package palmtally.formats;

import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.calendar.TermChecks;
import palmtally.core.jot.Jotted;
import palmtally.core.jot.Routine;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.check.Checks;

/**
 * {@code check FILE [--profile P]} prints the findings about a sequence or a curriculum, {@code score RECORD} the five scores, and
 * {@code jot [--profile P]} what is made of each line that comes in, all as JSON. P is the id of a shipped profile ({@code by-seconds}, {@code by-response}, or {@code a}, {@code b}) or a profile file. Exit code 0: read; 2: a file or an
 * argument is bad, every fault on standard error as JSON.
 */
public final class CommandLine {
    private static final String USAGE =
            "check SEQUENCE-OR-CURRICULUM [--profile P] | score RECORD | jot [--profile P] < LINES";
    private final InputStream in;
    private final PrintStream out;
    private final PrintStream err;

    CommandLine(InputStream in, PrintStream out, PrintStream err) {
        this.in = in;
        this.out = out;
        this.err = err;
    }

    public static void main(String[] args) {
        var utf8 = StandardCharsets.UTF_8;
        System.exit(new CommandLine(
                        System.in, new PrintStream(System.out, true, utf8), new PrintStream(System.err, true, utf8))
                .run(args));
    }

    int run(String... args) {
        try {
            if (args.length == 2 && args[0].equals("score")) {
                print(out, ScoreView.of(Documents.readPractical(read(args[1]))));
                return 0;
            }
            boolean jots = args.length >= 1 && args[0].equals("jot");
            if (jots || args.length >= 2 && args[0].equals("check")) {
                var rest = new ArrayList<>(List.of(args).subList(1, args.length));
                var profile = Profile.bySeconds();
                int flag = rest.indexOf("--profile");
                if (flag >= 0) {
                    if (flag + 1 >= rest.size())
                        return refuse(
                                "",
                                List.of(new Fault(
                                        "--profile", "", "needs a profile: by-seconds, by-response or a file")));
                    profile = profile(rest.get(flag + 1));
                    rest.subList(flag, flag + 2).clear();
                }
                if (jots && rest.isEmpty()) {
                    print(out, jotted(profile));
                    return 0;
                }
                if (!jots && rest.size() == 1) {
                    print(out, checked(read(rest.get(0)), profile));
                    return 0;
                }
            }
            return refuse("", List.of(new Fault("arguments", String.join(" ", args), "must be: " + USAGE)));
        } catch (FormatException e) {
            return refuse(args.length > 1 ? args[1] : "", e.faults());
        } catch (NoSuchFileException e) {
            return refuse(e.getFile(), List.of(new Fault("file", e.getFile(), "does not exist")));
        } catch (CharacterCodingException e) {
            var named = args.length > 1 ? args[1] : "";
            return refuse(named, List.of(new Fault("file", named, "is not UTF-8 text")));
        } catch (IOException e) {
            var named = args.length > 1 ? args[1] : "";
            return refuse(named, List.of(new Fault("file", named, "cannot be read: " + e.getMessage())));
        }
    }

    /**
     * What was made of a line.
     *
     * @param note what was not understood, in the words of the line
     */
    record JottedView(String line, @Nullable Step step, String note, Jotted.@Nullable Asked asked) {}

    /** Each line goes on from the one before it, as in a routine; blank ones and those that begin with # say nothing. */
    private List<JottedView> jotted(Profile profile) throws IOException, FormatException {
        var bytes = in.readNBytes(Documents.MOST_BYTES + 1);
        if (bytes.length > Documents.MOST_BYTES)
            throw new FormatException(List.of(new Fault("lines", "", "must be at most 32 MiB")));
        var text = StandardCharsets.UTF_8
                .newDecoder()
                .decode(ByteBuffer.wrap(bytes))
                .toString();
        var lines = text.lines().filter(l -> !l.isBlank() && !l.startsWith("#")).toList();
        return Routine.of(lines, profile.techniques(), n -> "step-" + n, null).stream()
                .map(j -> new JottedView(j.line(), j.step(), String.join("; ", j.note()), j.asked()))
                .toList();
    }

    /** What the checks say of a sequence, or of a whole curriculum. */
    private static Object checked(String text, Profile profile) throws FormatException {
        if (!text.contains("\"palm-tally/curriculum\""))
            return ScoreView.of(Checks.run(Documents.readSequence(text), profile));
        var file = Documents.readCurriculum(text);
        return TermChecksView.of(TermChecks.run(file.curriculum(), file.sequences(), profile));
    }

    private static Profile profile(String name) throws FormatException, IOException {
        return switch (name) {
            case "a", "by-seconds" -> Profile.bySeconds();
            case "b", "by-response" -> Profile.byResponse();
            default -> {
                if (!Files.exists(Path.of(name)) && !name.contains("/") && !name.endsWith(".json"))
                    throw new FormatException(
                            List.of(new Fault("--profile", name, "is neither by-seconds, by-response nor a file")));
                yield Documents.readProfile(read(name));
            }
        };
    }

    private static String read(String file) throws IOException, FormatException {
        var path = Path.of(file);
        if (Files.isDirectory(path)) throw new FormatException(List.of(new Fault("file", file, "is a folder")));
        if (Files.exists(path) && Files.size(path) > Documents.MOST_BYTES)
            throw new FormatException(
                    List.of(new Fault("file", Files.size(path) + " bytes", "must be at most 32 MiB")));
        return Files.readString(path);
    }

    private int refuse(String file, List<Fault> faults) {
        var body = new LinkedHashMap<String, Object>();
        body.put("file", file);
        body.put("faults", faults);
        print(err, body);
        return 2;
    }

    private static void print(PrintStream to, Object value) {
        to.println(Json.MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(value));
    }
}

package palmtally.formats;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.CharacterCodingException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.calendar.TermChecks;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.check.Checks;

/**
 * {@code check FILE [--profile P]} prints the findings about a sequence or a curriculum, {@code score RECORD} the five scores, both as JSON. P is the id of a
 * shipped profile ({@code by-seconds}, {@code by-response}, or {@code a}, {@code b}) or a profile file. Exit code 0: read; 2: a file or an
 * argument is bad, every fault on standard error as JSON.
 */
public final class CommandLine {
    private static final String USAGE = "check SEQUENCE-OR-CURRICULUM [--profile P] | score RECORD";
    private final PrintStream out;
    private final PrintStream err;

    CommandLine(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    public static void main(String[] args) {
        var utf8 = java.nio.charset.StandardCharsets.UTF_8;
        System.exit(new CommandLine(new PrintStream(System.out, true, utf8), new PrintStream(System.err, true, utf8))
                .run(args));
    }

    int run(String... args) {
        try {
            if (args.length == 2 && args[0].equals("score")) {
                print(out, ScoreView.of(Documents.readPractical(read(args[1]))));
                return 0;
            }
            if (args.length >= 2 && args[0].equals("check")) {
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
                if (rest.size() == 1) {
                    print(out, checked(read(rest.get(0)), profile));
                    return 0;
                }
            }
            return refuse("", List.of(new Fault("arguments", String.join(" ", args), "must be: " + USAGE)));
        } catch (FormatException e) {
            return refuse(args[1], e.faults());
        } catch (NoSuchFileException e) {
            return refuse(e.getFile(), List.of(new Fault("file", e.getFile(), "does not exist")));
        } catch (CharacterCodingException e) {
            return refuse(args[1], List.of(new Fault("file", args[1], "is not UTF-8 text")));
        } catch (IOException e) {
            return refuse(args[1], List.of(new Fault("file", args[1], "cannot be read: " + e.getMessage())));
        }
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

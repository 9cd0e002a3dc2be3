package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import palmtally.core.finding.Criterion;
import palmtally.core.profile.Choices;

/**
 * What is said of eighty runs, down to every part, finding, question, region and outcome, as a digest for each run. It says that something
 * changed, not that it is right: that is for the other tests. {@code PALM_WRITE_RUNS=1} writes them anew, once what changed was looked at
 * ({@code PALM_TELL_RUN=7} prints all of run 7).
 *
 * <p>The number of the rules goes with the marks alone. Where they come about otherwise, raise {@link MarkRules#NUMBER}.
 */
class MarksOfRunsTest {
    private static final Path FILE = Path.of("src", "test", "resources", "marks-of-runs.txt");
    private static final int RUNS = 80;

    @Test
    void are_what_they_were() throws IOException {
        var lines = new ArrayList<String>();
        var marks = new StringBuilder();
        for (int seed = 0; seed < RUNS; seed++) {
            var scores = Scores.of(AnyRun.of(seed));
            var all = all(scores);
            if (String.valueOf(seed).equals(System.getenv("PALM_TELL_RUN"))) System.out.println(all);
            lines.add(seed + " " + digest(all));
            for (var c : scores.criteria()) marks.append(score(c)).append('\n');
        }
        var rules = "rules " + MarkRules.NUMBER + " " + digest(marks.toString());
        var before = Files.exists(FILE) ? Files.readAllLines(FILE) : List.<String>of();
        if (System.getenv("PALM_WRITE_RUNS") != null) {
            var kept = before.stream().filter(l -> l.startsWith("rules ")).toList();
            var text = new ArrayList<>(kept);
            if (kept.stream().noneMatch(l -> l.startsWith("rules " + MarkRules.NUMBER + " "))) text.add(rules);
            text.addAll(lines);
            Files.write(FILE, text);
            before = text;
        }
        assertThat(before)
                .as("marks came about otherwise: raise MarkRules.NUMBER, then PALM_WRITE_RUNS=1")
                .contains(rules);
        assertThat(lines)
                .isEqualTo(before.stream().filter(l -> !l.startsWith("rules ")).toList());
    }

    private static String score(Scored c) {
        return c.score() == null ? "–" : String.format(Locale.ROOT, "%.6f", c.score());
    }

    private static String all(Scores scores) {
        var text = new StringBuilder();
        for (var c : scores.criteria()) {
            text.append(c.criterion()).append(' ').append(score(c)).append(' ').append(c.why());
            text.append(' ').append(c.applicable()).append(' ').append(c.observations());
            text.append(' ').append(c.interval()).append('\n');
            for (var p : c.parts()) text.append("  ").append(p).append('\n');
            for (var f : c.findings()) text.append("  ").append(f).append('\n');
            for (var q : c.questions()) text.append("  ").append(q).append('\n');
        }
        var run = scores.run();
        text.append(run.done())
                .append(run.contacts())
                .append(run.opens())
                .append(run.paused())
                .append('\n');
        for (var s : run.attendedStretches())
            text.append(s[0]).append('–').append(s[1]).append(' ');
        text.append(scores.questions()).append('\n');
        for (var rule : Choices.find("outcome").orElseThrow().options()) {
            var p = run.practical();
            var under = Scores.of(new Practical(
                    p.sequence(),
                    Choices.find("outcome").orElseThrow().choose(p.profile(), rule.id()),
                    p.asked(),
                    p.sides(),
                    p.extent(),
                    p.events()));
            for (var rating : new Double[] {null, 40.0, 75.0})
                text.append(Outcome.of(under, Map.of(), under.critical().size(), rating))
                        .append('\n');
            var given = Map.of(Criterion.PRESSURE, 65.0, Criterion.ORDER, 55.0);
            var outcome = Outcome.of(under, given, 0, 65.0);
            text.append(outcome)
                    .append(Again.of(under, outcome, given, Set.of()))
                    .append('\n');
        }
        text.append(Goal.of(scores, Set.of()))
                .append(StepLook.of(scores, Set.of()))
                .append('\n');
        Excerpt.regions(run.practical()).forEach((region, steps) -> {
            text.append(region).append(steps);
            for (var c : Excerpt.of(scores, s -> steps.contains(s.id())).criteria())
                text.append(score(c))
                        .append(' ')
                        .append(c.why())
                        .append(c.findings())
                        .append(c.parts())
                        .append('\n');
        });
        return text.toString();
    }

    private static String digest(String text) {
        try {
            var digest = MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest).substring(0, 12);
        } catch (NoSuchAlgorithmException e) {
            throw new UncheckedIOException(new IOException(e));
        }
    }
}

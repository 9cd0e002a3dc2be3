package palmtally.browser;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.body.Zone;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.picture.Build;
import palmtally.core.practical.AnyRun;
import palmtally.core.profile.Numbers;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Template;
import palmtally.core.sequence.check.Checks;
import palmtally.core.sequence.check.Found;
import palmtally.core.technique.HandName;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;
import palmtally.core.technique.Tool;
import palmtally.formats.Documents;
import palmtally.formats.FormatException;
import palmtally.formats.Json;
import palmtally.formats.draft.Drafts;
import palmtally.formats.draft.OfSchool;
import palmtally.formats.live.Tables;
import tools.jackson.databind.JsonNode;

/**
 * What a page may ask, made by a seed: schools with numbers, severities, techniques and words of their own; plans that were taught, laid
 * out by a template, and changed at random in any part of any step; lines as teachers jot them. Each stands in a line of JSON beside what
 * the JVM answers.
 */
final class Cases {
    private static final Path SEQUENCES = Path.of("../server/src/main/resources/demo/sequences");
    private static final Path LINES = Path.of("../formats/src/test/resources");
    private static final int SCHOOLS = 12;

    private final Random random;
    private final BufferedWriter out;
    private final List<Sequence> taught = new ArrayList<>();
    private OfSchool school = new OfSchool("", List.of(), Techniques.SHIPPED, Build.MIDDLE);
    private int count;

    private Cases(long seed, BufferedWriter out) throws IOException {
        random = new Random(seed);
        this.out = out;
        try (var files = Files.list(SEQUENCES)) {
            for (var file : files.sorted().toList()) taught.add(Documents.readSequence(Files.readString(file)));
        } catch (FormatException e) {
            throw new IOException(e);
        }
    }

    /**
     * @param plans how many plans each school has
     * @return how many cases were written
     */
    static int write(Path to, long seed, int plans) throws IOException {
        try (var out = Files.newBufferedWriter(to)) {
            var cases = new Cases(seed, out);
            for (int i = 0; i < SCHOOLS; i++) {
                cases.school(i);
                for (int p = 0; p < plans; p++) cases.plan();
                cases.jotted(i, Math.max(1, 12 / plans));
                for (int p = 0; p < plans; p++) cases.practical(1000L * seed + plans * i + p);
            }
            return cases.count;
        }
    }

    /** Where to, the seed, and how many plans. */
    public static void main(String[] args) throws IOException {
        write(Path.of(args[0]), Long.parseLong(args[1]), Integer.parseInt(args[2]));
    }

    private <T> T any(List<T> from) {
        return from.get(random.nextInt(from.size()));
    }

    private boolean oneIn(int n) {
        return random.nextInt(n) == 0;
    }

    /** The first is as it ships. */
    private void school(int i) {
        var techniques = Techniques.SHIPPED;
        if (i > 0) {
            var own = new ArrayList<Technique>();
            for (int n = 0; n < 3; n++) {
                var like = any(Techniques.SHIPPED.all());
                own.add(changed(oneIn(2) ? like : renamed(like, n), 3));
            }
            techniques = orElse(() -> Techniques.SHIPPED
                            .with(own)
                            .withHands(List.of(new HandName("rolling-pin fist", any(List.of(Tool.values()))))))
                    .orElse(Techniques.SHIPPED);
        }
        var profiles = new ArrayList<Profile>();
        for (var p : Profile.shipped()) {
            var profile = p;
            for (int n = 0; i > 0 && n < 8; n++) {
                var row = any(Numbers.all());
                double value = row.value(p) * (0.5 + random.nextDouble() * 1.5);
                var before = profile;
                profile = orElse(() -> row.set(before, oneIn(2) ? value : Math.round(value)))
                        .orElse(before);
            }
            if (i > 0) {
                var worth = new LinkedHashMap<Rule, Severity>();
                for (int n = 0; n < 6; n++) worth.put(any(Rule.all()), any(List.of(Severity.values())));
                var before = profile;
                profile = orElse(() -> before.withSeverities(worth)).orElse(before);
                profile = changed(profile, 2);
            }
            profiles.add(profile);
        }
        school = new OfSchool(any(profiles).id(), List.copyOf(profiles), techniques, any(List.of(Build.values())));
        line("know", school, Map.of());
    }

    private Technique renamed(Technique like, int n) {
        var tree = Json.MAPPER.valueToTree(like);
        ((tools.jackson.databind.node.ObjectNode) tree).put("id", "own-" + n).put("name", "Own " + n);
        ((tools.jackson.databind.node.ObjectNode) tree).putArray("aliases");
        return Json.MAPPER.treeToValue(tree, Technique.class);
    }

    private void plan() {
        var profile = oneIn(3) ? null : any(school.profiles()).id();
        var before = plan(school.profile(profile));
        var sequence = varied(before);
        ask(
                "check",
                new Drafts.Draft(sequence, profile, null),
                () -> Drafts.check(new Drafts.Draft(sequence, profile, null), school));
        var found = orElse(() -> Checks.run(sequence, school.profile(profile)).found())
                .orElse(List.of());
        for (var f : found.stream()
                .filter(f -> f.mend().isPresent())
                .limit(4)
                .map(Found::finding)
                .toList()) {
            var body = new Drafts.DraftMend(sequence, profile, f.key(), null);
            ask("mend", body, () -> Drafts.mend(body, school));
        }
        var all = new Drafts.DraftMendAll(sequence, profile, null, oneIn(2));
        if (oneIn(2)) ask("mendAll", all, () -> Drafts.mendAll(all, school));
        var fit = new Drafts.DraftFit(
                sequence,
                profile,
                oneIn(4) ? null : Math.round(sequence.slotSeconds() * (0.3 + random.nextDouble())) * 1.0);
        if (oneIn(3)) ask("fit", fit, () -> Drafts.fit(fit, school));
        for (int i = 0; i < 3; i++) {
            var picture = new Drafts.DraftPicture(
                    sequence,
                    profile,
                    random.nextInt(2 * sequence.steps().size()),
                    oneIn(2) ? null : 1.4 + random.nextInt(60) / 100.0);
            ask("picture", picture, () -> Drafts.picture(picture, school));
        }
        var two = new Drafts.Two(before, sequence);
        ask("difference", two, () -> Drafts.difference(two));
        var laid = new Drafts.Laid(sequence, profile, any(List.of(Template.values())), zones());
        if (oneIn(3)) ask("template", laid, () -> Drafts.template(laid, school));
    }

    private List<Zone> zones() {
        var zones = new LinkedHashSet<Zone>();
        for (int i = 0; i <= random.nextInt(3); i++) zones.add(any(List.of(Zone.values())));
        return List.copyOf(zones);
    }

    private Sequence plan(Profile profile) {
        var like = any(taught);
        if (oneIn(2)) return like;
        return orElse(() -> {
                    var blocks = any(List.of(Template.values())).blocks(like, zones(), profile);
                    return with(like, blocks);
                })
                .orElse(like);
    }

    private static Sequence with(Sequence like, List<Block> blocks) {
        var tree = (tools.jackson.databind.node.ObjectNode) Json.MAPPER.valueToTree(like);
        tree.set("blocks", Json.MAPPER.valueToTree(blocks));
        tree.remove("techniques");
        return Json.MAPPER.treeToValue(tree, Sequence.class);
    }

    /** A plan with any part of some steps otherwise, some in another order, and some twice. */
    private Sequence varied(Sequence of) {
        var blocks = new ArrayList<Block>();
        int fresh = 0;
        for (var block : of.blocks()) {
            var steps = new ArrayList<Step>();
            for (var step : block.steps()) {
                var one = oneIn(2) ? step : changed(step, 1 + random.nextInt(3));
                steps.add(one);
                if (oneIn(12)) steps.add(copied(one, "again-" + fresh++));
            }
            if (oneIn(3)) java.util.Collections.shuffle(steps, random);
            blocks.add(orElse(() -> changed(
                            new Block(
                                    block.id(),
                                    block.name(),
                                    block.order(),
                                    block.repeat(),
                                    block.drape(),
                                    List.copyOf(steps)),
                            1))
                    .orElse(block));
        }
        return orElse(() -> changed(with(of, blocks), 1)).orElse(of);
    }

    private static Step copied(Step step, String id) {
        var tree = (tools.jackson.databind.node.ObjectNode) Json.MAPPER.valueToTree(step);
        return Json.MAPPER.treeToValue(tree.put("id", id), Step.class);
    }

    /** A record with some parts otherwise, as far as it can be. */
    private <T extends Record> T changed(T of, int times) {
        var now = of;
        for (int i = 0; i < times; i++) {
            var before = now;
            now = orElse(() -> changed(before)).orElse(before);
        }
        return now;
    }

    @SuppressWarnings("unchecked")
    private <T extends Record> T changed(T of) throws InvalidValue {
        var parts = of.getClass().getRecordComponents();
        var part = any(List.of(parts));
        var values = new Object[parts.length];
        try {
            for (int i = 0; i < parts.length; i++)
                values[i] = parts[i].getAccessor().invoke(of);
            int at = List.of(parts).indexOf(part);
            values[at] = other(part, values[at]);
            var types = Arrays.stream(parts).map(RecordComponent::getType).toArray(Class<?>[]::new);
            var made = of.getClass().getDeclaredConstructor(types);
            made.setAccessible(true);
            return (T) made.newInstance(values);
        } catch (InvocationTargetException e) {
            if (e.getCause() instanceof RuntimeException wrong) throw wrong;
            throw new IllegalStateException(e);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }

    private @Nullable Object other(RecordComponent part, @Nullable Object now) {
        var type = part.getType();
        if (part.getName().equals("id") || part.getName().equals("blocks")) return now;
        if (part.getAnnotatedType().isAnnotationPresent(Nullable.class) && now != null && oneIn(3)) return null;
        if (type == Technique.class) return any(school.techniques().all());
        if (type.isEnum()) return any(List.of(type.getEnumConstants()));
        if (type == int.class || type == Integer.class) return random.nextInt(7);
        if (type == double.class || type == Double.class)
            return oneIn(2) ? (double) random.nextInt(300) : random.nextDouble() * 100;
        if (type == boolean.class || type == Boolean.class) return random.nextBoolean();
        if (Collection.class.isAssignableFrom(type)
                && ((ParameterizedType) part.getGenericType()).getActualTypeArguments()[0] instanceof Class<?> of
                && of.isEnum()) {
            var some = new LinkedHashSet<Object>();
            for (int i = 0; i <= random.nextInt(3); i++) some.add(any(List.of(of.getEnumConstants())));
            return type == Set.class ? some : List.copyOf(some);
        }
        if (now instanceof Record record && type != Techniques.class) return changed(record);
        return now;
    }

    /** Lines of the corpora, one by one and as whole routines; of so many one. */
    private void jotted(int i, int sparse) throws IOException {
        var all = new ArrayList<String>();
        for (var file : List.of("lines.txt", "routines.txt"))
            for (var line : Files.readAllLines(LINES.resolve(file))) {
                int end = line.indexOf(" => ");
                if (end > 0 && !line.startsWith("#")) all.add(line.substring(0, end));
            }
        for (int at = i; at + 6 < all.size(); at += SCHOOLS * 6 * sparse) {
            var lines = all.subList(at, at + 1 + random.nextInt(6));
            var ids = new ArrayList<String>();
            for (int n = 0; n < lines.size(); n++) ids.add("l" + n);
            var body = new Drafts.Lines(
                    List.copyOf(lines), ids, oneIn(3) ? any(any(taught).steps()) : null);
            ask("lines", body, () -> Drafts.lines(body, school));
        }
    }

    /** Some run of some plan, opened with a part of what was seen and told the rest by and by. */
    private void practical(long seed) {
        var run = AnyRun.of(seed);
        var events = new ArrayList<>(run.events());
        java.util.Collections.shuffle(events, random);
        int known = oneIn(2) ? 0 : random.nextInt(events.size() + 1);
        var opened = new Tables.Opened(
                "p" + seed,
                run.sequence(),
                run.profile(),
                run.asked(),
                run.sides(),
                run.extent(),
                oneIn(2) ? null : 60.0 * random.nextInt(40),
                random.nextBoolean(),
                List.copyOf(events.subList(0, known)));
        var watched = new Tables.Watched(run.events(), 10 + random.nextInt(30));
        ask("watch", watched, () -> Tables.watch(watched));
        var tables = new Tables();
        ask("open", opened, () -> tables.open(opened));
        for (int i = 0; i < 6; i++) {
            int after = known;
            known = i == 5 ? events.size() : Math.min(events.size(), known + random.nextInt(4));
            var seen = new Tables.Seen("p" + seed, after, List.copyOf(events.subList(after, known)));
            ask("see", seen, () -> tables.see(seen));
        }
    }

    private void ask(String what, Record body, Supplier<Object> answer) {
        Object said;
        try {
            said = answer.get();
        } catch (InvalidValue e) {
            said = new PalmCore.Refused(e.faults());
        }
        line(what, body, said);
        count++;
    }

    private void line(String what, Object body, Object said) {
        var line = new LinkedHashMap<String, JsonNode>();
        line.put("ask", Json.MAPPER.valueToTree(what));
        line.put("body", Json.MAPPER.valueToTree(body));
        line.put("said", Json.MAPPER.valueToTree(said));
        try {
            out.write(Json.MAPPER.writeValueAsString(line));
            out.newLine();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** What can be made; nothing where a rule of the trade says that it cannot be. */
    private static <T> java.util.Optional<T> orElse(Supplier<T> make) {
        try {
            return java.util.Optional.of(make.get());
        } catch (IllegalArgumentException | NullPointerException e) {
            return java.util.Optional.empty();
        } catch (tools.jackson.core.JacksonException e) {
            return java.util.Optional.empty();
        }
    }
}

package palmtally.core.sequence;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;
import palmtally.core.sequence.detail.Detail;
import palmtally.core.sequence.detail.DetailField;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;

/** What lies between two versions of a sequence, as sentences people read. */
public final class Difference {
    private Difference() {}

    private static final Map<String, Function<Step, @Nullable Object>> FIELDS = fields();

    private static Map<String, Function<Step, @Nullable Object>> fields() {
        var fields = new LinkedHashMap<String, Function<Step, @Nullable Object>>();
        fields.put("name", Step::name);
        fields.put("technique", s -> s.technique().name());
        fields.put("zones", s -> s.zones().stream().map(z -> z.label()).collect(Collectors.joining(", ")));
        fields.put("side", Step::side);
        fields.put("hand", Step::handWords);
        fields.put("depth", Step::depth);
        fields.put("band", Step::band);
        fields.put("dose", s -> s.dose().words());
        fields.put(
                "dose of the second side",
                s -> s.secondSide() == null ? null : s.secondSide().words());
        fields.put("least seconds", Step::minimumSeconds);
        fields.put("target seconds", Step::targetSeconds);
        fields.put("seconds in class", Step::classSeconds);
        fields.put("sheet", Step::sheet);
        fields.put("lubricant", Step::lubricant);
        fields.put("position", Step::position);
        fields.put("client's part", Step::effort);
        fields.put("stance", Step::stance);
        fields.put("stands", Step::stands);
        fields.put("direction", Step::direction);
        fields.put("phase", Step::phase);
        fields.put("importance", Step::importance);
        fields.put(
                "care",
                s -> s.care().isEmpty()
                        ? null
                        : s.care().stream().map(Object::toString).collect(Collectors.joining(", ")));
        fields.put(
                "words",
                s -> s.say().isEmpty()
                        ? null
                        : s.say().stream()
                                .map(w -> w.kind() + (w.words() == null ? "" : " “" + w.words() + "”") + " at "
                                        + FastMath.round(w.atSeconds()) + " s")
                                .collect(Collectors.joining("; ")));
        for (var field : DetailField.values())
            fields.put(
                    field.label().toLowerCase(Locale.ROOT),
                    s -> s.details().lines(Difference::named).stream()
                            .filter(l -> l.field() == field)
                            .map(Detail.InWords::words)
                            .findFirst()
                            .orElse(null));
        fields.put("links", s -> s.before().isEmpty() ? null : String.join(", ", s.before()));
        return fields;
    }

    /** What ships by its name, what is a school's own by its id: it says the same of both versions. */
    private static String named(String technique) {
        return Techniques.shipped(technique).map(Technique::name).orElse(technique);
    }

    /** One sentence for each thing that differs: of the whole, of blocks, then step by step; empty where nothing does. */
    public static List<String> between(Sequence before, Sequence after) {
        var all = new ArrayList<String>();
        whole(all, before, after);
        var had = before.steps();
        var has = after.steps();
        for (var step : had)
            if (after.step(step.id()).isEmpty())
                all.add("Step " + place(had, step) + ", " + step.name() + ", is gone.");
        for (var step : has)
            if (before.step(step.id()).isEmpty())
                all.add("New step " + place(has, step) + ": " + step.name() + ", "
                        + step.dose().words() + ".");
        moved(all, had, has);
        for (var step : has) before.step(step.id()).ifPresent(old -> changed(all, place(has, step), old, step));
        var was = new HashMap<String, Technique>();
        before.techniques().forEach(t -> was.put(t.id(), t));
        for (var t : after.techniques())
            if (was.containsKey(t.id()) && !t.equals(was.get(t.id()))) all.add("What “" + t.name() + "” is changed.");
        return all;
    }

    private static void whole(List<String> all, Sequence before, Sequence after) {
        say(all, "Name", before.name(), after.name());
        say(all, "Region", before.region().label(), after.region().label());
        say(all, "Slot", FastMath.round(before.slotSeconds()) + " s", FastMath.round(after.slotSeconds()) + " s");
        say(all, "First side", before.firstSide(), after.firstSide());
        say(all, "Table", before.table(), after.table());
        say(all, "For", whom(before), whom(after));
        say(all, "Note", before.note(), after.note());
        say(all, "Blocks", shape(before), shape(after));
    }

    private static String whom(Sequence s) {
        return s.forWhom().isEmpty()
                ? "anybody"
                : s.forWhom().stream().map(ForWhom::label).collect(Collectors.joining(", "));
    }

    private static String shape(Sequence s) {
        return s.blocks().stream()
                .map(b -> b.name() + " (" + b.order() + ", " + b.repeat()
                        + (b.drape() == null ? "" : ", sheet: " + b.drape().label()) + ")")
                .collect(Collectors.joining(", "));
    }

    private static void say(List<String> all, String what, @Nullable Object before, @Nullable Object after) {
        if (!Objects.equals(before, after)) all.add(what + ": " + or(before) + " → " + or(after) + ".");
    }

    private static String or(@Nullable Object value) {
        return value == null || value.toString().isEmpty() ? "none" : value.toString();
    }

    private static int place(List<Step> steps, Step step) {
        return steps.indexOf(step) + 1;
    }

    /** The fewest steps that, moved, explain the new order: those off a longest common run. */
    private static void moved(List<String> all, List<Step> had, List<Step> has) {
        var old = had.stream()
                .map(Step::id)
                .filter(id -> has.stream().anyMatch(s -> s.id().equals(id)))
                .toList();
        var now = has.stream().map(Step::id).filter(old::contains).toList();
        int n = old.size();
        var longest = new int[n + 1][n + 1];
        for (int i = n - 1; i >= 0; i--)
            for (int j = n - 1; j >= 0; j--)
                longest[i][j] = old.get(i).equals(now.get(j))
                        ? longest[i + 1][j + 1] + 1
                        : Math.max(longest[i + 1][j], longest[i][j + 1]);
        var stayed = new java.util.HashSet<String>();
        for (int i = 0, j = 0; i < n && j < n; ) {
            if (old.get(i).equals(now.get(j))) {
                stayed.add(old.get(i));
                i++;
                j++;
            } else if (longest[i + 1][j] >= longest[i][j + 1]) i++;
            else j++;
        }
        for (var step : has)
            if (old.contains(step.id()) && !stayed.contains(step.id())) {
                var from = had.stream()
                        .filter(s -> s.id().equals(step.id()))
                        .findFirst()
                        .orElseThrow();
                all.add(step.name() + " moved from place " + place(had, from) + " to place " + place(has, step) + ".");
            }
    }

    private static void changed(List<String> all, int place, Step before, Step after) {
        if (before.equals(after)) return;
        var parts = new ArrayList<String>();
        FIELDS.forEach((name, get) -> {
            var a = get.apply(before);
            var b = get.apply(after);
            if (!Objects.equals(a, b)) parts.add(name + " " + or(a) + " → " + or(b));
        });
        if (!parts.isEmpty()) all.add("Step " + place + ", " + after.name() + ": " + String.join("; ", parts) + ".");
    }
}

package palmtally.formats;

import java.util.List;
import palmtally.core.body.Landmark;
import palmtally.core.profile.Numbers;
import palmtally.core.technique.Stroke;
import palmtally.core.technique.Techniques;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What earlier versions wrote, as this one has it. It changes only what it knows to be of an earlier version, so that a document of
 * today, and one that is no document at all, stays as it is.
 */
final class Upgrade {
    private static final List<String> APART = List.of("friction", "fascial-spread");

    private Upgrade() {}

    /** A file, up to its version. */
    static void file(ObjectNode file, String format) {
        switch (format) {
            case "sequence", "practical" -> body(file.path("sequence"), "sequence");
            case "curriculum" -> file.path("sequences").forEach(s -> body(s, "sequence"));
            default -> {}
        }
        if (!file.path("version").isInt() || file.path("version").asInt() != 1) return;
        if (!format.equals("evidence")) file.put("version", 2);
        switch (format) {
            case "profile", "practical" -> body(file.path("profile"), "profile");
            case "techniques" -> file.path("techniques").forEach(t -> body(t, "technique"));
            default -> {}
        }
    }

    /** A value of a definition, as a file or the database holds it. */
    static void body(JsonNode value, String definition) {
        if (!(value instanceof ObjectNode object)) return;
        switch (definition) {
            case "profile" -> {
                for (var path : Numbers.retired()) drop(object, path);
            }
            case "technique" -> technique(object);
            case "sequence" ->
                object.path("blocks").forEach(b -> b.path("steps").forEach(Upgrade::step));
            default -> {}
        }
    }

    /** Every technique of version 1 is one that ships; some strokes have come apart since, and some words are no longer theirs. */
    private static void technique(ObjectNode technique) {
        var shipped = Techniques.shipped(technique.path("id").asString("")).orElse(null);
        if (shipped == null) return;
        var stroke = technique.path("stroke").asString("");
        if (APART.contains(stroke) || stroke.equals("compression") && shipped.stroke() == Stroke.STATIC_COMPRESSION)
            technique.put("stroke", shipped.stroke().toString());
        if (technique.path("name").asString("").equals("Heat, warm pack")) technique.put("name", shipped.name());
        var aliases = technique.path("aliases").toString();
        if (aliases.equals("[\"knead\",\"wring\"]") || aliases.equals("[\"warm pack\"]"))
            shipped.aliases().forEach(technique.putArray("aliases")::add);
    }

    /** Where a stroke starts and ends stood beside its depth, in words; a landmark is known by now. */
    private static void step(JsonNode value) {
        if (!(value instanceof ObjectNode step)) return;
        for (var end : List.of("from", "to")) {
            var said = step.remove(end);
            if (said == null
                    || said.isNull()
                    || said.isString() && said.asString().isBlank()) continue;
            if (!said.isString() || step.has("detail") && !step.path("detail").isObject()) {
                step.set(end, said);
                continue;
            }
            var detail = step.path("detail") instanceof ObjectNode there ? there : step.putObject("detail");
            var landmark = Landmark.named(said.asString().strip());
            if (landmark.isPresent()) detail.put(end, landmark.get().toString());
            else
                (detail.path("words") instanceof ObjectNode words ? words : detail.putObject("words"))
                        .put(end, said.asString());
        }
    }

    private static void drop(ObjectNode from, List<String> path) {
        if (path.size() == 1) from.remove(path.get(0));
        else if (from.get(path.get(0)) instanceof ObjectNode part) drop(part, path.subList(1, path.size()));
    }
}

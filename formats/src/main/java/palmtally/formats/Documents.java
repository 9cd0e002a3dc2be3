package palmtally.formats;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.calendar.Curriculum;
import palmtally.core.practical.Extent;
import palmtally.core.practical.Practical;
import palmtally.core.practical.event.Event;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.core.technique.HandName;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;
import tools.jackson.core.JacksonException;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Reads and writes the open formats <i>sequence</i>, <i>profile</i>, <i>curriculum</i>, <i>techniques</i> and <i>practical</i>. A file is validated against its JSON Schema
 * first, so that every fault of structure is found at once, then made into values of the core, which find what a schema cannot.
 */
public final class Documents {
    /** Larger files are refused before they are parsed: 32 MiB. */
    public static final int MOST_BYTES = 32 * 1024 * 1024;

    private static final int MOST_FAULTS = 200;
    private static final double MOST_NUMBER = 1e15;

    /** What is written; files of earlier ones are read for ever. */
    private static final int VERSION = 2;

    private Documents() {}

    public static Sequence readSequence(String text) throws FormatException {
        var file = open(text, "sequence");
        return sequence(file.get("sequence"));
    }

    public static Profile readProfile(String text) throws FormatException {
        return profile(open(text, "profile").get("profile"));
    }

    public static Practical readPractical(String text) throws FormatException {
        var file = open(text, "practical");
        var faults = new ArrayList<Fault>();
        var sequence = collect(faults, () -> sequence(file.get("sequence")));
        var profile = collect(faults, () -> profile(file.get("profile")));
        var events = new ArrayList<Event>();
        int i = 0;
        for (var node : file.get("events")) {
            int at = i++;
            var event = collect(faults, () -> bind(node, Event.class, "/events/" + at));
            if (event != null) events.add(event);
        }
        if (sequence == null || profile == null || !faults.isEmpty()) throw new FormatException(faults);
        var asked = new ArrayList<String>();
        file.get("asked").forEach(n -> asked.add(n.asString()));
        var sides = bind(file.get("sides"), Sides.class, "/sides");
        var extent = file.has("extent") ? bind(file.get("extent"), Extent.class, "/extent") : Extent.WHOLE;
        return built("", () -> new Practical(sequence, profile, asked, sides, extent, events));
    }

    /** A whole curriculum with its sequences. */
    public static TermFile readCurriculum(String text) throws FormatException {
        var file = open(text, "curriculum");
        var faults = new ArrayList<Fault>();
        var curriculum = collect(faults, () -> curriculum(file.get("curriculum")));
        var sequences = new ArrayList<Sequence>();
        int i = 0;
        for (var node : file.path("sequences")) {
            var at = "/sequences/" + i++;
            try {
                sequences.add(sequence(node));
            } catch (FormatException e) {
                e.faults()
                        .forEach(f -> faults.add(
                                new Fault(f.field().replaceFirst("^/sequence(?=/|$)", at), f.value(), f.reason())));
            }
        }
        var ids = new java.util.HashSet<String>();
        for (int k = 0; k < sequences.size(); k++)
            if (!ids.add(sequences.get(k).id()))
                faults.add(new Fault("/sequences/" + k + "/id", sequences.get(k).id(), "is used twice"));
        if (curriculum == null || !faults.isEmpty()) throw new FormatException(faults);
        return new TermFile(curriculum, sequences);
    }

    private static Curriculum curriculum(JsonNode node) throws FormatException {
        return bind(completed(node, "curriculum", "curriculum"), Curriculum.class, "/curriculum");
    }

    /**
     * A curriculum as the database holds it.
     *
     * @throws UnreadableDocument where it is damaged
     */
    public static Curriculum storedCurriculum(String json) {
        return stored(() -> curriculum(Json.MAPPER.readTree(json)));
    }

    /** Techniques and words for hands that can be taught beside what ships. */
    public static Techniques readTechniques(String text) throws FormatException {
        var file = open(text, "techniques");
        var faults = new ArrayList<Fault>();
        var techniques = each(file.get("techniques"), Technique.class, "/techniques/", faults);
        var hands = each(file.get("hands"), HandName.class, "/hands/", faults);
        if (!faults.isEmpty()) throw new FormatException(faults);
        return built(
                "/techniques",
                () -> new Techniques(List.of(), hands).with(techniques).checked());
    }

    private static <T> List<T> each(JsonNode list, Class<T> type, String at, List<Fault> faults) {
        var read = new ArrayList<T>();
        for (int i = 0; i < list.size(); i++) {
            int n = i;
            var one = collect(faults, () -> bind(list.get(n), type, at + n));
            if (one != null) read.add(one);
        }
        return read;
    }

    /** Every technique of a school, those that ship too, and its words for hands. */
    public static String write(Techniques techniques) {
        var body = new LinkedHashMap<String, Object>();
        body.put("techniques", techniques.all());
        if (!techniques.hands().isEmpty()) body.put("hands", techniques.hands());
        return document("techniques", body);
    }

    public static String write(TermFile file) {
        var body = new LinkedHashMap<String, Object>();
        body.put("curriculum", file.curriculum());
        body.put("sequences", file.sequences());
        return document("curriculum", body);
    }

    public static String write(Sequence sequence) {
        return document("sequence", Map.of("sequence", sequence));
    }

    public static String write(Profile profile) {
        return document("profile", Map.of("profile", profile));
    }

    public static String write(Practical practical) {
        return new PracticalWriter().write(practical);
    }

    static String document(String name, Map<String, Object> body) {
        var file = new LinkedHashMap<String, Object>();
        file.put("format", "palm-tally/" + name);
        file.put("version", VERSION);
        file.putAll(body);
        return pretty(file) + "\n";
    }

    static String pretty(Object value) {
        return Json.MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(value);
    }

    private static Sequence sequence(JsonNode node) throws FormatException {
        return bind(completed(node, "sequence", "sequence"), Sequence.class, "/sequence");
    }

    private static Profile profile(JsonNode node) throws FormatException {
        return bind(completed(node, "profile", "profile"), Profile.class, "/profile");
    }

    /** A body as this version has it, with what it leaves out. */
    private static JsonNode completed(JsonNode node, String format, String definition) {
        var copy = node.deepCopy();
        Upgrade.body(copy, definition);
        Schemas.complete(copy, format, definition);
        return copy;
    }

    /**
     * A sequence as the database holds it: valid when it was stored, perhaps by an earlier version.
     *
     * @throws UnreadableDocument where it is damaged
     */
    public static Sequence storedSequence(String json) {
        return stored(() -> sequence(Json.MAPPER.readTree(json)));
    }

    /**
     * A profile as the database holds it: valid when it was stored, perhaps by an earlier version.
     *
     * @throws UnreadableDocument where it is damaged
     */
    public static Profile storedProfile(String json) {
        return stored(() -> profile(Json.MAPPER.readTree(json)));
    }

    /**
     * A technique as the database holds it.
     *
     * @throws UnreadableDocument where it is damaged
     */
    public static Technique storedTechnique(String json) {
        return stored(() ->
                bind(completed(Json.MAPPER.readTree(json), "techniques", "technique"), Technique.class, "/technique"));
    }

    /**
     * A school's words for hands as the database holds them.
     *
     * @throws UnreadableDocument where they are damaged
     */
    public static Techniques storedHands(String json) {
        return stored(
                () -> bind(completed(Json.MAPPER.readTree(json), "techniques", "school"), Techniques.class, "/hands"));
    }

    private static <T> T stored(Reading<T> reading) {
        try {
            return reading.get();
        } catch (FormatException e) {
            throw new UnreadableDocument(e.faults());
        } catch (JacksonException | ClassCastException | NullPointerException e) {
            // A part that is not there, or is another kind of thing, where what fills in defaults looked for it.
            throw new UnreadableDocument(List.of(new Fault("", "", "is no document of this kind")));
        }
    }

    /** Parses and validates; every fault of structure at once. */
    private static JsonNode open(String text, String format) throws FormatException {
        if (text.length() > MOST_BYTES)
            throw new FormatException(List.of(new Fault("", text.length() + " characters", "must be at most 32 MiB")));
        JsonNode node;
        try {
            node = Json.MAPPER.readTree(text);
        } catch (StreamConstraintsException e) {
            throw new FormatException(List.of(new Fault("", "", Json.TOO_MUCH)));
        } catch (JacksonException e) {
            var at = e.getLocation();
            var where = at == null ? "" : "line " + at.getLineNr() + ", column " + at.getColumnNr();
            throw new FormatException(List.of(new Fault("", where, "is no JSON: " + e.getOriginalMessage())));
        }
        if (!node.isObject())
            throw new FormatException(List.of(new Fault("", "", "must be a JSON object with format and version")));
        var named = node.path("format").asString("");
        if (!named.equals("palm-tally/" + format))
            throw new FormatException(List.of(new Fault(
                    "/format",
                    named,
                    "must be palm-tally/" + format
                            + (named.startsWith("palm-tally/")
                                    ? ". Maybe the file is meant for another command"
                                    : ""))));
        var version = node.path("version");
        if (version.isInt() && (version.asInt() < 1 || version.asInt() > VERSION))
            throw new FormatException(List.of(new Fault(
                    "/version", version.toString(), "is not known here. Maybe it comes from a newer Palm Tally")));
        var faults = new ArrayList<Fault>();
        numbers(node, "", faults);
        if (!faults.isEmpty()) throw new FormatException(faults);
        Upgrade.file((ObjectNode) node, format);
        for (var error : Schemas.faults(node, format)) {
            if (faults.size() == MOST_FAULTS) break;
            var pointer = error.getInstanceLocation().toString();
            if ("required".equals(error.getKeyword()) || "additionalProperties".equals(error.getKeyword()))
                pointer += "/" + (error.getProperty() == null ? "" : error.getProperty());
            var value = error.getInstanceNode();
            faults.add(new Fault(pointer, value == null || value.isContainer() ? "" : value.toString(), reason(error)));
        }
        if (!faults.isEmpty()) throw new FormatException(faults);
        Schemas.complete(node, format);
        return node;
    }

    /** Finds what is too large for anything here to mean it; the schema's own check breaks on it. */
    private static void numbers(JsonNode node, String pointer, List<Fault> faults) {
        if (faults.size() == MOST_FAULTS) return;
        if (node.isNumber()) {
            if (!node.canConvertToLong() && !(Math.abs(node.doubleValue()) <= MOST_NUMBER))
                faults.add(new Fault(pointer, node.toString(), "must be a number between -1e15 and 1e15"));
        } else if (node instanceof ObjectNode object)
            for (var field : object.properties()) numbers(field.getValue(), pointer + "/" + field.getKey(), faults);
        else for (int i = 0; i < node.size(); i++) numbers(node.get(i), pointer + "/" + i, faults);
    }

    private static String reason(com.networknt.schema.Error error) {
        return switch (error.getKeyword()) {
            case "required" -> "is missing";
            case "additionalProperties" -> "is not a field here. Maybe it is misspelt";
            case "false" -> "does not belong to this kind";
            default -> error.getMessage();
        };
    }

    private interface Reading<T> {
        T get() throws FormatException;
    }

    private static <T> @Nullable T collect(List<Fault> faults, Reading<T> reading) {
        try {
            return reading.get();
        } catch (FormatException e) {
            faults.addAll(e.faults());
            return null;
        }
    }

    private static <T> T built(String at, Reading<T> reading) throws FormatException {
        try {
            return reading.get();
        } catch (InvalidValue e) {
            throw new FormatException(e.faults().stream().map(f -> f.under(at)).toList());
        }
    }

    /** Binds a validated node; what the core refuses comes back with its place in the file. */
    private static <T> T bind(JsonNode node, Class<T> type, String at) throws FormatException {
        var shape = Shape.faults(node, type);
        if (!shape.isEmpty())
            throw new FormatException(shape.stream().map(f -> f.under(at)).toList());
        try {
            return Json.MAPPER.treeToValue(node, type);
        } catch (JacksonException e) {
            var place = new StringBuilder(at);
            for (var ref : e.getPath())
                place.append('/')
                        .append(ref.getPropertyName() != null ? ref.getPropertyName() : String.valueOf(ref.getIndex()));
            for (Throwable cause = e; cause != null; cause = cause.getCause())
                if (cause instanceof InvalidValue invalid)
                    throw new FormatException(invalid.faults().stream()
                            .map(f -> f.under(place.toString()))
                            .toList());
            throw new FormatException(List.of(new Fault(place.toString(), "", e.getOriginalMessage())));
        }
    }
}

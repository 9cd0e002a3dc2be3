package palmtally.core.jot;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** How the anatomist's words are shortened in a jotted name: "ant scalene", "ext oblique", "inf angle" (common practice, no source). */
final class Abbreviations {
    private Abbreviations() {}

    private static final Map<String, List<String>> SHORT = Map.ofEntries(
            Map.entry("anterior", List.of("ant")),
            Map.entry("posterior", List.of("post")),
            Map.entry("lateral", List.of("lat")),
            Map.entry("medial", List.of("med")),
            Map.entry("superior", List.of("sup")),
            Map.entry("inferior", List.of("inf")),
            Map.entry("external", List.of("ext")),
            Map.entry("internal", List.of("int")),
            Map.entry("middle", List.of("mid")),
            Map.entry("lower", List.of("low")),
            Map.entry("upper", List.of("up")),
            Map.entry("major", List.of("maj")),
            Map.entry("minor", List.of("min")),
            Map.entry("maximus", List.of("max")),
            Map.entry("medius", List.of("med")),
            Map.entry("minimus", List.of("min")),
            Map.entry("gluteus", List.of("glute", "glut", "g")),
            Map.entry("adductor", List.of("add")),
            Map.entry("tibialis", List.of("tib")),
            Map.entry("fibularis", List.of("fib")),
            Map.entry("peroneus", List.of("per")),
            Map.entry("vastus", List.of("v")),
            Map.entry("lateralis", List.of("lat")),
            Map.entry("medialis", List.of("med")),
            Map.entry("intermedius", List.of("int")),
            Map.entry("extensor", List.of("ext")),
            Map.entry("flexor", List.of("flex")),
            Map.entry("radialis", List.of("rad")),
            Map.entry("ulnaris", List.of("uln")),
            Map.entry("digitorum", List.of("dig")),
            Map.entry("femoris", List.of("fem")),
            Map.entry("capitis", List.of("cap")),
            Map.entry("scapula", List.of("scap")),
            Map.entry("tuberosity", List.of("tub", "tube")),
            Map.entry("trochanter", List.of("troch")),
            Map.entry("epicondyle", List.of("epi", "epicond")),
            Map.entry("malleolus", List.of("mall")),
            Map.entry("trapezius", List.of("trap", "traps")),
            Map.entry("pectoralis", List.of("pec", "p")),
            Map.entry("teres", List.of("t")),
            Map.entry("serratus", List.of("serr")),
            Map.entry("abdominis", List.of("abd", "ab")));

    /** A name of several words with any of them shortened, itself first; a word alone is left as it is. */
    static Stream<String> of(String name) {
        var words = name.split(" ");
        if (words.length < 2) return Stream.of(name);
        var all = new ArrayList<String>(List.of(""));
        for (var word : words) {
            var forms = new ArrayList<String>(List.of(word));
            forms.addAll(SHORT.getOrDefault(word, List.of()));
            all = new ArrayList<>(all.stream()
                    .flatMap(said -> forms.stream().map(f -> said.isEmpty() ? f : said + " " + f))
                    .toList());
        }
        return all.stream();
    }
}

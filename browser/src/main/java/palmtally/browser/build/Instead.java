package palmtally.browser.build;

import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import org.teavm.extension.spi.substitution.SimpleSubstitutionPolicy;
import org.teavm.extension.spi.substitution.SubstitutionSink;

/** What the page has of its own where the compiler's library has another: regular expressions. */
public final class Instead extends SimpleSubstitutionPolicy {
    private static final List<String> OURS = List.of("Pattern", "Matcher", "MatchResult");

    @Override
    public void contribute(SubstitutionSink sink) {
        for (var name : OURS)
            sink.selectClasses(named("java.util.regex." + name))
                    .replacePackage("java.util.regex", "palmtally.browser.regex");
        Collections.rotate(rules(sink), OURS.size());
    }

    /** The first rule that fits is taken, and those of the library were there first: there is no way to say so but this. */
    private static List<?> rules(SubstitutionSink sink) {
        var held = Arrays.stream(sink.getClass().getDeclaredFields())
                .filter(f -> List.class.isAssignableFrom(f.getType()))
                .findFirst()
                .orElseThrow(() -> new IllegalStateException("the compiler keeps its rules elsewhere now"));
        held.setAccessible(true);
        try {
            return (List<?>) held.get(sink);
        } catch (IllegalAccessException e) {
            throw new IllegalStateException(e);
        }
    }
}

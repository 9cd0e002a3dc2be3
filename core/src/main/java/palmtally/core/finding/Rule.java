package palmtally.core.finding;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.ServiceLoader;

/**
 * One rule of the trade, and the only place where its id stands. A plan's checks and a practical's scores speak of the same thing under
 * the same id. The meaning is common practice, no source.
 *
 * @param id as it is shown and written in files, such as {@code ORDER-WARM} or {@code ORDER-PREREQ/neck-before-jaw}
 * @param criterion whose score it belongs to
 * @param severity its worth where a school says nothing else
 * @param meaning what it asks for, one sentence
 */
public record Rule(String id, Criterion criterion, Severity severity, String meaning) implements Comparable<Rule> {
    /** Says rules. Whatever is registered as one is found by listing: nothing else has to name it. */
    public interface Source {
        List<Rule> rules();
    }

    private static final Comparator<Rule> ORDER =
            Comparator.comparing(Rule::criterion).thenComparing(Rule::id);

    /** Read at the first question, as the sources themselves need this class. */
    private static final class Known {
        static final Map<String, Rule> BY_ID = new LinkedHashMap<>();

        static {
            sources().stream().flatMap(s -> s.rules().stream()).sorted(ORDER).forEach(r -> {
                var other = BY_ID.putIfAbsent(r.id, r);
                if (other != null) throw new IllegalStateException("two rules are called " + r.id);
            });
        }
    }

    /** Whatever says rules, in no order that means anything. */
    public static List<Source> sources() {
        var all = new ArrayList<Source>();
        ServiceLoader.load(Source.class, Rule.class.getClassLoader()).forEach(all::add);
        return all;
    }

    /** Every rule there is, by criterion and id. */
    public static List<Rule> all() {
        return List.copyOf(Known.BY_ID.values());
    }

    /** @throws IllegalArgumentException where no rule has this id */
    public static Rule of(String id) {
        var rule = Known.BY_ID.get(id);
        if (rule == null) throw new IllegalArgumentException("no rule is called '" + id + "'");
        return rule;
    }

    /** @throws IllegalArgumentException where no rule has one of these ids */
    public static List<Rule> allOf(String... ids) {
        return Arrays.stream(ids).map(Rule::of).toList();
    }

    /** Whether it is one row of ORDER-PREREQ, the family of "this before that". */
    public boolean prerequisite() {
        return id.startsWith("ORDER-PREREQ/");
    }

    /** Whether it looks at a term, not at a sequence or a practical. */
    public boolean ofTerm() {
        return id.startsWith("TERM-");
    }

    @Override
    public int compareTo(Rule other) {
        return ORDER.compare(this, other);
    }

    @Override
    public String toString() {
        return id;
    }
}

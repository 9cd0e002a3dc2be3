package palmtally.core.profile;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import palmtally.core.Choice;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.finding.Rule;
import palmtally.core.technique.ScopeTopic;

/**
 * Everything about which teachers disagree, as questions with their answers. Each is said once, by a {@link Pick} where the profile
 * holds it, or by a {@link ScopeTopic} that asks one.
 */
public final class Choices {
    /**
     * One either/or.
     *
     * @param id short name, unique
     * @param question what a school has to decide
     * @param path where it stands in a profile and in its file
     * @param rules the rules whose findings change with it; empty where it changes marks instead
     * @param options the sides that can be taken
     * @param added whether older files lack it
     */
    public record Row(
            String id,
            String question,
            Group group,
            List<String> path,
            List<Rule> rules,
            List<Option> options,
            boolean added) {
        /** The side a school takes, as an id of its options. */
        public String chosen(Profile profile) {
            return String.valueOf(Rows.read(profile, path));
        }

        /**
         * The school taking another side in this and in nothing else.
         *
         * @throws InvalidValue if there is no such option
         */
        public Profile choose(Profile profile, String option) {
            var to = options.stream().filter(o -> o.id.equals(option)).findFirst();
            if (to.isEmpty())
                throw new InvalidValue(
                        "setting",
                        new Fault(
                                id,
                                option,
                                "must be one of "
                                        + String.join(
                                                ", ",
                                                options.stream().map(Option::id).toList())));
            var held = java.util.Objects.requireNonNull(Rows.read(profile, path));
            return Rows.write(profile, path, Rows.option(held.getClass(), option));
        }
    }

    /** One side that can be taken. */
    public record Option(String id, String label) {}

    private static final List<Row> ALL = all(new ArrayList<>());

    private Choices() {}

    private static List<Row> all(List<Row> rows) {
        Rows.walk((path, part) -> {
            var pick = part.getAnnotation(Pick.class);
            if (pick != null)
                rows.add(new Row(
                        pick.id(),
                        pick.question(),
                        pick.group(),
                        path,
                        Rule.allOf(pick.moves()),
                        options(part.getType()),
                        pick.added()));
        });
        for (var topic : ScopeTopic.values())
            topic.question()
                    .ifPresent(asked -> rows.add(new Row(
                            topic.toString(),
                            asked,
                            Group.ORDER,
                            List.of("scope", topic.toString()),
                            Rule.allOf("SCOPE"),
                            options(ScopeTopic.Level.class),
                            true)));
        return List.copyOf(rows);
    }

    private static List<Option> options(Class<?> type) {
        return Arrays.stream(type.getEnumConstants())
                .map(o -> new Option(o.toString(), ((Choice) o).label()))
                .toList();
    }

    /** In the order in which a profile holds them. */
    public static List<Row> all() {
        return ALL;
    }

    public static Optional<Row> find(String id) {
        return ALL.stream().filter(r -> r.id.equals(id)).findFirst();
    }
}

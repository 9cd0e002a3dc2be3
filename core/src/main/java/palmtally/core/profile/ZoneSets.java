package palmtally.core.profile;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Zone;
import palmtally.core.finding.Rule;

/** Every set of zones that a school chooses. Each is said once, by a {@link Zones} where the profile holds it. */
public final class ZoneSets {
    /**
     * One set.
     *
     * @param id short name, unique
     * @param question what a school has to decide
     * @param path where it stands in a profile and in its file
     * @param always zones that every school has in it
     * @param rules the rules whose findings change with it
     */
    public record Row(String id, String question, Group group, List<String> path, Set<Zone> always, List<Rule> rules) {
        @SuppressWarnings("unchecked")
        public Set<Zone> chosen(Profile profile) {
            return (Set<Zone>) java.util.Objects.requireNonNull(Rows.read(profile, path));
        }

        /** @throws InvalidValue where one is left out that every school has */
        public Profile choose(Profile profile, Set<Zone> zones) {
            for (var zone : always)
                if (!zones.contains(zone))
                    throw new InvalidValue(
                            "setting",
                            new Fault(id, zone.toString(), "is in it at every school and cannot be left out"));
            return Rows.write(profile, path, zones.isEmpty() ? EnumSet.noneOf(Zone.class) : EnumSet.copyOf(zones));
        }
    }

    private static final List<Row> ALL = all(new ArrayList<>());

    private ZoneSets() {}

    private static List<Row> all(List<Row> rows) {
        Rows.walk((path, part) -> {
            var zones = part.getAnnotation(Zones.class);
            if (zones != null)
                rows.add(new Row(
                        zones.id(),
                        zones.question(),
                        zones.group(),
                        path,
                        java.util.Collections.unmodifiableSet(
                                new java.util.TreeSet<>(java.util.Arrays.asList(zones.always()))),
                        Rule.allOf(zones.moves())));
        });
        return List.copyOf(rows);
    }

    /** In the order in which a profile holds them. */
    public static List<Row> all() {
        return ALL;
    }

    public static Optional<Row> find(String id) {
        return ALL.stream().filter(r -> r.id.equals(id)).findFirst();
    }
}

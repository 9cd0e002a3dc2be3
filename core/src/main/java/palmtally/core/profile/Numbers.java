package palmtally.core.profile;

import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.technique.DoseTable;

/** Every number of a school profile. Each is said once, by an {@link Amount} where the profile holds it; the either/ors are {@link Choices}. */
public final class Numbers {
    /**
     * One number.
     *
     * @param id short name, unique
     * @param name what it is
     * @param unit s, min, %, grade, or empty where the name says it
     * @param path where it stands in a profile and in its file
     * @param least smallest that is taken, in the unit
     * @param most largest that is taken, in the unit
     * @param above whether it must be more than the least
     * @param whole whether it is counted, not measured
     * @param added whether older files lack it
     * @param otherwise what it is where the school says nothing of its own; null where every profile holds one
     * @param rules whose findings change with it; empty where it changes marks instead
     */
    public record Row(
            String id,
            String name,
            Group group,
            String unit,
            List<String> path,
            double least,
            double most,
            boolean above,
            boolean whole,
            boolean added,
            @Nullable ToDoubleFunction<Profile> otherwise,
            List<Rule> rules) {
        /** The number in the unit it is shown in. */
        public double value(Profile profile) {
            var held = (Number) Rows.read(profile, path);
            return held != null ? inUnit(held.doubleValue()) : usual(profile).orElseThrow();
        }

        /** What it is where the school says nothing of its own, in the unit it is shown in; empty where every profile holds one. */
        public OptionalDouble usual(Profile profile) {
            return otherwise == null
                    ? OptionalDouble.empty()
                    : OptionalDouble.of(inUnit(otherwise.applyAsDouble(profile)));
        }

        private double inUnit(double held) {
            return FastMath.round(held * scale() * 1e6) / 1e6;
        }

        /** @throws InvalidValue where it lies outside its bounds, is not whole where it is counted, or contradicts another number */
        public Profile set(Profile profile, double value) {
            if (!(value >= least && value <= most) || above && value == least || whole && value != FastMath.rint(value))
                throw new InvalidValue("profile", new Fault(id, String.valueOf(value), "must be " + bounds()));
            var to = Rows.number(whole ? int.class : double.class, value / scale());
            var usual = usual(profile);
            if (usual.isEmpty()) return Rows.write(profile, path, to);
            return Rows.put(profile, path, value == usual.getAsDouble() ? null : to);
        }

        private String bounds() {
            return (whole ? "a whole number " : "")
                    + (above ? "above " : "")
                    + shown(least)
                    + (above ? " and at most " : " to ")
                    + shown(most);
        }

        /** How much larger it is shown than it is held. */
        public double scale() {
            return unit.equals("%") ? 100 : 1;
        }
    }

    private static final List<Row> ALL = all(new ArrayList<>());

    private Numbers() {}

    private static List<Row> all(List<Row> rows) {
        Rows.walk((path, part) -> {
            var amount = part.getAnnotation(Amount.class);
            if (amount == null) return;
            if (part.getType() == Band.class) {
                rows.add(row(amount, part, Rows.below(path, "low"), "low", amount.name() + ", at least", false, null));
                rows.add(row(amount, part, Rows.below(path, "high"), "high", amount.name() + ", at most", false, null));
            } else if (part.getType() == Map.class) {
                for (var key : Rows.keys(part))
                    if (amount.otherwise().has(key))
                        rows.add(row(
                                amount,
                                part,
                                Rows.below(path, key.toString()),
                                key.toString(),
                                amount.name().isEmpty() ? label(key) : amount.name() + ": " + label(key),
                                key instanceof Weighed weighed && weighed.added(),
                                otherwise(amount, key)));
            } else rows.add(row(amount, part, path, "", amount.name(), false, null));
        });
        return List.copyOf(rows);
    }

    private static String label(Object key) {
        if (key instanceof Weighed weighed) return weighed.label();
        if (key instanceof Zone zone) return zone.label();
        if (key instanceof DoseTable.Row row) return row.label();
        return ((Criterion) key).label();
    }

    private static @Nullable ToDoubleFunction<Profile> otherwise(Amount amount, Object key) {
        return amount.otherwise() == Otherwise.HELD
                ? null
                : profile -> amount.otherwise().of(profile, key);
    }

    private static Row row(
            Amount amount,
            RecordComponent part,
            List<String> path,
            String end,
            String name,
            boolean added,
            @Nullable ToDoubleFunction<Profile> otherwise) {
        double scale = amount.unit().equals("%") ? 100 : 1;
        return new Row(
                end.isEmpty() ? amount.id() : amount.id() + "-" + end,
                name,
                amount.group(),
                amount.unit(),
                path,
                amount.least() * scale,
                amount.most() * scale,
                amount.above(),
                Rows.whole(part),
                amount.added() || added,
                otherwise,
                Rule.allOf(amount.moves()));
    }

    /** In the order in which a profile holds them. */
    public static List<Row> all() {
        return ALL;
    }

    /** Where files of earlier versions have numbers that mean nothing any more. */
    public static List<List<String>> retired() {
        return Rows.retired();
    }

    public static Optional<Row> find(String id) {
        return ALL.stream().filter(r -> r.id.equals(id)).findFirst();
    }

    private static String shown(double value) {
        return value == FastMath.rint(value) ? String.valueOf((long) value) : String.valueOf(value);
    }
}

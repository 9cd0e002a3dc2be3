package palmtally.core.profile;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.finding.Rule;

/**
 * One thing about which teachers disagree, as a question with its answers. Everything that lists, shows or changes a school's
 * either/ors goes through {@link #all()}, so that none is forgotten.
 *
 * @param id short name, unique
 * @param question what a school has to decide
 * @param rules the rules whose findings change with it; empty where it changes marks instead
 * @param options the sides that can be taken
 */
public record Setting(
        String id,
        String question,
        List<Rule> rules,
        List<Option> options,
        Function<Profile, String> reading,
        BiFunction<Profile, String, Profile> writing) {
    /** One side that can be taken. */
    public record Option(String id, String label) {}

    private static final List<Setting> ALL = List.of(
            of(
                    "hold-end",
                    "How is a hold measured?",
                    Profile.HoldEnd.class,
                    e -> switch (e) {
                        case BY_SECONDS -> "by seconds";
                        case BY_BREATHS -> "by breaths";
                        case UNTIL_SOFT -> "until it softens";
                    },
                    p -> p.dose().holdEnd(),
                    (p, v) -> p.withDose(new Profile.Dosing(v, p.dose().softCapSeconds())),
                    Rule.DOSE_WINDOW,
                    Rule.DOSE_CAP),
            way(
                    "hold-decided-by",
                    "Who decides that a hold has done its work?",
                    Ways.HoldDecision.class,
                    Ways::decides,
                    Ways::withDecides,
                    Rule.COMM_INTERVIEW),
            of(
                    "first-on-skin",
                    "Dry grip work first, or lubricant first?",
                    Profile.FirstOnSkin.class,
                    e -> e == Profile.FirstOnSkin.DRY ? "dry first" : "lubricant first",
                    p -> p.order().firstOnSkin(),
                    (p, v) -> p.withOrder(new Profile.Ordering(
                            p.order().warmUpSeconds(),
                            p.order().firmDepth(),
                            p.order().sideRatio(),
                            p.order().limb(),
                            v)),
                    Rule.ORDER_DRY),
            of(
                    "first-leg-stroke",
                    "How does work on a leg open?",
                    Profile.LimbRule.class,
                    e -> switch (e) {
                        case PROXIMAL_DISTAL_PROXIMAL ->
                            "thigh first, upward from the knee, then lower leg, then the whole";
                        case FROM_SHEET_EDGE -> "downward from the sheet's edge";
                        case DISTAL_STRIPPING -> "distal to proximal";
                    },
                    p -> p.order().limb(),
                    (p, v) -> p.withOrder(new Profile.Ordering(
                            p.order().warmUpSeconds(),
                            p.order().firmDepth(),
                            p.order().sideRatio(),
                            v,
                            p.order().firstOnSkin())),
                    Rule.ORDER_LIMB),
            of(
                    "gluteals",
                    "How are the gluteals reached?",
                    Profile.GlutealWay.class,
                    e -> switch (e) {
                        case THROUGH_SHEET -> "through the sheet";
                        case SIDE_ONLY -> "one side bare at a time";
                        case BARE -> "bare";
                    },
                    p -> p.draping().gluteals(),
                    (p, v) -> p.withDraping(new Profile.Draping(
                            p.draping().idleGraceSeconds(),
                            v,
                            p.draping().consent(),
                            p.draping().sensitive(),
                            p.draping().prices())),
                    Rule.CONSENT_SCOPE),
            of(
                    "consent",
                    "When is permission asked?",
                    Profile.ConsentMoment.class,
                    e -> e == Profile.ConsentMoment.AT_THE_MOMENT ? "at the moment" : "at the start, and confirmed",
                    p -> p.draping().consent(),
                    (p, v) -> p.withDraping(new Profile.Draping(
                            p.draping().idleGraceSeconds(),
                            p.draping().gluteals(),
                            v,
                            p.draping().sensitive(),
                            p.draping().prices())),
                    Rule.CONSENT_BEFORE),
            way(
                    "chest-sheet",
                    "What keeps the sheet on an opened chest?",
                    Ways.ChestSheet.class,
                    Ways::chest,
                    Ways::withChest,
                    Rule.DRAPE_SECURE),
            of(
                    "front-of-neck",
                    "Is the front of the neck taught?",
                    ScopeTopic.Level.class,
                    ScopeTopic.Level::label,
                    p -> p.scope(ScopeTopic.FRONT_OF_NECK),
                    (p, v) -> scoped(p, ScopeTopic.FRONT_OF_NECK, v),
                    Rule.SCOPE),
            way(
                    "elbow",
                    "Is the point of the elbow used?",
                    Ways.ElbowPoint.class,
                    Ways::elbow,
                    Ways::withElbow,
                    Rule.PRESS_POINT),
            way(
                    "on-table",
                    "Sitting or kneeling on the table?",
                    Ways.OnTable.class,
                    Ways::onTable,
                    Ways::withOnTable,
                    Rule.TABLE),
            way(
                    "scalp",
                    "When is the scalp worked?",
                    Ways.Scalp.class,
                    Ways::scalp,
                    Ways::withScalp,
                    Rule.PREREQ_SCALP),
            way(
                    "client-part",
                    "What does the client do in lengthening work?",
                    Ways.ClientPart.class,
                    Ways::clientPart,
                    Ways::withClientPart,
                    Rule.COMM_CUE),
            way(
                    "after-friction",
                    "What follows cross-fibre friction?",
                    Ways.AfterFriction.class,
                    Ways::afterFriction,
                    Ways::withAfterFriction,
                    Rule.PREREQ_AFTER_FRICTION),
            way("ears", "How are the ears worked?", Ways.Ears.class, Ways::ears, Ways::withEars, Rule.ORDER_SIDES),
            way(
                    "opening",
                    "What does a treatment open with?",
                    Ways.Opening.class,
                    Ways::opening,
                    Ways::withOpening,
                    Rule.PREREQ_SETTLE_FIRST),
            of(
                    "ceiling-end",
                    "Which end of a site's range of depth binds?",
                    Profile.CeilingEnd.class,
                    e -> e == Profile.CeilingEnd.LOWER
                            ? "the lower: angle and patience"
                            : "the upper: generous pressure",
                    p -> p.pressure().ceilingEnd(),
                    (p, v) -> p.withPressure(new Profile.Pressing(
                            v,
                            p.pressure().unlisted(),
                            p.pressure().warmBand(),
                            p.pressure().specificBand(),
                            p.pressure().tooMuch())),
                    Rule.PRESS_CEILING),
            of(
                    "outcome",
                    "How do five scores become one outcome?",
                    Profile.OutcomeRule.class,
                    e -> switch (e) {
                        case CONJUNCTIVE -> "levels: each criterion at its cut";
                        case COMPENSATORY -> "levels: weighted mean and floors";
                        case CHECKLIST -> "checklist";
                        case GLOBAL -> "one global judgement";
                    },
                    p -> p.marking().outcome(),
                    (p, v) -> p.withMarking(p.marking().by(v))),
            way(
                    "term-mark",
                    "Which marks stand for the term?",
                    Ways.TermMark.class,
                    Ways::termMark,
                    Ways::withTermMark));

    public static List<Setting> all() {
        return ALL;
    }

    public static Optional<Setting> find(String id) {
        return ALL.stream().filter(s -> s.id.equals(id)).findFirst();
    }

    /** The side a school takes, as an id of its options. */
    public String chosen(Profile profile) {
        return reading.apply(profile);
    }

    /**
     * The school taking another side in this and in nothing else.
     *
     * @throws InvalidValue if there is no such option
     */
    public Profile choose(Profile profile, String option) {
        if (options.stream().noneMatch(o -> o.id.equals(option)))
            throw new InvalidValue(
                    "setting",
                    new Fault(
                            id,
                            option,
                            "must be one of "
                                    + String.join(
                                            ", ",
                                            options.stream().map(Option::id).toList())));
        return writing.apply(profile, option);
    }

    private static Profile scoped(Profile p, ScopeTopic topic, ScopeTopic.Level level) {
        var scope = new java.util.EnumMap<ScopeTopic, ScopeTopic.Level>(p.scope());
        scope.put(topic, level);
        return p.withScope(scope);
    }

    private static <E extends Enum<E> & Ways.Choice> Setting way(
            String id,
            String question,
            Class<E> type,
            Function<Ways, E> get,
            BiFunction<Ways, E, Ways> set,
            Rule... rules) {
        return of(
                id,
                question,
                type,
                Ways.Choice::label,
                p -> get.apply(p.ways()),
                (p, v) -> p.withWays(set.apply(p.ways(), v)),
                rules);
    }

    private static <E extends Enum<E>> Setting of(
            String id,
            String question,
            Class<E> type,
            Function<E, String> label,
            Function<Profile, E> get,
            BiFunction<Profile, E, Profile> set,
            Rule... rules) {
        var values = Arrays.asList(type.getEnumConstants());
        return new Setting(
                id,
                question,
                List.of(rules),
                values.stream()
                        .map(v -> new Option(v.toString(), label.apply(v)))
                        .toList(),
                p -> get.apply(p).toString(),
                (p, v) -> set.apply(
                        p,
                        values.stream()
                                .filter(x -> x.toString().equals(v))
                                .findFirst()
                                .orElseThrow()));
    }
}

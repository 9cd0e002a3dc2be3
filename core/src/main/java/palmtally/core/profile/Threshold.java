package palmtally.core.profile;

import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.ToDoubleFunction;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.finding.Rule;

/**
 * One number of a school profile. Everything that lists, shows or changes a school's numbers goes through {@link #all()}; the
 * either/ors are {@link Setting}s.
 *
 * @param id short name, unique
 * @param name what it is
 * @param unit s, %, grade, or empty where the name says it
 * @param least smallest that is taken, in the unit
 * @param most largest that is taken, in the unit
 * @param whole whether it is counted, not measured
 * @param rules whose findings change with it; empty where it changes marks instead
 */
public record Threshold(
        String id,
        String name,
        String unit,
        double least,
        double most,
        boolean whole,
        List<Rule> rules,
        ToDoubleFunction<Profile> reading,
        BiFunction<Profile, Double, Profile> writing) {
    private static final List<Threshold> ALL = List.of(
            number(
                    "warm-up",
                    "Warm-up of a zone before firm work",
                    "s",
                    0,
                    900,
                    p -> p.order().warmUpSeconds(),
                    (p, v) -> {
                        var o = p.order();
                        return p.withOrder(
                                new Profile.Ordering(v, o.firmDepth(), o.sideRatio(), o.limb(), o.firstOnSkin()));
                    },
                    Rule.ORDER_WARM),
            count(
                    "firm-depth",
                    "Depth from which a stroke is firm",
                    "grade",
                    1,
                    5,
                    p -> p.order().firmDepth(),
                    (p, v) -> {
                        var o = p.order();
                        return p.withOrder(new Profile.Ordering(
                                o.warmUpSeconds(), v.intValue(), o.sideRatio(), o.limb(), o.firstOnSkin()));
                    },
                    Rule.ORDER_WARM,
                    Rule.ORDER_FLUSH,
                    Rule.COMM_TOOL),
            number(
                    "side-ratio",
                    "Least time of the shorter side",
                    "%",
                    0,
                    100,
                    p -> 100 * p.order().sideRatio(),
                    (p, v) -> {
                        var o = p.order();
                        return p.withOrder(new Profile.Ordering(
                                o.warmUpSeconds(), o.firmDepth(), v / 100, o.limb(), o.firstOnSkin()));
                    },
                    Rule.ORDER_SIDES),
            number(
                    "soft-cap",
                    "Longest hold that ends when it softens",
                    "s",
                    5,
                    600,
                    p -> p.dose().softCapSeconds(),
                    (p, v) -> p.withDose(new Profile.Dosing(p.dose().holdEnd(), v)),
                    Rule.DOSE_WINDOW,
                    Rule.DOSE_CAP),
            count(
                    "unlisted-ceiling",
                    "Ceiling of a site that the trade names none for",
                    "grade",
                    0,
                    5,
                    p -> p.pressure().unlisted(),
                    (p, v) -> {
                        var o = p.pressure();
                        return p.withPressure(new Profile.Pressing(
                                o.ceilingEnd(), v.intValue(), o.warmBand(), o.specificBand(), o.tooMuch()));
                    },
                    Rule.PRESS_CEILING),
            count(
                    "warm-band-high",
                    "Client's number while warming, at most",
                    "",
                    0,
                    10,
                    p -> p.pressure().warmBand().high(),
                    (p, v) -> {
                        var o = p.pressure();
                        return p.withPressure(new Profile.Pressing(
                                o.ceilingEnd(),
                                o.unlisted(),
                                new Band(o.warmBand().low(), v.intValue()),
                                o.specificBand(),
                                o.tooMuch()));
                    },
                    Rule.PRESS_BAND),
            count(
                    "specific-band-low",
                    "Client's number in specific work, at least",
                    "",
                    0,
                    10,
                    p -> p.pressure().specificBand().low(),
                    (p, v) -> {
                        var o = p.pressure();
                        return p.withPressure(new Profile.Pressing(
                                o.ceilingEnd(),
                                o.unlisted(),
                                o.warmBand(),
                                new Band(v.intValue(), o.specificBand().high()),
                                o.tooMuch()));
                    },
                    Rule.PRESS_BAND),
            count(
                    "specific-band-high",
                    "Client's number in specific work, at most",
                    "",
                    0,
                    10,
                    p -> p.pressure().specificBand().high(),
                    (p, v) -> {
                        var o = p.pressure();
                        return p.withPressure(new Profile.Pressing(
                                o.ceilingEnd(),
                                o.unlisted(),
                                o.warmBand(),
                                new Band(o.specificBand().low(), v.intValue()),
                                o.tooMuch()));
                    },
                    Rule.PRESS_BAND),
            count(
                    "too-much",
                    "Number that is too much for anybody",
                    "",
                    1,
                    10,
                    p -> p.pressure().tooMuch(),
                    (p, v) -> {
                        var o = p.pressure();
                        return p.withPressure(new Profile.Pressing(
                                o.ceilingEnd(), o.unlisted(), o.warmBand(), o.specificBand(), v.intValue()));
                    },
                    Rule.PRESS_ANSWER),
            number(
                    "idle-grace",
                    "How long a sheet may lie open and unworked",
                    "s",
                    0,
                    600,
                    p -> p.draping().idleGraceSeconds(),
                    (p, v) -> {
                        var o = p.draping();
                        return p.withDraping(
                                new Profile.Draping(v, o.gluteals(), o.consent(), o.sensitive(), o.prices()));
                    },
                    Rule.DRAPE_IDLE),
            number(
                    "bare-thumb-row",
                    "Longest stretch on a bare thumb",
                    "s",
                    0,
                    600,
                    p -> p.mechanics().bareThumbRowSeconds(),
                    (p, v) -> {
                        var o = p.mechanics();
                        return p.withMechanics(new Profile.Mechanics(
                                v, o.bareThumbShare(), o.pointedShare(), o.lookEverySeconds(), o.faults()));
                    },
                    Rule.HAND_BARE),
            number(
                    "bare-thumb-share",
                    "Largest share of the time on a bare thumb",
                    "%",
                    0,
                    100,
                    p -> 100 * p.mechanics().bareThumbShare(),
                    (p, v) -> {
                        var o = p.mechanics();
                        return p.withMechanics(new Profile.Mechanics(
                                o.bareThumbRowSeconds(), v / 100, o.pointedShare(), o.lookEverySeconds(), o.faults()));
                    },
                    Rule.HAND_BARE),
            number(
                    "pointed-share",
                    "Largest share of the time on thumbs and the elbow point",
                    "%",
                    0,
                    100,
                    p -> 100 * p.mechanics().pointedShare(),
                    (p, v) -> {
                        var o = p.mechanics();
                        return p.withMechanics(new Profile.Mechanics(
                                o.bareThumbRowSeconds(),
                                o.bareThumbShare(),
                                v / 100,
                                o.lookEverySeconds(),
                                o.faults()));
                    },
                    Rule.HAND_LOAD),
            number(
                    "look-every",
                    "How often a look at the mechanics is asked for",
                    "s",
                    5,
                    300,
                    p -> p.mechanics().lookEverySeconds(),
                    (p, v) -> {
                        var o = p.mechanics();
                        return p.withMechanics(new Profile.Mechanics(
                                o.bareThumbRowSeconds(), o.bareThumbShare(), o.pointedShare(), v, o.faults()));
                    },
                    Rule.MECH_LOOK),
            number(
                    "largest-silence",
                    "Largest silence",
                    "s",
                    15,
                    1800,
                    p -> p.communication().largestSilenceSeconds(),
                    (p, v) -> p.withCommunication(
                            new Profile.Communication(v, p.communication().toolQuestionSeconds())),
                    Rule.COMM_GAP),
            number(
                    "tool-question",
                    "How soon a question follows a heavier or more pointed tool",
                    "s",
                    1,
                    300,
                    p -> p.communication().toolQuestionSeconds(),
                    (p, v) -> p.withCommunication(
                            new Profile.Communication(p.communication().largestSilenceSeconds(), v)),
                    Rule.COMM_TOOL),
            between(
                    "sheet-seconds",
                    "Opening or closing the sheet",
                    p -> p.transitions().sheet(),
                    0),
            between(
                    "sensitive-sheet-seconds",
                    "The same over a sensitive zone",
                    p -> p.transitions().sensitiveSheet(),
                    1),
            between("turn-seconds", "Turning the client", p -> p.transitions().turn(), 2),
            between(
                    "place-seconds",
                    "Walking to another place",
                    p -> p.transitions().place(),
                    3),
            between(
                    "lubricant-seconds",
                    "Taking lubricant",
                    p -> p.transitions().lubricant(),
                    4),
            between(
                    "question-seconds",
                    "Asking a question",
                    p -> p.transitions().question(),
                    5),
            number(
                    "cut",
                    "Score that a criterion must reach",
                    "",
                    0,
                    100,
                    p -> p.marking().cut(),
                    (p, v) -> {
                        var m = p.marking();
                        return p.withMarking(new Profile.Marking(
                                m.criteria(),
                                m.outcome(),
                                v,
                                m.floor(),
                                m.safetyEdge(),
                                m.answerFullSeconds(),
                                m.answerAllowanceSeconds(),
                                m.answerNothingSeconds(),
                                m.pressure(),
                                m.communication(),
                                m.enough()));
                    }),
            number(
                    "floor",
                    "Least score where other criteria may make up for it",
                    "",
                    0,
                    100,
                    p -> p.marking().floor(),
                    (p, v) -> {
                        var m = p.marking();
                        return p.withMarking(new Profile.Marking(
                                m.criteria(),
                                m.outcome(),
                                m.cut(),
                                v,
                                m.safetyEdge(),
                                m.answerFullSeconds(),
                                m.answerAllowanceSeconds(),
                                m.answerNothingSeconds(),
                                m.pressure(),
                                m.communication(),
                                m.enough()));
                    }),
            count(
                    "meetings",
                    "How often a region comes back in a term, at least",
                    "",
                    0,
                    20,
                    p -> p.terms().meetings(),
                    (p, v) -> p.withTerms(new Profile.Terms(
                            v.intValue(),
                            p.terms().cleanDrapes(),
                            p.terms().gapGrowth(),
                            p.terms().longestGapWeeks())),
                    Rule.TERM_AGAIN),
            count(
                    "clean-drapes",
                    "Lessons with a draped leg before the gluteals",
                    "",
                    0,
                    20,
                    p -> p.terms().cleanDrapes(),
                    (p, v) -> p.withTerms(new Profile.Terms(
                            p.terms().meetings(),
                            v.intValue(),
                            p.terms().gapGrowth(),
                            p.terms().longestGapWeeks())),
                    Rule.TERM_PREREQ_GLUTEAL_AFTER_DRAPES),
            number(
                    "gap-growth",
                    "How much longer each gap between meetings is",
                    "times",
                    1,
                    4,
                    p -> p.terms().gapGrowth(),
                    (p, v) -> p.withTerms(new Profile.Terms(
                            p.terms().meetings(),
                            p.terms().cleanDrapes(),
                            v,
                            p.terms().longestGapWeeks())),
                    Rule.TERM_AGAIN),
            number(
                    "longest-gap",
                    "Longest time without meeting a region",
                    "weeks",
                    1,
                    60,
                    p -> p.terms().longestGapWeeks(),
                    (p, v) -> p.withTerms(new Profile.Terms(
                            p.terms().meetings(),
                            p.terms().cleanDrapes(),
                            p.terms().gapGrowth(),
                            v)),
                    Rule.TERM_AGAIN),
            number(
                    "secure-from",
                    "How likely at the cut it is before it is called secure",
                    "%",
                    50,
                    99,
                    p -> 100 * p.growth().secureProbability(),
                    (p, v) -> {
                        var g = p.growth();
                        return p.withGrowth(new Profile.Growth(
                                g.priorMean(),
                                g.priorSd(),
                                g.variancePerWeek(),
                                g.scoreVariance(),
                                v / 100,
                                g.fadingShare()));
                    }),
            number(
                    "fading-share",
                    "Share of the latest in a fading mean",
                    "%",
                    5,
                    100,
                    p -> 100 * p.growth().fading(),
                    (p, v) -> {
                        var g = p.growth();
                        return p.withGrowth(new Profile.Growth(
                                g.priorMean(),
                                g.priorSd(),
                                g.variancePerWeek(),
                                g.scoreVariance(),
                                g.secureProbability(),
                                v / 100));
                    }));

    private static Threshold number(
            String id,
            String name,
            String unit,
            double least,
            double most,
            ToDoubleFunction<Profile> reading,
            BiFunction<Profile, Double, Profile> writing,
            Rule... rules) {
        return new Threshold(id, name, unit, least, most, false, List.of(rules), reading, writing);
    }

    private static Threshold count(
            String id,
            String name,
            String unit,
            double least,
            double most,
            ToDoubleFunction<Profile> reading,
            BiFunction<Profile, Double, Profile> writing,
            Rule... rules) {
        return new Threshold(id, name, unit, least, most, true, List.of(rules), reading, writing);
    }

    /** One of the six seconds between steps. */
    private static Threshold between(String id, String name, ToDoubleFunction<Profile> reading, int place) {
        return number(
                id,
                name,
                "s",
                0,
                600,
                reading,
                (p, v) -> {
                    var t = p.transitions();
                    double[] all = {t.sheet(), t.sensitiveSheet(), t.turn(), t.place(), t.lubricant(), t.question()};
                    all[place] = v;
                    return p.withTransitions(new Profile.Transitions(all[0], all[1], all[2], all[3], all[4], all[5]));
                },
                Rule.DOSE_SLOT);
    }

    public static List<Threshold> all() {
        return ALL;
    }

    public static Optional<Threshold> find(String id) {
        return ALL.stream().filter(t -> t.id.equals(id)).findFirst();
    }

    /** The number in the unit it is shown in. */
    public double value(Profile profile) {
        return Math.round(reading.applyAsDouble(profile) * 1e6) / 1e6;
    }

    /** @throws InvalidValue where it lies outside its bounds, is not whole where it is counted, or contradicts another number */
    public Profile set(Profile profile, double value) {
        if (!(value >= least && value <= most) || whole && value != Math.rint(value))
            throw new InvalidValue(
                    "profile",
                    new Fault(
                            id,
                            String.valueOf(value),
                            "must be " + (whole ? "a whole number " : "") + shown(least) + " to " + shown(most)));
        return writing.apply(profile, value);
    }

    private static String shown(double value) {
        return value == Math.rint(value) ? String.valueOf((long) value) : String.valueOf(value);
    }
}

package palmtally.core.profile;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;

/**
 * Every threshold, weight and either/or of one school. Two ship, {@link #bySeconds()} and {@link #byResponse()}; they disagree
 * where teachers do. All values are common practice, no source, unless a source is named.
 *
 * @param terms what a term plan is held to
 * @param scope how each topic that may be beyond scope is taught
 * @param severities what each rule is worth here; a rule that is not named keeps its own severity
 */
public record Profile(
        String id,
        String name,
        Ordering order,
        Dosing dose,
        Pressing pressure,
        Draping draping,
        Mechanics mechanics,
        Communication communication,
        Transitions transitions,
        Marking marking,
        Growth growth,
        Ways ways,
        Terms terms,
        Map<ScopeTopic, ScopeTopic.Level> scope,
        Map<Rule, Severity> severities) {

    /** Which way the limbs are worked. */
    public enum LimbRule {
        PROXIMAL_DISTAL_PROXIMAL,
        FROM_SHEET_EDGE,
        DISTAL_STRIPPING;

        @Override
        public String toString() {
            return name().toLowerCase().replace('_', '-');
        }
    }

    /** Grip work or lubricant first on a zone. */
    public enum FirstOnSkin {
        DRY,
        LUBRICANT;

        @Override
        public String toString() {
            return name().toLowerCase();
        }
    }

    /** What ends a hold. */
    public enum HoldEnd {
        BY_SECONDS,
        BY_BREATHS,
        UNTIL_SOFT;

        @Override
        public String toString() {
            return name().toLowerCase().replace('_', '-');
        }
    }

    /** Which end of a site's ceiling range binds. */
    public enum CeilingEnd {
        LOWER,
        UPPER;

        @Override
        public String toString() {
            return name().toLowerCase();
        }
    }

    /** How gluteals are reached. */
    public enum GlutealWay {
        THROUGH_SHEET,
        SIDE_ONLY,
        BARE;

        @Override
        public String toString() {
            return name().toLowerCase().replace('_', '-');
        }
    }

    /** When permission is asked. */
    public enum ConsentMoment {
        AT_THE_MOMENT,
        AT_THE_START_CONFIRMED;

        @Override
        public String toString() {
            return name().toLowerCase().replace('_', '-');
        }
    }

    /** How five scores become one outcome. */
    public enum OutcomeRule {
        CONJUNCTIVE,
        COMPENSATORY,
        CHECKLIST,
        GLOBAL;

        @Override
        public String toString() {
            return name().toLowerCase();
        }
    }

    /**
     * @param warmUpSeconds warm-up a zone and side needs before its first firm stroke
     * @param firmDepth depth from which a stroke is firm, 1–5
     * @param sideRatio least ratio of the shorter to the longer side, 0–1
     */
    public record Ordering(
            double warmUpSeconds, int firmDepth, double sideRatio, LimbRule limb, FirstOnSkin firstOnSkin) {}

    /** @param softCapSeconds longest hold where a hold ends when the tissue softens */
    public record Dosing(HoldEnd holdEnd, double softCapSeconds) {}

    /**
     * @param unlisted ceiling of a site that the trade names none for, 0–5
     * @param warmBand band of reports while warming
     * @param specificBand band of reports in specific work
     * @param tooMuch number from which a report is too much for anybody
     */
    public record Pressing(CeilingEnd ceilingEnd, int unlisted, Band warmBand, Band specificBand, int tooMuch) {
        /** Deepest allowed on a zone, 0–5. */
        public int ceiling(Zone zone) {
            return zone.ceiling()
                    .map(c -> ceilingEnd == CeilingEnd.LOWER ? c.low() : c.high())
                    .orElse(unlisted);
        }
    }

    /**
     * @param idleGraceSeconds how long a unit may lie open and unworked
     * @param sensitive zones that need permission
     * @param prices points off for each fault
     */
    public record Draping(
            double idleGraceSeconds,
            GlutealWay gluteals,
            ConsentMoment consent,
            Set<Zone> sensitive,
            Map<DrapingFault, Double> prices) {
        public Draping {
            sensitive = Collections.unmodifiableSet(new TreeSet<>(sensitive));
            prices = ordered(prices, DrapingFault.class);
        }
    }

    /**
     * @param bareThumbRowSeconds longest stretch on a bare thumb
     * @param bareThumbShare largest share of hands-on time on a bare thumb, 0–1
     * @param pointedShare largest share of hands-on time on thumbs and the elbow point, 0–1
     * @param lookEverySeconds how often a look is asked for
     * @param faults share of a look each fault spoils, 0–1
     */
    public record Mechanics(
            double bareThumbRowSeconds,
            double bareThumbShare,
            double pointedShare,
            double lookEverySeconds,
            Map<MechanicsFault, Double> faults) {
        public Mechanics {
            faults = ordered(faults, MechanicsFault.class);
        }
    }

    /**
     * @param largestSilenceSeconds longest time without a question about pressure
     * @param toolQuestionSeconds how soon a question follows a heavier or more pointed tool
     */
    public record Communication(double largestSilenceSeconds, double toolQuestionSeconds) {}

    /** Seconds lost between steps. */
    public record Transitions(
            double sheet, double sensitiveSheet, double turn, double place, double lubricant, double question) {}

    /**
     * How a practical is marked.
     *
     * @param criteria weight of each criterion
     * @param cut score a criterion must reach, 0–100
     * @param floor least score of any criterion where others may make up for it, 0–100
     * @param safetyEdge weight of an order that a safety rule needs, against 1
     * @param answerFullSeconds an answer this soon earns everything
     * @param answerAllowanceSeconds added for the grader's own reaction
     * @param answerNothingSeconds an answer this late earns nothing
     * @param enough observations from which a score counts fully as evidence
     */
    public record Marking(
            Map<Criterion, Double> criteria,
            OutcomeRule outcome,
            double cut,
            double floor,
            double safetyEdge,
            double answerFullSeconds,
            double answerAllowanceSeconds,
            double answerNothingSeconds,
            PressureParts pressure,
            CommunicationParts communication,
            Map<Criterion, Integer> enough) {
        public Marking {
            criteria = ordered(criteria, Criterion.class);
            enough = ordered(enough, Criterion.class);
        }

        /** The same marks under another rule of outcome. */
        Marking by(OutcomeRule rule) {
            return new Marking(
                    criteria,
                    rule,
                    cut,
                    floor,
                    safetyEdge,
                    answerFullSeconds,
                    answerAllowanceSeconds,
                    answerNothingSeconds,
                    pressure,
                    communication,
                    enough);
        }
    }

    /** Weights of the parts of pressure control. */
    public record PressureParts(double reports, double answers, double ceilings, double holds, double rate) {}

    /** Weights of the parts of client communication. */
    public record CommunicationParts(
            double opening,
            double silence,
            double toolQuestions,
            double interviews,
            double warningsAndCues,
            double answers,
            double closing) {}

    /**
     * How competency grows.
     *
     * @param priorMean ability before anything is seen, 0–100
     * @param priorSd its standard deviation
     * @param variancePerWeek variance q of the random walk, a week
     * @param scoreVariance variance r of a score of weight 1
     * @param secureProbability probability of being at the cut from which a student is secure
     * @param fadingShare share of the latest score in the fading mean, above 0, at most 1; ½ where it is not given
     */
    public record Growth(
            double priorMean,
            double priorSd,
            double variancePerWeek,
            double scoreVariance,
            double secureProbability,
            @Nullable Double fadingShare) {
        public static final double FADING_SHARE = 0.5;

        public Growth {
            if (fadingShare == null) fadingShare = FADING_SHARE;
        }

        public double fading() {
            return fadingShare == null ? FADING_SHARE : fadingShare;
        }
    }

    /**
     * How a term is laid out.
     *
     * @param meetings how often a region comes back after it was taught, at least
     * @param cleanDrapes hands-on lessons with a draped leg before the first with the gluteals
     * @param gapGrowth how much longer each gap between meetings is than the one before, at least; 1 is no shorter
     * @param longestGapWeeks longest time without meeting a region before the last assessment
     */
    public record Terms(int meetings, int cleanDrapes, double gapGrowth, double longestGapWeeks) {}

    public Profile {
        severities = ordered(severities, Rule.class);
        scope = ordered(scope, ScopeTopic.class);
        var faults = new ArrayList<Fault>();
        for (var t : ScopeTopic.values())
            if (!scope.containsKey(t)) faults.add(new Fault("scope/" + t, "", "is missing"));
        if (id.isBlank()) faults.add(new Fault("id", id, "must not be blank"));
        if (name.isBlank()) faults.add(new Fault("name", name, "must not be blank"));
        for (var c : Criterion.values()) {
            if (!marking.criteria.containsKey(c)) faults.add(new Fault("marking/criteria/" + c, "", "is missing"));
            if (!marking.enough.containsKey(c)) faults.add(new Fault("marking/enough/" + c, "", "is missing"));
        }
        if (marking.criteria.values().stream().mapToDouble(Double::doubleValue).sum() <= 0)
            faults.add(new Fault("marking/criteria", "", "must not all be 0"));
        for (var f : DrapingFault.values())
            if (!draping.prices.containsKey(f)) faults.add(new Fault("draping/prices/" + f, "", "is missing"));
        for (var f : MechanicsFault.values())
            if (!mechanics.faults.containsKey(f)) faults.add(new Fault("mechanics/faults/" + f, "", "is missing"));
        if (marking.answerNothingSeconds <= marking.answerFullSeconds + marking.answerAllowanceSeconds)
            faults.add(new Fault(
                    "marking/answerNothingSeconds",
                    String.valueOf(marking.answerNothingSeconds),
                    "must be later than the full mark with its allowance"));
        if (terms.meetings < 0 || terms.meetings > 20)
            faults.add(new Fault("terms/meetings", String.valueOf(terms.meetings), "must be 0 to 20"));
        if (terms.cleanDrapes < 0 || terms.cleanDrapes > 20)
            faults.add(new Fault("terms/cleanDrapes", String.valueOf(terms.cleanDrapes), "must be 0 to 20"));
        if (!(terms.gapGrowth >= 1 && terms.gapGrowth <= 4))
            faults.add(new Fault("terms/gapGrowth", String.valueOf(terms.gapGrowth), "must be 1 to 4"));
        if (!(terms.longestGapWeeks > 0 && terms.longestGapWeeks <= 60))
            faults.add(new Fault(
                    "terms/longestGapWeeks", String.valueOf(terms.longestGapWeeks), "must be above 0 and at most 60"));
        for (var r : severities.entrySet())
            if (r.getValue() == Severity.CRITICAL)
                faults.add(new Fault("severities/" + r.getKey(), "critical", "must be off, hint, warn or stop"));
        if (!faults.isEmpty()) throw new InvalidValue("profile", faults);
    }

    /** What a rule is worth in this school. */
    public Severity severity(Rule rule) {
        return severities.getOrDefault(rule, rule.severity());
    }

    /** How a topic that may be beyond scope is taught here. */
    public ScopeTopic.Level scope(ScopeTopic topic) {
        return scope.getOrDefault(topic, ScopeTopic.Level.NOT_TAUGHT);
    }

    /** This profile with one thing or several changed. */
    Profile with(Consumer<ProfileEdit> change) {
        var edit = new ProfileEdit(this);
        change.accept(edit);
        return edit.profile();
    }

    /** The same school under another name. */
    public Profile named(String newId, String newName) {
        return with(e -> {
            e.id = newId;
            e.name = newName;
        });
    }

    public Profile withOrder(Ordering to) {
        return with(e -> e.order = to);
    }

    public Profile withDose(Dosing to) {
        return with(e -> e.dose = to);
    }

    public Profile withPressure(Pressing to) {
        return with(e -> e.pressure = to);
    }

    public Profile withDraping(Draping to) {
        return with(e -> e.draping = to);
    }

    public Profile withMechanics(Mechanics to) {
        return with(e -> e.mechanics = to);
    }

    public Profile withCommunication(Communication to) {
        return with(e -> e.communication = to);
    }

    public Profile withTransitions(Transitions to) {
        return with(e -> e.transitions = to);
    }

    public Profile withMarking(Marking to) {
        return with(e -> e.marking = to);
    }

    public Profile withWays(Ways to) {
        return with(e -> e.ways = to);
    }

    public Profile withGrowth(Growth to) {
        return with(e -> e.growth = to);
    }

    public Profile withTerms(Terms to) {
        return with(e -> e.terms = to);
    }

    public Profile withScope(Map<ScopeTopic, ScopeTopic.Level> to) {
        return with(e -> e.scope = to);
    }

    public Profile withSeverities(Map<Rule, Severity> to) {
        return with(e -> e.severities = to);
    }

    /** Profile A: holds by the clock, permission at the moment, dry work first. */
    public static Profile bySeconds() {
        return new Profile(
                "by-seconds",
                "By the clock",
                new Ordering(60, 4, 0.8, LimbRule.PROXIMAL_DISTAL_PROXIMAL, FirstOnSkin.DRY),
                new Dosing(HoldEnd.BY_SECONDS, 90),
                new Pressing(CeilingEnd.LOWER, 4, new Band(1, 3), new Band(4, 6), 7),
                new Draping(20, GlutealWay.THROUGH_SHEET, ConsentMoment.AT_THE_MOMENT, sensitiveByDefault(), prices()),
                new Mechanics(30, 0.20, 0.4, 20, faultWeights()),
                new Communication(180, 20),
                new Transitions(25, 45, 60, 5, 10, 5),
                marking(60),
                new Growth(45, 25, 9, 100, 0.8, Growth.FADING_SHARE),
                new Ways(
                        Ways.Scalp.LAST,
                        Ways.AfterFriction.COLD,
                        Ways.Ears.TOGETHER,
                        Ways.Opening.SETTLE,
                        Ways.HoldDecision.REPORT,
                        Ways.ElbowPoint.USED,
                        Ways.ChestSheet.CHEST_DRAPE,
                        Ways.OnTable.NOT,
                        Ways.ClientPart.EITHER,
                        Ways.TermMark.LOCAL_LEVEL),
                new Terms(3, 3, 1.2, 5),
                scope(Map.of()),
                Map.of());
    }

    /** Profile B: holds until it softens, permission at the start and confirmed, lubricant first, longer warm-up, more questions. */
    public static Profile byResponse() {
        return new Profile(
                "by-response",
                "By the answer of the tissue",
                new Ordering(90, 4, 0.8, LimbRule.FROM_SHEET_EDGE, FirstOnSkin.LUBRICANT),
                new Dosing(HoldEnd.UNTIL_SOFT, 90),
                new Pressing(CeilingEnd.UPPER, 4, new Band(1, 3), new Band(3, 5), 7),
                new Draping(
                        20, GlutealWay.SIDE_ONLY, ConsentMoment.AT_THE_START_CONFIRMED, sensitiveByDefault(), prices()),
                new Mechanics(30, 0.15, 0.3, 20, faultWeights()),
                new Communication(120, 20),
                new Transitions(25, 45, 60, 5, 10, 5),
                marking(70),
                new Growth(45, 25, 9, 100, 0.8, Growth.FADING_SHARE),
                new Ways(
                        Ways.Scalp.FIRST,
                        Ways.AfterFriction.HEAT,
                        Ways.Ears.ONE_AT_A_TIME,
                        Ways.Opening.CLOTHED_MOVEMENT,
                        Ways.HoldDecision.BOTH,
                        Ways.ElbowPoint.FOREARM_ONLY,
                        Ways.ChestSheet.ARMS_OVER_SHEET,
                        Ways.OnTable.ALLOWED,
                        Ways.ClientPart.ACTIVE,
                        Ways.TermMark.LOCAL_LEVEL),
                new Terms(2, 3, 1, 6),
                scope(Map.of(
                        ScopeTopic.JOINT_MOVEMENT, ScopeTopic.Level.ALLOWED,
                        ScopeTopic.FRONT_OF_NECK, ScopeTopic.Level.ALLOWED)),
                Map.of());
    }

    /** The profiles that ship. */
    public static List<Profile> shipped() {
        return List.of(bySeconds(), byResponse());
    }

    private static Map<ScopeTopic, ScopeTopic.Level> scope(Map<ScopeTopic, ScopeTopic.Level> others) {
        var scope = new EnumMap<ScopeTopic, ScopeTopic.Level>(ScopeTopic.class);
        for (var topic : ScopeTopic.values())
            scope.put(
                    topic,
                    switch (topic) {
                        case INSIDE_MOUTH -> ScopeTopic.Level.THEORY_ONLY;
                        case BREAST_TISSUE, EXERCISE_ADVICE, DIAGNOSIS -> ScopeTopic.Level.NOT_TAUGHT;
                        case HEAT_AND_COLD -> ScopeTopic.Level.ALLOWED;
                        default -> ScopeTopic.Level.SUPERVISED;
                    });
        scope.putAll(others);
        return scope;
    }

    private static Set<Zone> sensitiveByDefault() {
        return Set.of(
                Zone.INSIDE_MOUTH,
                Zone.GLUTEALS,
                Zone.HIP_ROTATORS,
                Zone.THIGH_INNER,
                Zone.GROIN,
                Zone.CHEST_WALL,
                Zone.BREAST,
                Zone.BELLY,
                Zone.RIB_EDGE,
                Zone.STRAP_MUSCLE,
                Zone.NECK_SIDE,
                Zone.THROAT);
    }

    private static Map<DrapingFault, Double> prices() {
        var prices = new EnumMap<DrapingFault, Double>(DrapingFault.class);
        for (var f : DrapingFault.values()) prices.put(f, f.price());
        return prices;
    }

    private static Map<MechanicsFault, Double> faultWeights() {
        var weights = new EnumMap<MechanicsFault, Double>(MechanicsFault.class);
        for (var f : MechanicsFault.values()) weights.put(f, f.weight());
        return weights;
    }

    private static Marking marking(double cut) {
        var weights = new EnumMap<Criterion, Double>(Criterion.class);
        for (var c : Criterion.values()) weights.put(c, 20.0);
        var enough = new EnumMap<Criterion, Integer>(Map.of(
                Criterion.PRESSURE, 3,
                Criterion.ORDER, 1,
                Criterion.MECHANICS, 10,
                Criterion.COMMUNICATION, 5,
                Criterion.DRAPING, 1));
        return new Marking(
                weights,
                OutcomeRule.CONJUNCTIVE,
                cut,
                50,
                1.5,
                5,
                2,
                15,
                new PressureParts(.3, .25, .2, .15, .1),
                new CommunicationParts(.2, .25, .2, .1, .15, .05, .05),
                enough);
    }

    private static <K extends Enum<K>, V> Map<K, V> ordered(Map<K, V> map, Class<K> type) {
        var copy = new EnumMap<K, V>(type);
        copy.putAll(map);
        return Collections.unmodifiableMap(copy);
    }
}

package palmtally.core.profile;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import palmtally.core.Choice;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Sums;
import palmtally.core.Texts;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.technique.DoseTable;
import palmtally.core.technique.ScopeTopic;
import palmtally.core.technique.Techniques;

/**
 * Every threshold, weight and either/or of one school. Two ship, {@link #bySeconds()} and {@link #byResponse()}; they disagree
 * where teachers do. All values are common practice, no source, unless a source is named.
 *
 * @param terms what a term plan is held to
 * @param hours how attendance becomes hours
 * @param techniques what it does otherwise than the techniques that ship, and its own
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
        Hours hours,
        Techniques techniques,
        Map<ScopeTopic, ScopeTopic.Level> scope,
        Map<Rule, Severity> severities) {

    /** Which way the limbs are worked. */
    public enum LimbRule implements Choice {
        PROXIMAL_DISTAL_PROXIMAL("thigh first, upward from the knee, then lower leg, then the whole"),
        FROM_SHEET_EDGE("downward from the sheet's edge"),
        DISTAL_STRIPPING("distal to proximal");

        private final String word = Texts.word(this);

        private final String label;

        LimbRule(String label) {
            this.label = label;
        }

        @Override
        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return word;
        }
    }

    /** Grip work or lubricant first on a zone. */
    public enum FirstOnSkin implements Choice {
        DRY("dry first"),
        LUBRICANT("lubricant first");

        private final String word = Texts.word(this);

        private final String label;

        FirstOnSkin(String label) {
            this.label = label;
        }

        @Override
        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return word;
        }
    }

    /** What ends a hold. */
    public enum HoldEnd implements Choice {
        BY_SECONDS("by seconds"),
        BY_BREATHS("by breaths"),
        UNTIL_SOFT("until it softens");

        private final String word = Texts.word(this);

        private final String label;

        HoldEnd(String label) {
            this.label = label;
        }

        @Override
        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return word;
        }
    }

    /** Which end of a site's ceiling range binds. */
    public enum CeilingEnd implements Choice {
        LOWER("the lower: angle and patience"),
        UPPER("the upper: generous pressure");

        private final String word = Texts.word(this);

        private final String label;

        CeilingEnd(String label) {
            this.label = label;
        }

        @Override
        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return word;
        }
    }

    /** How gluteals are reached. */
    public enum GlutealWay implements Choice {
        THROUGH_SHEET("through the sheet"),
        SIDE_ONLY("one side bare at a time"),
        BARE("bare");

        private final String word = Texts.word(this);

        private final String label;

        GlutealWay(String label) {
            this.label = label;
        }

        @Override
        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return word;
        }
    }

    /** When permission is asked. */
    public enum ConsentMoment implements Choice {
        AT_THE_MOMENT("at the moment"),
        AT_THE_START_CONFIRMED("at the start, and confirmed");

        private final String word = Texts.word(this);

        private final String label;

        ConsentMoment(String label) {
            this.label = label;
        }

        @Override
        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return word;
        }
    }

    /** How five scores become one outcome. */
    public enum OutcomeRule implements Choice {
        CONJUNCTIVE("levels: each criterion at its cut"),
        COMPENSATORY("levels: weighted mean and floors"),
        CHECKLIST("checklist"),
        GLOBAL("one global judgement");

        private final String word = Texts.word(this);

        private final String label;

        OutcomeRule(String label) {
            this.label = label;
        }

        @Override
        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return word;
        }
    }

    /** Order, warm-up and sides. */
    public record Ordering(
            @Amount(
                    id = "warm-up",
                    name = "Warm-up of a zone before firm work",
                    group = Group.ORDER,
                    unit = "s",
                    least = 0,
                    most = 3600,
                    a = 60,
                    b = 90,
                    moves = "ORDER-WARM")
            double warmUpSeconds,

            @Amount(
                    id = "firm-depth",
                    name = "Depth from which a stroke is firm",
                    group = Group.ORDER,
                    unit = "grade",
                    least = 1,
                    most = 5,
                    a = 4,
                    moves = {"ORDER-WARM", "ORDER-FLUSH", "COMM-TOOL"})
            int firmDepth,

            @Amount(
                    id = "side-ratio",
                    name = "Least time of the shorter side",
                    group = Group.ORDER,
                    unit = "%",
                    least = 0,
                    most = 1,
                    a = 0.8,
                    moves = "ORDER-SIDES")
            double sideRatio,

            @Pick(
                    id = "first-leg-stroke",
                    question = "How does work on a leg open?",
                    group = Group.ORDER,
                    a = "proximal-distal-proximal",
                    b = "from-sheet-edge",
                    moves = "ORDER-LIMB")
            LimbRule limb,

            @Pick(
                    id = "first-on-skin",
                    question = "Dry grip work first, or lubricant first?",
                    group = Group.ORDER,
                    a = "dry",
                    b = "lubricant",
                    moves = "ORDER-DRY")
            FirstOnSkin firstOnSkin) {}

    /** How long and how often. */
    public record Dosing(
            @Pick(
                    id = "hold-end",
                    question = "How is a hold measured?",
                    group = Group.DOSE,
                    a = "by-seconds",
                    b = "until-soft",
                    moves = {"DOSE-WINDOW", "DOSE-CAP"})
            HoldEnd holdEnd,

            @Amount(
                    id = "soft-cap",
                    name = "Longest hold that ends when it softens",
                    group = Group.DOSE,
                    unit = "s",
                    least = 1,
                    most = 3600,
                    a = 90,
                    moves = {"DOSE-WINDOW", "DOSE-CAP"})
            double softCapSeconds,

            @Amount(
                    id = "dose-least",
                    name = "At least",
                    group = Group.DOSE,
                    unit = "s",
                    least = 0,
                    most = 3600,
                    otherwise = Otherwise.DOSE_LEAST,
                    moves = "DOSE-WINDOW",
                    added = true)
            Map<DoseTable.Row, Double> ownLeast,

            @Amount(
                    id = "dose-most",
                    name = "At most",
                    group = Group.DOSE,
                    unit = "s",
                    least = 0,
                    most = 3600,
                    above = true,
                    otherwise = Otherwise.DOSE_MOST,
                    moves = {"DOSE-WINDOW", "DOSE-CAP"},
                    added = true)
            Map<DoseTable.Row, Double> ownMost,

            @Amount(
                    id = "rate-low",
                    name = "A second, at least",
                    group = Group.DOSE,
                    least = 0,
                    most = 10,
                    above = true,
                    otherwise = Otherwise.RATE_LOW,
                    moves = "DOSE-RATE",
                    added = true)
            Map<DoseTable.Row, Double> ownRateLow,

            @Amount(
                    id = "rate-high",
                    name = "A second, at most",
                    group = Group.DOSE,
                    least = 0,
                    most = 10,
                    above = true,
                    otherwise = Otherwise.RATE_HIGH,
                    moves = "DOSE-RATE",
                    added = true)
            Map<DoseTable.Row, Double> ownRateHigh) {
        public Dosing {
            ownLeast = ordered(ownLeast, DoseTable.Row.class);
            ownMost = ordered(ownMost, DoseTable.Row.class);
            ownRateLow = ordered(ownRateLow, DoseTable.Row.class);
            ownRateHigh = ordered(ownRateHigh, DoseTable.Row.class);
        }

        /** Seconds from which a dose of a row is enough: the school's own, else the table's. */
        public double least(DoseTable.Row row) {
            return ownLeast.getOrDefault(row, row.least());
        }

        /** Seconds from which it is too much; infinite where nothing is. */
        public double most(DoseTable.Row row) {
            return ownMost.getOrDefault(row, row.most());
        }

        /** Cycles a second, 0 where the row has no rate. */
        public double rateLow(DoseTable.Row row) {
            return ownRateLow.getOrDefault(row, row.rateLow());
        }

        /** Cycles a second, 0 where the row has no rate. */
        public double rateHigh(DoseTable.Row row) {
            return ownRateHigh.getOrDefault(row, row.rateHigh());
        }

        private void check(List<Fault> faults) {
            for (var row : DoseTable.Row.values()) {
                if (!(least(row) <= most(row)))
                    faults.add(new Fault(
                            "dose/ownMost/" + row, String.valueOf(most(row)), "must not be below the least of it"));
                if (ownMost.getOrDefault(row, 0.0) > row.cap())
                    faults.add(new Fault(
                            "dose/ownMost/" + row,
                            String.valueOf(most(row)),
                            "must be at most " + (long) row.cap() + ": vessels run there"));
                if (!(rateLow(row) <= rateHigh(row)))
                    faults.add(new Fault(
                            "dose/ownRateHigh/" + row,
                            String.valueOf(rateHigh(row)),
                            "must not be below the least of it"));
            }
        }
    }

    /** How deep. */
    public record Pressing(
            @Pick(
                    id = "ceiling-end",
                    question = "Which end of a site's range of depth binds?",
                    group = Group.PRESSURE,
                    a = "lower",
                    b = "upper",
                    moves = "PRESS-CEILING")
            CeilingEnd ceilingEnd,

            @Amount(
                    id = "unlisted-ceiling",
                    name = "Ceiling of a site that the trade names none for",
                    group = Group.PRESSURE,
                    unit = "grade",
                    least = 0,
                    most = 5,
                    a = 4,
                    moves = "PRESS-CEILING")
            int unlisted,

            @Amount(
                    id = "ceiling",
                    name = "",
                    group = Group.SITES,
                    unit = "grade",
                    least = 0,
                    most = 5,
                    otherwise = Otherwise.SITE_CEILING,
                    moves = "PRESS-CEILING",
                    added = true)
            Map<Zone, Integer> ownCeilings,

            @Amount(
                    id = "warm-band",
                    name = "Client's number while warming",
                    group = Group.PRESSURE,
                    least = 0,
                    most = 10,
                    each = {1, 3},
                    moves = "PRESS-BAND")
            Band warmBand,

            @Amount(
                    id = "specific-band",
                    name = "Client's number in specific work",
                    group = Group.PRESSURE,
                    least = 0,
                    most = 10,
                    each = {4, 6},
                    eachInB = {3, 5},
                    moves = "PRESS-BAND")
            Band specificBand,

            @Amount(
                    id = "too-much",
                    name = "Number that is too much for anybody",
                    group = Group.PRESSURE,
                    least = 1,
                    most = 10,
                    a = 7,
                    moves = "PRESS-ANSWER")
            int tooMuch) {
        public Pressing {
            ownCeilings = ordered(ownCeilings, Zone.class);
        }

        /** Deepest allowed on a zone, 0–5: the school's own, else the end of the trade's range that it takes. */
        public int ceiling(Zone zone) {
            return ownCeilings.getOrDefault(zone, usualCeiling(zone));
        }

        /** Whether the school or the trade names a ceiling for a zone. */
        public boolean names(Zone zone) {
            return ownCeilings.containsKey(zone) || zone.ceiling().isPresent();
        }

        int usualCeiling(Zone zone) {
            return zone.ceiling()
                    .map(c -> ceilingEnd == CeilingEnd.LOWER ? c.low() : c.high())
                    .orElse(unlisted);
        }
    }

    /** The sheet and permission. */
    public record Draping(
            @Amount(
                    id = "idle-grace",
                    name = "How long a sheet may lie open and unworked",
                    group = Group.DRAPING,
                    unit = "s",
                    least = 0,
                    most = 3600,
                    a = 20,
                    moves = "DRAPE-IDLE")
            double idleGraceSeconds,

            @Pick(
                    id = "gluteals",
                    question = "How are the gluteals reached?",
                    group = Group.DRAPING,
                    a = "through-sheet",
                    b = "side-only",
                    moves = "CONSENT-SCOPE")
            GlutealWay gluteals,

            @Pick(
                    id = "consent",
                    question = "When is permission asked?",
                    group = Group.DRAPING,
                    a = "at-the-moment",
                    b = "at-the-start-confirmed",
                    moves = "CONSENT-BEFORE")
            ConsentMoment consent,

            @Zones(
                    id = "sensitive",
                    question = "Which zones are asked for before they are touched?",
                    group = Group.DRAPING,
                    moves = {"CONSENT-BEFORE", "CONSENT-SCOPE"},
                    always = {Zone.INSIDE_MOUTH, Zone.GROIN, Zone.BREAST},
                    value = {
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
                        Zone.THROAT
                    })
            Set<Zone> sensitive,

            @Amount(
                    id = "price",
                    name = "Points off",
                    group = Group.DRAPING,
                    unit = "points",
                    least = 0,
                    most = 100,
                    moves = "DRAPE-FAULT")
            Map<DrapingFault, Double> prices,

            @Amount(
                    id = "cap-sheet",
                    name = "Most where over half the looks at the sheet had a fault",
                    group = Group.DRAPING,
                    least = 0,
                    most = 100,
                    a = 59,
                    moves = "DRAPE-FAULT",
                    added = true)
            double faultyCap) {
        /** Whether permission is asked before a zone is touched: of the school's sensitive ones, and always of the line of the sternum. */
        public boolean asks(Zone zone) {
            return zone == Zone.STERNUM || sensitive.contains(zone);
        }

        public Draping {
            sensitive = Collections.unmodifiableSet(new TreeSet<>(sensitive));
            prices = ordered(prices, DrapingFault.class);
        }
    }

    /** The therapist's own body. */
    public record Mechanics(
            @Amount(
                    id = "bare-thumb-row",
                    name = "Longest stretch on a bare thumb",
                    group = Group.MECHANICS,
                    unit = "s",
                    least = 0,
                    most = 3600,
                    a = 30,
                    moves = "HAND-BARE")
            double bareThumbRowSeconds,

            @Amount(
                    id = "bare-thumb-share",
                    name = "Largest share of the time on a bare thumb",
                    group = Group.MECHANICS,
                    unit = "%",
                    least = 0,
                    most = 1,
                    a = 0.2,
                    b = 0.15,
                    moves = "HAND-BARE")
            double bareThumbShare,

            @Amount(
                    id = "pointed-share",
                    name = "Largest share of the time on thumbs and the elbow point",
                    group = Group.MECHANICS,
                    unit = "%",
                    least = 0,
                    most = 1,
                    a = 0.4,
                    b = 0.3,
                    moves = "HAND-LOAD",
                    added = true)
            double pointedShare,

            @Amount(
                    id = "look-every",
                    name = "How often a look at the mechanics is asked for",
                    group = Group.MECHANICS,
                    unit = "s",
                    least = 1,
                    most = 3600,
                    a = 20,
                    moves = "MECH-LOOK")
            double lookEverySeconds,

            @Amount(
                    id = "spoils",
                    name = "Share of a look that is spoiled",
                    group = Group.MECHANICS,
                    unit = "%",
                    least = 0,
                    most = 1,
                    moves = "MECH-LOOK")
            Map<MechanicsFault, Double> faults) {
        public Mechanics {
            faults = ordered(faults, MechanicsFault.class);
        }
    }

    /** Words. */
    public record Communication(
            @Amount(
                    id = "largest-silence",
                    name = "Largest silence",
                    group = Group.COMMUNICATION,
                    unit = "s",
                    least = 1,
                    most = 7200,
                    a = 180,
                    b = 120,
                    moves = "COMM-GAP")
            double largestSilenceSeconds,

            @Amount(
                    id = "tool-question",
                    name = "How soon a question follows a heavier or more pointed tool",
                    group = Group.COMMUNICATION,
                    unit = "s",
                    least = 1,
                    most = 3600,
                    a = 20,
                    moves = "COMM-TOOL")
            double toolQuestionSeconds) {}

    /** Seconds lost between steps. */
    public record Transitions(
            @Amount(
                    id = "sheet-seconds",
                    name = "Opening or closing the sheet",
                    group = Group.BETWEEN,
                    unit = "s",
                    least = 0,
                    most = 3600,
                    a = 25,
                    moves = "DOSE-SLOT")
            double sheet,

            @Amount(
                    id = "sensitive-sheet-seconds",
                    name = "The same over a sensitive zone",
                    group = Group.BETWEEN,
                    unit = "s",
                    least = 0,
                    most = 3600,
                    a = 45,
                    moves = "DOSE-SLOT")
            double sensitiveSheet,

            @Amount(
                    id = "turn-seconds",
                    name = "Turning the client",
                    group = Group.BETWEEN,
                    unit = "s",
                    least = 0,
                    most = 3600,
                    a = 60,
                    moves = "DOSE-SLOT")
            double turn,

            @Amount(
                    id = "place-seconds",
                    name = "Walking to another place",
                    group = Group.BETWEEN,
                    unit = "s",
                    least = 0,
                    most = 3600,
                    a = 5,
                    moves = "DOSE-SLOT")
            double place,

            @Amount(
                    id = "lubricant-seconds",
                    name = "Taking lubricant",
                    group = Group.BETWEEN,
                    unit = "s",
                    least = 0,
                    most = 3600,
                    a = 10,
                    moves = "DOSE-SLOT")
            double lubricant,

            @Amount(
                    id = "question-seconds",
                    name = "Asking a question",
                    group = Group.BETWEEN,
                    unit = "s",
                    least = 0,
                    most = 3600,
                    a = 5,
                    moves = "DOSE-SLOT")
            double question) {}

    public Profile {
        severities = Collections.unmodifiableMap(new TreeMap<>(severities));
        scope = ordered(scope, ScopeTopic.class);
        var faults = new ArrayList<Fault>();
        for (var t : ScopeTopic.values())
            if (!scope.containsKey(t)) faults.add(new Fault("scope/" + t, "", "is missing"));
        if (id.isBlank()) faults.add(new Fault("id", id, "must not be blank"));
        if (name.isBlank()) faults.add(new Fault("name", name, "must not be blank"));
        for (var c : Criterion.values()) {
            if (!marking.criteria().containsKey(c)) faults.add(new Fault("marking/criteria/" + c, "", "is missing"));
            if (!marking.enough().containsKey(c)) faults.add(new Fault("marking/enough/" + c, "", "is missing"));
            if (!marking.least().containsKey(c)) faults.add(new Fault("marking/least/" + c, "", "is missing"));
        }
        if (Sums.of(marking.criteria().values().stream().mapToDouble(Double::doubleValue)) <= 0)
            faults.add(new Fault("marking/criteria", "", "must not all be 0"));
        for (var f : DrapingFault.values())
            if (!draping.prices.containsKey(f)) faults.add(new Fault("draping/prices/" + f, "", "is missing"));
        for (var f : MechanicsFault.values())
            if (!mechanics.faults.containsKey(f)) faults.add(new Fault("mechanics/faults/" + f, "", "is missing"));
        if (marking.answerNothingSeconds() <= marking.answerFullSeconds() + marking.answerAllowanceSeconds())
            faults.add(new Fault(
                    "marking/answerNothingSeconds",
                    String.valueOf(marking.answerNothingSeconds()),
                    "must be later than the full mark with its allowance"));
        if (terms.meetings() < 0 || terms.meetings() > 20)
            faults.add(new Fault("terms/meetings", String.valueOf(terms.meetings()), "must be 0 to 20"));
        if (terms.cleanDrapes() < 0 || terms.cleanDrapes() > 20)
            faults.add(new Fault("terms/cleanDrapes", String.valueOf(terms.cleanDrapes()), "must be 0 to 20"));
        if (!(terms.gapGrowth() >= 1 && terms.gapGrowth() <= 4))
            faults.add(new Fault("terms/gapGrowth", String.valueOf(terms.gapGrowth()), "must be 1 to 4"));
        if (!(terms.longestGapWeeks() > 0 && terms.longestGapWeeks() <= 60))
            faults.add(new Fault(
                    "terms/longestGapWeeks",
                    String.valueOf(terms.longestGapWeeks()),
                    "must be above 0 and at most 60"));
        if (hours.missedFromMinutes() <= hours.graceMinutes())
            faults.add(new Fault(
                    "hours/missedFromMinutes",
                    String.valueOf(hours.missedFromMinutes()),
                    "must be more than the " + hours.graceMinutes() + " minutes that are in time"));
        for (var r : severities.entrySet())
            if (r.getValue() == Severity.CRITICAL)
                faults.add(new Fault("severities/" + r.getKey(), "critical", "must be off, hint, warn or stop"));
        dose.check(faults);
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

    /** The same school under another name. */
    public Profile named(String newId, String newName) {
        return but(newId, newName, techniques);
    }

    /** The same school with other techniques. */
    public Profile teaching(Techniques to) {
        return but(id, name, to);
    }

    private Profile but(String id, String name, Techniques techniques) {
        return new Profile(
                id,
                name,
                order,
                dose,
                pressure,
                draping,
                mechanics,
                communication,
                transitions,
                marking,
                growth,
                ways,
                terms,
                hours,
                techniques,
                scope,
                severities);
    }

    public Profile withScope(Map<ScopeTopic, ScopeTopic.Level> to) {
        return Rows.write(this, List.of("scope"), to);
    }

    public Profile withSeverities(Map<Rule, Severity> to) {
        return Rows.write(this, List.of("severities"), to);
    }

    /** Profile A: holds by the clock, permission at the moment, dry work first. */
    public static Profile bySeconds() {
        return Shipped.A;
    }

    /** Profile B: holds until it softens, permission at the start and confirmed, lubricant first, longer warm-up, more questions. */
    public static Profile byResponse() {
        return Shipped.B;
    }

    /** The profiles that ship. */
    public static List<Profile> shipped() {
        return List.of(Shipped.A, Shipped.B);
    }

    /** Made when they are asked for: who is given a profile needs none of them. */
    private static final class Shipped {
        static final Profile A = shipped("by-seconds", "By the clock", false);
        static final Profile B = shipped("by-response", "By the answer of the tissue", true);
    }

    private static Profile shipped(String id, String name, boolean b) {
        var scope = new EnumMap<ScopeTopic, ScopeTopic.Level>(ScopeTopic.class);
        for (var topic : ScopeTopic.values()) scope.put(topic, topic.shipped(b));
        return new Profile(
                id,
                name,
                Rows.shipped(Ordering.class, b),
                Rows.shipped(Dosing.class, b),
                Rows.shipped(Pressing.class, b),
                Rows.shipped(Draping.class, b),
                Rows.shipped(Mechanics.class, b),
                Rows.shipped(Communication.class, b),
                Rows.shipped(Transitions.class, b),
                Rows.shipped(Marking.class, b),
                Rows.shipped(Growth.class, b),
                Rows.shipped(Ways.class, b),
                Rows.shipped(Terms.class, b),
                Rows.shipped(Hours.class, b),
                Techniques.SHIPPED,
                scope,
                Map.of());
    }

    static <K extends Enum<K>, V> Map<K, V> ordered(Map<K, V> map, Class<K> type) {
        var copy = new EnumMap<K, V>(type);
        copy.putAll(map);
        return Collections.unmodifiableMap(copy);
    }
}

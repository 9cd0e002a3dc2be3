package palmtally.core.profile;

import java.util.Map;
import palmtally.core.finding.Criterion;

/** How a practical is marked. */
@Retired("safetyEdge")
public record Marking(
        @Amount(
                id = "weight",
                name = "Weight",
                group = Group.MARKING,
                least = 0,
                most = 1000,
                each = {20, 20, 20, 20, 20})
        Map<Criterion, Double> criteria,

        @Pick(
                id = "outcome",
                question = "How do five scores become one outcome?",
                group = Group.MARKING,
                a = "conjunctive")
        Profile.OutcomeRule outcome,

        @Amount(
                id = "cut",
                name = "Score that a criterion must reach",
                group = Group.MARKING,
                least = 0,
                most = 100,
                a = 60,
                b = 70)
        double cut,

        @Amount(
                id = "floor",
                name = "Least score where other criteria may make up for it",
                group = Group.MARKING,
                least = 0,
                most = 100,
                a = 50)
        double floor,

        @Amount(
                id = "answer-full",
                name = "How soon an answer to a report earns everything",
                group = Group.MARKING,
                unit = "s",
                least = 0,
                most = 60,
                a = 5,
                moves = "PRESS-ANSWER")
        double answerFullSeconds,

        @Amount(
                id = "answer-allowance",
                name = "Added for the grader's own reaction",
                group = Group.MARKING,
                unit = "s",
                least = 0,
                most = 60,
                a = 2,
                moves = "PRESS-ANSWER")
        double answerAllowanceSeconds,

        @Amount(
                id = "answer-nothing",
                name = "From when an answer earns nothing",
                group = Group.MARKING,
                unit = "s",
                least = 0,
                most = 600,
                a = 15,
                moves = "PRESS-ANSWER")
        double answerNothingSeconds,

        OrderParts order,
        MechanicsParts mechanics,
        PressureParts pressure,
        CommunicationParts communication,

        @Amount(
                id = "enough",
                name = "Observations that count fully as evidence",
                group = Group.MARKING,
                least = 1,
                most = 1000,
                each = {8, 4, 10, 8, 4})
        Map<Criterion, Integer> enough,

        @Amount(
                id = "least",
                name = "Observations that make a score",
                group = Group.MARKING,
                least = 1,
                most = 1000,
                each = {4, 2, 3, 3, 2},
                added = true)
        Map<Criterion, Integer> least) {
    public Marking {
        criteria = Profile.ordered(criteria, Criterion.class);
        enough = Profile.ordered(enough, Criterion.class);
        least = Profile.ordered(least, Criterion.class);
    }

    /** What counts how much in the stroke order. */
    public record OrderParts(
            @Amount(
                    id = "order-safety",
                    name = "How much is lost where nothing came in the order that safety needs",
                    group = Group.MARKING,
                    unit = "%",
                    least = 0,
                    most = 1,
                    a = 0.6,
                    added = true)
            double safety,

            @Amount(
                    id = "order-out-of-place",
                    name = "How much a step out of its place still counts",
                    group = Group.MARKING,
                    unit = "%",
                    least = 0,
                    most = 1,
                    a = 0.25,
                    added = true)
            double outOfPlace,

            @Amount(
                    id = "order-restart",
                    name = "How much is lost where the second side did not restart gently",
                    group = Group.MARKING,
                    unit = "%",
                    least = 0,
                    most = 1,
                    a = 0.1,
                    added = true)
            double restart,

            @Amount(
                    id = "order-time",
                    name = "How much is lost where one side had no time",
                    group = Group.MARKING,
                    unit = "%",
                    least = 0,
                    most = 1,
                    a = 0.05,
                    added = true)
            double time) {}

    /** Weights of the parts of pressure control, and what is taken off. */
    @Retired({"answers", "ceilings"})
    public record PressureParts(
            @Amount(
                    id = "pressure-reports",
                    name = "Part of pressure control: the client's numbers",
                    group = Group.MARKING,
                    least = 0,
                    most = 1000,
                    a = 0.3)
            double reports,

            @Amount(
                    id = "pressure-depth",
                    name = "Part of pressure control: the depth that was seen",
                    group = Group.MARKING,
                    least = 0,
                    most = 1000,
                    a = 0.3,
                    added = true)
            double depth,

            @Amount(
                    id = "pressure-holds",
                    name = "Part of pressure control: holds",
                    group = Group.MARKING,
                    least = 0,
                    most = 1000,
                    a = 0.1)
            double holds,

            @Amount(
                    id = "pressure-rate",
                    name = "Part of pressure control: rate",
                    group = Group.MARKING,
                    least = 0,
                    most = 1000,
                    a = 0.1)
            double rate,

            @Amount(
                    id = "over-price",
                    name = "Points off for a report over the band that was not eased",
                    group = Group.MARKING,
                    unit = "points",
                    least = 0,
                    most = 100,
                    a = 15,
                    added = true)
            double overPrice,

            @Amount(
                    id = "over-by-one-price",
                    name = "The same where it was one grade over",
                    group = Group.MARKING,
                    unit = "points",
                    least = 0,
                    most = 100,
                    a = 7,
                    added = true)
            double overByOnePrice,

            @Amount(
                    id = "ceiling-price",
                    name = "Points off for each grade over what a site takes",
                    group = Group.MARKING,
                    unit = "points",
                    least = 0,
                    most = 100,
                    a = 10,
                    added = true)
            double ceilingPrice,

            @Amount(
                    id = "cap-light-hands",
                    name = "Most where over half the depths are two grades or more off",
                    group = Group.MARKING,
                    least = 0,
                    most = 100,
                    a = 49,
                    added = true)
            double offCap,

            @Amount(
                    id = "cap-one-sided",
                    name = "Most where over half the looks were too light, or too deep",
                    group = Group.MARKING,
                    least = 0,
                    most = 100,
                    a = 59,
                    added = true)
            double oneSidedCap,

            @Amount(
                    id = "cap-begun-over",
                    name = "Most where over half the steps began over the band",
                    group = Group.MARKING,
                    least = 0,
                    most = 100,
                    a = 59,
                    added = true)
            double begunOverCap) {}

    /** Weights of the parts of body mechanics. */
    public record MechanicsParts(
            @Amount(
                    id = "mechanics-looks",
                    name = "Part of body mechanics: looks",
                    group = Group.MARKING,
                    least = 0,
                    most = 1000,
                    a = 0.8,
                    added = true)
            double looks,

            @Amount(
                    id = "mechanics-balance",
                    name = "Part of body mechanics: balance",
                    group = Group.MARKING,
                    least = 0,
                    most = 1000,
                    a = 0.1,
                    added = true)
            double balance,

            @Amount(
                    id = "mechanics-thumb",
                    name = "Part of body mechanics: thumbs",
                    group = Group.MARKING,
                    least = 0,
                    most = 1000,
                    a = 0.1,
                    added = true)
            double thumb) {}

    /** Weights of the parts of client communication. */
    public record CommunicationParts(
            @Amount(
                    id = "communication-opening",
                    name = "Part of client communication: the opening",
                    group = Group.MARKING,
                    least = 0,
                    most = 1000,
                    a = 0.2)
            double opening,

            @Amount(
                    id = "communication-silence",
                    name = "Part of client communication: silence",
                    group = Group.MARKING,
                    least = 0,
                    most = 1000,
                    a = 0.25)
            double silence,

            @Amount(
                    id = "communication-tool-questions",
                    name = "Part of client communication: questions after a tool",
                    group = Group.MARKING,
                    least = 0,
                    most = 1000,
                    a = 0.2)
            double toolQuestions,

            @Amount(
                    id = "communication-interviews",
                    name = "Part of client communication: interviews",
                    group = Group.MARKING,
                    least = 0,
                    most = 1000,
                    a = 0.1)
            double interviews,

            @Amount(
                    id = "communication-warnings",
                    name = "Part of client communication: warnings and cues",
                    group = Group.MARKING,
                    least = 0,
                    most = 1000,
                    a = 0.15)
            double warningsAndCues,

            @Amount(
                    id = "communication-answers",
                    name = "Part of client communication: vague replies asked after",
                    group = Group.MARKING,
                    least = 0,
                    most = 1000,
                    a = 0.05)
            double answers,

            @Amount(
                    id = "communication-closing",
                    name = "Part of client communication: the closing",
                    group = Group.MARKING,
                    least = 0,
                    most = 1000,
                    a = 0.05)
            double closing) {}
}

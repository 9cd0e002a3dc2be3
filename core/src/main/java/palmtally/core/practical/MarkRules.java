package palmtally.core.practical;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import palmtally.core.Texts;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Spoken;
import palmtally.core.profile.Choices;
import palmtally.core.profile.Numbers;
import palmtally.core.profile.Profile;

/**
 * How each of the five scores and the outcome come about, in plain words. A number of the school stands in them by the short name of
 * its row in braces, so that the words follow what the school changes; an either/or by the short name of its row in angle brackets.
 */
public final class MarkRules {
    /**
     * How one thing comes about.
     *
     * @param criterion which score, or null for what is about all of them
     * @param sentences a paragraph each
     */
    public record Section(@Nullable Criterion criterion, String title, List<String> sentences) {}

    /**
     * Number of the rules: raised whenever a run may be marked otherwise than before. An award keeps the number of the rules it was
     * given by.
     */
    public static final int NUMBER = 2;

    private static final Pattern NAMED = Pattern.compile("\\{([a-z0-9-]+)}|<([a-z0-9-]+)>");

    private static final String SEEN = """
            A mark says what was seen. What nobody saw is neither good nor bad: a part without evidence is left out of the mean, and where too little was seen there is no mark, and the outcome stays incomplete.
            Whatever is judged by time or by absence counts only while the grader’s eyes were on the table and no break was on. That something was missing counts only for a grader who listens for such things, which one tap of the kind shows; else it is a question at the review, answered by one tap.
            A spot check, a look of a fellow student and a re-take need half of the least numbers below; the opening, the closing and the cover at the end are not asked there.""";

    private static final String PRESSURE = """
            The mean of four parts, by weight: the client’s numbers {pressure-reports}, depth {pressure-depth}, holds {pressure-holds}, rate {pressure-rate}.
            A number inside the band of its step counts whole, one grade under it half, less nothing; where every number was over the band this part is a half. Depth that was seen counts whole where it is the plan’s, half one grade off, else nothing; too light and too deep are one grade off. A hold counts whole inside the window of the dose table, half within a quarter around it; so does the rate, and too fast earns nothing.
            Then points are taken off. A number over the band costs {over-price}, {over-by-one-price} where it was one grade over, and the less the sooner it was answered: eased, broadened, slowed or stopped within {answer-full} and {answer-allowance} for the grader’s own reaction it costs nothing, from {answer-nothing} on all of it. A client who guards has said two grades over. An answer nobody could watch is judged by the next number on that step.
            Each grade over what a site takes costs {ceiling-price}. A site that is not to be touched is critical.
            Light hands are not made right by a polite client: at most {cap-light-hands} where three or more, and over half, of the depths on working steps were two grades or more off; at most {cap-one-sided} where three or more, and over half, were too light, or too deep; at most {cap-begun-over} where three or more steps, and over half, began over the band.
            There is a mark from {least-pressure} numbers and depths together, or one for each step done where those are fewer; it counts as full evidence from {enough-pressure}.""";

    private static final String ORDER = """
            Each step that was asked weighs 4, 2 or 1, as it must, should or could be done; a done one as much of it as it had of its least dose, half of it where a stroke went the wrong way or beside its landmark.
            Of what was done, the fewest and lightest steps are found that, moved, put the run in the planned order. The others count whole, those {order-out-of-place}: who is out of order still did the work. In a plan of fewer than four steps they count nothing. Left and right are never compared: which side comes first is the student’s choice.
            Up to {order-safety} are lost, by the share of the firm steps that came before, or without, what warms their zone.
            Where both sides were asked, {order-restart} are lost where the second did not start again gently, and up to {order-time} where one side had less than {side-ratio} of the other’s time.
            A step that was not tapped, in a place of the plan that nobody watched, is a question at the review, and outside until it is answered. There is a mark from {least-order} steps, and half of those asked, that are known to be done or left out; it counts as full evidence from {enough-order}.""";

    private static final String MECHANICS = """
            The mean of three parts, by weight: looks {mechanics-looks}, balance {mechanics-balance}, thumbs {mechanics-thumb}.
            A look falls due every {look-every}, from the table and from the floor alike. A clean one counts whole, and each fault takes its share of it: bent elbows, bent waist, leaning, a twisted trunk, a bare thumb, lifting with the back and reaching {spoils-bent-elbows}, a dropped head, raised shoulders, a tense hand and pulling with the arms {spoils-tense-hand}. A look that nobody asked for weighs a half, clean or not.
            Balance is the share of the tests that held with the front foot lifted. Thumbs, where the tool was seen: at most {bare-thumb-share} of the time on a bare thumb and {pointed-share} on pointed tools, or what the plan itself asks.
            There is a mark from {least-mechanics} looks, or as many as fell due; it counts as full evidence from {enough-mechanics}.""";

    private static final String COMMUNICATION = """
            The mean of what could be heard, by weight: opening {communication-opening}, silence {communication-silence}, a question after a tool {communication-tool-questions}, interviews {communication-interviews}, warnings and cues {communication-warnings}, vague replies {communication-answers}, closing {communication-closing}.
            Opening: greeting, purpose, areas to avoid and the invitation to speak, before the treatment. Silence: the share of the watched time that lies within {largest-silence} after an open question or a choice; a number or a reply that is heard stands for its question. A question follows each heavier or more pointed tool within {tool-question}. A trigger-point interview is four questions in order. Strong work is announced, the client’s own movement has a ready and a relax cue, a vague reply is asked after.
            What was heard counts whenever it was; that something was missing only where all of its moment was watched. How soon a report is answered is pressure’s alone.
            There is a mark from {least-communication} chances to speak that were watched or taken, or as many as there were; it counts as full evidence from {enough-communication}.""";

    private static final String DRAPING = """
            Each change of the sheet and the cover at the end falls due as a look; without a look there is no mark.
            The share of the time something lay open in which it was worked, what lay idle up to {idle-grace} left aside; less the price of what was missed: a loose tuck {price-loose}, left open {price-left-open}, a leg lifted too high {price-lifted-too-high}, not secured {price-not-secured}, not covered at the end {price-not-covered-at-end}, anything else {price-other}. At most {cap-sheet} where two or more looks, and over half of them, had a fault.
            Permission: a yes covers the zones it was asked for, on skin or through the sheet as asked, until it is taken back; asked anew, the old yes stands for twenty seconds. A no binds its zones and its way alone. A sensitive zone touched after a no or a withdrawal is critical. Touched without a yes that was heard it is a question at the review, and critical where the grader says it was not asked.
            There is a mark from {least-draping} looks at the sheet, or as many as fell due; it counts as full evidence from {enough-draping}.""";

    private static final String OUTCOME = """
            Five scores become one outcome this way: <outcome>. The cut is {cut}, the floor {floor}; in a mean the five weigh pressure {weight-pressure}, order {weight-order}, mechanics {weight-mechanics}, communication {weight-communication}, draping {weight-draping}.
            What was not asked is outside. What was asked and not observed, and a question that is not answered, leave it incomplete: neither a pass nor a fail. What is critical and stands fails all the same. The grader rates the whole before any score is shown, and may change a score with a reason; both are kept.""";

    private MarkRules() {}

    /** In the order of the fingers, after what holds for all of them, and the outcome last. */
    public static List<Section> of(Profile profile) {
        var sections = new ArrayList<Section>();
        sections.add(section(null, "What counts at all", SEEN, profile));
        words().forEach((c, words) -> sections.add(section(c, c.label(), words, profile)));
        sections.add(section(null, "The outcome", OUTCOME, profile));
        return List.copyOf(sections);
    }

    private static Map<Criterion, String> words() {
        var words = new EnumMap<Criterion, String>(Criterion.class);
        words.put(Criterion.PRESSURE, PRESSURE);
        words.put(Criterion.ORDER, ORDER);
        words.put(Criterion.MECHANICS, MECHANICS);
        words.put(Criterion.COMMUNICATION, COMMUNICATION);
        words.put(Criterion.DRAPING, DRAPING);
        return words;
    }

    private static Section section(@Nullable Criterion criterion, String title, String words, Profile profile) {
        return new Section(
                criterion,
                title,
                words.lines().map(line -> filled(line, profile)).toList());
    }

    private static String filled(String line, Profile profile) {
        return Texts.replaced(
                NAMED,
                line,
                found -> found.group(1) != null ? number(found.group(1), profile) : choice(found.group(2), profile));
    }

    private static String number(String id, Profile profile) {
        var row = Numbers.find(id).orElseThrow(() -> new IllegalStateException("no number " + id));
        var value = Spoken.number(row.value(profile));
        return row.unit().isEmpty() || row.unit().equals("times") ? value : value + " " + row.unit();
    }

    private static String choice(String id, Profile profile) {
        var row = Choices.find(id).orElseThrow(() -> new IllegalStateException("no either/or " + id));
        var chosen = row.chosen(profile);
        return row.options().stream()
                .filter(o -> o.id().equals(chosen))
                .map(Choices.Option::label)
                .findFirst()
                .orElse(chosen);
    }
}

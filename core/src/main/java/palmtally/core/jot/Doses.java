package palmtally.core.jot;

import java.util.function.Consumer;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import org.hipparchus.util.FastMath;
import palmtally.core.profile.Band;
import palmtally.core.sequence.detail.ClientPart;
import palmtally.core.sequence.detail.End;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Stroke;
import palmtally.core.technique.Technique;

/** How long, how often and how deep: numbers and their units, as they are said and as a dose. */
final class Doses {
    private Doses() {}

    private static final Pattern SECONDS = alone(
            "(\\d+(?:\\.\\d+)?)\\s*(?:s|sec|secs|seconds?)(?: (?:or so|total|in (?:all|total)|ea|((?:per|a|on each|on every|at each) (?:spot|point|hold))|a (?:side|leg|arm|foot|hand)|each(?! (?:side|leg|arm|foot|hand|way|direction))|a pass|per pass|(holds?)))?");

    private static final Pattern MINUTES =
            alone("(\\d+(?:\\.\\d+)?)\\s*(?:m|min|mins|minutes?)(?: (?:or so|total|in (?:all|total)))?");

    private static final Pattern MINUTES_AND_SECONDS =
            alone("(\\d{1,3}) ?(?:m|min|mins|minutes?) ?(?:and )?(\\d{2})(?: ?(?:s|sec|secs|seconds?)|(?! ?[a-z]))");

    private static final Pattern CLOCK = alone("(\\d{1,3}):([0-5]\\d)(?: min)?");

    private static final Pattern TIMES = alone("(?:x|×)\\s*(\\d+)|(\\d+)(?:\\s*(?:x|×|times)|(?= each\\s))");

    /** "3 x 10" of a hold. */
    private static final Pattern EACH = alone(
            "(\\d{1,2}) (?:x|×) (\\d{1,3})(?! ?(?:s|secs?|seconds?|m|mins?|minutes?|breaths?|holds?|passes|strokes?) )");

    private static final Pattern COUNTED = alone(
            "(\\d+)((?: (?:slow|long|light|deep|full|broad|firm|gentle|big|small|little|short|smooth|down|up|downward|upward|outward|palm|forearm|fist|knuckle"
                    + "|quiet|calm|easy|even|thumb|finger|elbow)|(?: (?!out\\b|in\\b)[a-z]+){1,2}(?= breaths?\\b))*) ?((?:(?:out|in) ?)?(?:breath(?:ing)? cycles?|breaths?|brs?)(?: (?:out|in)\\b)?|exhales?|inhales?|holds?|passes|pass|cycles?|cycs?|stations?|spots?|points?|places?|presses|reps|repetitions?|strokes?|sweeps?|slides?"
                    + "|glides?|circles?|forearms(?= )|laps|rounds?|sets?|lots|bouts?|rows?|squeezes|lines?|tracks?|lanes?|lengths?|strips?|rubs?|lifts)");

    private static final Pattern A_MINUTE =
            alone("(\\d{1,3}) (?:cpm|bpm|cycles? (?:a|per) min(?:ute)?|(?:a|per) min(?:ute)?)");

    private static final Pattern PERCENT =
            alone("(?:at |with |about )?(\\d{1,2}) ?(?:%|per ?cent)(?: (?:effort|strength|force|push))?");

    /** A count is taken for a second. */
    private static final Pattern COUNTS =
            alone("(?:for |to )?(?:a )?(?:slow )?count (?:of|to) (\\d{1,2})|(?:for )?(\\d{1,2}) (?:slow )?counts?");

    private static final Pattern RATE = alone(
            "(?:at )?(\\d+(?:\\.\\d+)?)\\s*(?:/ ?s(?:ec)?|(?:x |times )?(?:a|per) sec(?:ond)?|hz|cycles? (?:a|per) second|cycles? ?/ ?s(?:ec)?|(?:times|strokes|cycles|rubs|beats) (?:a|per) second)");

    /** "Five of them." */
    private static final Pattern OF_THEM = alone("(\\d{1,2}) of (?:them|these|those)");

    private static final Pattern RANGE = alone(
            "(\\d+(?:\\.\\d+)?) to (\\d+(?:\\.\\d+)?) ?"
                    + "(s|secs?|seconds?|m|mins?|minutes?|x|times|breaths?|holds?|passes|cycles?|stations?|strokes|reps|repetitions|rounds?)");

    private static final Pattern WAYS = alone(
            "(\\d{1,2}) (?:times )?(?:forwards?|back(?:wards?)?|c?cw|clockwise|anti ?clockwise|counter ?clockwise|in|out|left|right)");

    /** "For 30" are seconds. */
    private static final Pattern FOR = Pattern.compile("(?<=\\s)for ([1-9]\\d)\\s*$");

    /** A number at the end of a clause. */
    private static final Pattern LAST = Pattern.compile(
            "(?<=\\s)(?<!\\b(?:of|to|about|is|number|level|grade|at|pressure|press|depth|step|under|over|below|above|than|no|[a-z]) )([2-9]|[12]\\d|30)(?: (?:slow|long|light|deep|full|broad|firm|gentle|big|smooth|each|easy)(?: (?:way|direction|leg|side|arm|foot|hand))?| per (?:leg|side|arm|foot|hand|way|toe|finger))?\\s*$");

    private static final Pattern DEPTH = alone(
            "(?:at )?(?:depth|d|level|p(?=\\d))\\s*(\\d)(?: of 5)?|(?:at )?(?:pressure|depth)?\\s*(\\d) ?(?:/|out of|of) ?5");

    private static final Pattern NUMBER = alone(
            "(?:keep (?:it )?|stay |hold |up )?(?:at |to |under |below |on )?(?:a )?"
                    + "(?:number|report|band|pain|client s number|client number) (?:of |max(?:imum)? |no more than |not over |at most |at |about |around |between |stays |is |in |under |to |up to )*"
                    + "(\\d{1,2})(?! ?(?:s|secs?|seconds?|mins?|minutes?|x|times|passes)\\b)(?: ?(?:–|-|to|or|and) ?(\\d{1,2}))?(?: (?:of|out of) 10|/10)?(?: at (?:the )?most| max(?:imum)?)?"
                    + "|(?:(?:stay|keep|keep it|hold) )?(?:(?:no more than|not over|not above|not more than|up to|at most|max(?:imum)?|under|below|to a|to) )?(?<=\\s)(\\d{1,2})(?: ?(?:–|-|to) ?(\\d{1,2}))? ?(?:/ ?10|out of 10|of 10)(?: max(?:imum)?)?");

    private static final Pattern NEARLY =
            Pattern.compile("(?<=\\s)(?:about|approx|approximately|roughly|ca|circa) (?=\\d)");

    /** "To a 5", "stay under 6": nothing else is told in numbers without a unit. */
    private static final Pattern ONLY_A_NUMBER = Pattern.compile(
            "(?:then |and )*(?:press |work |go |stay |keep |keep it |keep at |hold )*(?:up )?(to a|under|below|no more than|not over|not above|never over|at most|max) (\\d|10)");

    private static final Pattern AT_MOST =
            Pattern.compile("\\b(under|to(?= \\d+$)|below|most|max|maximum|than|over|above)\\b");

    private static Pattern alone(String pattern) {
        return Pattern.compile("(?<=\\s)(?:" + pattern + ")(?=\\s)");
    }

    /** Takes the doses, the depth and the number out of the text and leaves the words. */
    static String taken(String text, Reading read) {
        var numbered = Numbers.lone(text);
        if (numbered.chars().noneMatch(c -> c >= '0' && c <= '9')) return numbered;
        var rest = NEARLY.matcher(numbered).replaceAll(" ");
        rest = pull(NUMBER, rest, m -> {
            var first = m.group(1) != null ? m.group(1) : m.group(3);
            var last = m.group(1) != null ? m.group(2) : m.group(4);
            int low = Integer.parseInt(first);
            int high = last == null ? low : Integer.parseInt(last);
            boolean most = first.equals(last == null ? first : last)
                    && AT_MOST.matcher(m.group()).find();
            if (low <= high && high <= 10) read.band = new Band(most ? Math.min(1, low) : low, high);
        });
        var only = ONLY_A_NUMBER.matcher(rest.strip());
        if (only.matches()) {
            int most = Integer.parseInt(only.group(2));
            read.band = new Band(only.group(1).equals("to a") ? most : Math.min(1, most), most);
            return "";
        }
        rest = pull(OF_THEM, rest, m -> read.count = whole(m.group(1)));
        rest = ranges(rest, read);
        rest = pull(RATE, rest, m -> read.rate = Double.valueOf(m.group(1)));
        rest = counted(rest, read);
        rest = pull(A_MINUTE, rest, m -> {
            read.count = whole(m.group(1));
            read.seconds = 60.0;
            read.rate = Double.parseDouble(m.group(1)) / 60;
            read.counted = Dose.Kind.CYCLES;
        });
        rest = pull(PERCENT, rest, m -> read.percent = whole(m.group(1)));
        // "Hold to a count of eight."
        rest = pull(COUNTS, rest, m -> read.seconds = Double.valueOf(m.group(1) != null ? m.group(1) : m.group(2)));
        // "Depth 3 each" counts nothing.
        rest = pull(DEPTH, rest, m -> read.depth = Integer.valueOf(m.group(1) != null ? m.group(1) : m.group(2)));
        // "5 forward, 5 back" of a joint are five each way.
        if (read.count == null)
            rest = pull(WAYS, rest, m -> {
                read.count = whole(m.group(1));
                read.bothWays = true;
                read.aside.add(m.group().strip());
            });
        else rest = pull(WAYS, rest, m -> read.aside.add(m.group().strip()));
        rest = pull(EACH, rest, m -> {
            read.count = whole(m.group(1));
            read.each = Double.valueOf(m.group(2));
        });
        rest = pull(FOR, rest, m -> read.seconds = Double.valueOf(m.group(1)));
        rest = pull(TIMES, rest, m -> read.count = whole(m.group(1) != null ? m.group(1) : m.group(2)));
        rest = pull(
                CLOCK, rest, m -> read.seconds = Integer.parseInt(m.group(1)) * 60.0 + Integer.parseInt(m.group(2)));
        rest = pull(
                MINUTES_AND_SECONDS,
                rest,
                m -> read.seconds = Integer.parseInt(m.group(1)) * 60.0 + Integer.parseInt(m.group(2)));
        rest = pull(MINUTES, rest, m -> read.seconds = Double.parseDouble(m.group(1)) * 60);
        rest = pull(SECONDS, rest, m -> {
            read.seconds = Double.valueOf(m.group(1));
            if (m.group(2) != null || m.group(3) != null) read.counted = Dose.Kind.HOLDS;
        });
        // "Ankle circles, 10" counts them.
        if (read.seconds == null && read.count == null)
            rest = pull(LAST, rest, m -> {
                read.lone = true;
                read.count = Integer.valueOf(m.group(1));
            });
        return rest;
    }

    /** "5 long palm strokes" are 5 passes, long and with the palm. */
    private static String counted(String text, Reading read) {
        var m = COUNTED.matcher(text);
        if (!m.find()) return text;
        read.count = whole(m.group(1));
        var unit = m.group(3).replaceAll("[ -]", "");
        if (unit.contains("out") || unit.startsWith("exhale"))
            read.more.part.add(ClientPart.of(ClientPart.Does.BREATHES_OUT));
        else if (unit.startsWith("in") || unit.endsWith("in"))
            read.more.part.add(ClientPart.of(ClientPart.Does.BREATHES_IN));
        read.counted = unit.matches("(?:out|in)?brs?(?:eath.*|out|in)?|(?:out|in)?breath.*|(?:ex|in)hales?")
                ? Dose.Kind.BREATHS
                : switch (unit.replaceAll("e?s$", "")) {
                    case "cycl", "cycle", "cyc" -> Dose.Kind.CYCLES;
                    case "hold", "station", "spot", "point", "plac", "press" -> Dose.Kind.HOLDS;
                    case "rep", "round", "set", "lot", "bout" -> read.counted;
                    default -> Dose.Kind.PASSES;
                };
        read.strokes |= m.group(3).matches("(?:strokes?|sweeps?|glides?|slides?)");
        // Circles are a stroke as well.
        var stroke = m.group(3).startsWith("circle") ? " circles " : m.group(3).equals("forearms") ? " forearm " : " ";
        return text.substring(0, m.start()) + m.group(2) + stroke + text.substring(m.end());
    }

    /** "8 to 10 s" is 9 s, and is told as it was said. */
    private static String ranges(String text, Reading read) {
        var m = RANGE.matcher(text);
        if (!m.find()) return text;
        read.aside.add(m.group().strip());
        double middle = (Double.parseDouble(m.group(1)) + Double.parseDouble(m.group(2))) / 2;
        var mean = m.group(3).matches("(?i)s|secs?|seconds?|m|mins?|minutes?") && middle != FastMath.rint(middle)
                ? String.valueOf(middle)
                : String.valueOf(FastMath.round(Math.floor(middle)));
        return text.substring(0, m.start()) + " " + mean + " " + m.group(3) + text.substring(m.end());
    }

    private static int whole(String digits) {
        return digits.length() > 6 ? Integer.MAX_VALUE : Integer.parseInt(digits);
    }

    private static String pull(Pattern pattern, String text, Consumer<MatchResult> take) {
        var m = pattern.matcher(text);
        if (!m.find()) return text;
        take.accept(m.toMatchResult());
        return text.substring(0, m.start()) + " " + text.substring(m.end());
    }

    /** Seconds with a count are that long each; a count alone changes how many of the usual ones. */
    static Dose of(Technique t, Reading read) {
        var usual = t.dose();
        // As often as the client moves, the hand works, where nobody says otherwise.
        if (read.seconds == null && read.count == null && read.counted == null)
            for (var p : read.more.part)
                if (read.count == null
                        && p.times() != null
                        && (p.does().active() && p.does() != ClientPart.Does.CLENCHES
                                || p.does() == ClientPart.Does.PUSHES)) read.count = p.times();
        if (read.until == End.When.SOFTENS && read.count == null)
            return Dose.untilSoft(read.seconds != null ? read.seconds : 90);
        // "Client draws the navel in on the out-breath x5": five breaths.
        if (usual.kind() == Dose.Kind.BREATHS && read.count == null && read.seconds == null)
            for (var p : read.more.part)
                if (read.count == null && p.does().breath() && p.times() != null) {
                    read.count = p.times();
                    read.counted = Dose.Kind.BREATHS;
                }
        if (read.counted == Dose.Kind.BREATHS) return new Dose(Dose.Kind.BREATHS, read.seconds, read.count, null);
        if (read.counted == Dose.Kind.CYCLES || usual.kind() == Dose.Kind.CYCLES && read.rate != null)
            return new Dose(
                    Dose.Kind.CYCLES,
                    null,
                    read.seconds != null && read.rate != null && read.counted != Dose.Kind.CYCLES
                            // "A minute at 1.5 a second, three rounds": all of it.
                            ? (Integer) (int)
                                    FastMath.round(read.seconds * read.rate * (read.count == null ? 1 : read.count))
                            : read.count != null ? read.count : usual.count(),
                    read.rate != null ? read.rate : usual.perSecond() != null ? usual.perSecond() : Double.valueOf(1));
        // What the client pushes is what is held.
        if (read.seconds == null && t.stroke() == Stroke.CONTRACT_RELAX)
            for (var p : read.more.part) if (read.seconds == null && p.seconds() != null) read.seconds = p.seconds();
        if (read.count == null && t.stroke() == Stroke.CONTRACT_RELAX)
            for (var p : read.more.part) if (read.count == null && p.times() != null) read.count = p.times();
        if (read.count == null)
            return read.seconds == null
                    ? usual
                    : t.stroke() == Stroke.CONTRACT_RELAX
                            ? Dose.holds(usual.count() == null ? 3 : usual.count(), read.seconds)
                            : Dose.seconds(read.seconds);
        // "Hold for 30", "wring the thigh, 30" are seconds.
        if (read.lone
                && read.seconds == null
                && read.counted == null
                && (t.stroke() == Stroke.STRETCH && read.count >= 10
                        || t.stroke() == Stroke.PETRISSAGE && read.count >= 20)) return Dose.seconds(read.count);
        // "Knead, 3 x 10": ten seconds each, but nothing is held.
        boolean holds = read.counted == Dose.Kind.HOLDS
                || read.each != null && !t.stroke().warming()
                || read.counted == null
                        && (usual.kind() == Dose.Kind.HOLDS
                                || t.stroke() == Stroke.STRETCH
                                || t.stroke() == Stroke.STILL_HOLD);
        double each = read.seconds != null
                ? read.seconds
                : read.each != null
                        ? read.each
                        : usual.seconds() != null && usual.kind() != Dose.Kind.SECONDS ? usual.seconds() : 10;
        return new Dose(holds ? Dose.Kind.HOLDS : Dose.Kind.PASSES, each, read.count, null);
    }
}

package palmtally.core.jot;

import static java.util.regex.Pattern.CASE_INSENSITIVE;
import static java.util.regex.Pattern.compile;

import java.util.List;
import java.util.regex.Pattern;

/** What a hurried hand writes for words, written out before a line is read: arrows, "&", "5 L 5 R", "4 slow ones" (common practice, no source). */
final class Shorthand {
    private Shorthand() {}

    private record Sign(Pattern written, String meant) {}

    private static final String HOW = "((?:(?:slow|long|light|deep|full|broad|firm|gentle|big|short|smooth) )*)";

    private static final List<Sign> SIGNS = List.of(
            sign("^([^→;,.:>?]{2,40}?)\\s*(?:->|=>|→)\\s*(?=(?:use|try|take|switch|change) )", "if $1, "),
            sign(
                    "(?<=then |and )(stroke|glide|slide|draw|sweep|comb|brush) back\\b(?=\\s*(?:$|[,;.]))",
                    "$1 backwards"),
            // "Numb down the leg = stop."
            sign(
                    "(?<=^|[,;.:(])\\s*(?:and )?([^,;.:=(]+?) ?(?:=|->|=>|→) ?(?=(?:stop|ask|come off|ease off|lighter|slower)\\b)",
                    " if $1 "),
            sign(
                    "\\bascending,? (?:and )?(?:then )?(?:transverse|across),?(?: and)?(?: then)? descending(?: colon| bowel)?",
                    "colon"),
            sign("\\bmax(?:imum|\\.)? ((?:1[5-9]|[2-9]\\d|1\\d\\d))(?=\\s*(?:$|[,;.)]))", "max $1 s"),
            sign("\\blift (?:the |their )?(?:arm|leg),? (?:and )?(?=(?:place|put|lay|bring|tuck) )", ""),
            sign(
                    "\\b(?:place|put|lay|bring|tuck) (?:the |their )?hand (?:on|in|behind) (?:the |their )?(?:low(?:er)? back|small of the back|waist)",
                    "arm behind the back"),
            sign("\\b(?:lift|length) test\\b", "test"),
            sign("\\b(static(?: \\w+){0,2}) (\\d{1,3})(?=\\s*(?:$|[,;.)]))", "$1 $2 s"),
            sign("\\b(?:no|without(?: a)?) (?=bolster|pillow)", "not the "),
            sign("\\bcriss[- ]?cross(?:ing|es|ed)?\\b", "effleurage crisscross"),
            sign("\\bundress (?=(?:the )?(?:back|leg|arm|belly|chest|left|right))", "undrape "),
            sign("\\b(kneecap|patella)s?\\s*[-–—:,]\\s*(glide|push|move|slide|shift) it\\b", "$2 the kneecap"),
            sign("(?<=\\w)—(?=\\w)", " — "),
            sign(
                    "\\b(?:number|pain|level)(?: is| at)? (?:not (?:above|over|more than|beyond)|no more than|never (?:above|over)|max(?:imum)?|at most|max\\.) (\\d{1,2})(?! ?(?:s|sec|x|times|min))\\b",
                    "number under $1"),
            sign(
                    "\\bbolster (?:\\w+ )?from (?:under )?(?:the )?(?:ankles?|feet) to (?:under )?(?:the )?knees?",
                    "bolster under the knees"),
            sign(
                    "\\bbolster (?:\\w+ )?from (?:under )?(?:the )?knees? to (?:under )?(?:the )?(?:ankles?|feet)",
                    "bolster under the ankles"),
            sign("\\brec fem\\b", "rectus femoris"),
            sign("(?<=\\w) cross(?=,? \\d)", ", cross"),
            sign("\\bcross[- ]grain(?:ed)?\\b", "cross-fibre"),
            sign("\\bpregnant,? (?:lying )?(?:on (?:the |her )?)?(left|right) side\\b", "lying on the $1 side"),
            sign("^([^?]{3,60})\\? no[,:]? ?[–—-]?\\s*(?=(?:up|down|lighter|slower|deeper|across|along)\\b)", "$1, "),
            sign(
                    "(?<=\\w[,:;] )(?:with )?(?:the |my |your )?(?:back|flat|inside|front|soft part) of (?:the |my |your )?forearm",
                    "forearm"),
            sign(
                    "\\s+and (?=(?:put|lay|place|rest) (?:both |your |the |two |my )*(?:palms?|hands?|fists?|forearms?|thumbs?|fingers)\\b)",
                    ", "),
            sign(
                    "\\b(kneecap|patella)s?[:,] (glide|push|move|slide|shift)(?= (?:it )?(?:in|to) (?:all|four|4|every) )",
                    "$2 the kneecap"),
            sign("\\b(back|front|inside|outside|top|side) of (?:each|both|one) (?=\\w)", "$1 of the "),
            sign("\\bcross (?:it|them|that) (?=with\\b|by\\b)", "cross-fibre "),
            sign("(?<=\\p{L}) = (?=\\p{L})", ", "),
            sign("\\b(leg|thigh|arm|neck|shoulder|calf|knee)s?,? post(?:erior)?\\b\\.?", "back of the $1"),
            sign("\\bpost\\.? (?=(?:leg|thigh|arm|neck|shoulder|knee)s?\\b)", "posterior "),
            sign("\\bprox\\b\\.?", "proximal"),
            sign("\\bsup(?:\\.|erior)? to inf(?:\\b\\.?|erior)", "downward"),
            sign("\\binf(?:\\.|erior)? to sup(?:\\b\\.?|erior)", "upward"),
            sign(
                    "(?<=\\w) and (?=(?:let|have|get) (?:them|her|him) (?!(?:up|down|on|onto|over|off|sink|rest|melt|fall|hang|drop|be|stay|settle|lie|sit|know|go|do)\\b))",
                    ", "),
            sign(
                    "(?<=\\w),? (?:only|but only|just) (?:if|when|once) (?:they|she|he|(?:the )?client)(?: has| have|['’]ve|['’]s)? (?:said yes|says yes|say yes|agree[sd]?|consent(?:s|ed)?|(?:is|are) (?:ok|okay|fine|happy)(?: with it)?|allow(?:s|ed)?(?: it)?)",
                    ", ask first"),
            sign("\\bhold (?:for )?(\\d{1,3})(?=\\s*(?:$|[,;.)]))", "hold $1 s"),
            sign(
                    "^(?:(?:then|and|now) )*(?:over )?onto (?:the |your |their )?(back|belly|front|stomach)(?: please)?",
                    "turn over on the $1"),
            // "Too pointed -> use the heel of the hand": what is done instead.
            sign("\\s+(?:->|=>|→)\\s+(?=(?:use|try|take|then|do|go|switch|change|so|rather)\\b)", "; "),
            sign("\\s*(?:->|=>|→)\\s*", " to "),
            sign("(?<=\\p{L}) ?& ?(?=\\p{L})", " and "),
            // "Client's arm overhead" is where it lies; nothing is done by the client.
            sign(
                    "\\b(?:the )?(?:client|partner|patient|receiver)['’]s (?=(?:arm|leg|knee|elbow|wrist|head|foot|hip|shoulder|ankle|thigh|calf|toe|jaw|chin|heel)s?\\b(?! (?:slid|mov|bend|straighten|lift|turn|push|press|point|rais|drop|flex|extend|open|clos|circl|swing)\\w*))",
                    "their "),
            sign("\\b(\\d{1,2}) ?(?:l|left)[ ,/+]+(?:and )?\\1 ?(?:r|right)\\b", "$1 times each side"),
            sign("\\b(\\d{1,2}) ?(?:r|right)[ ,/+]+(?:and )?\\1 ?(?:l|left)\\b", "$1 times each side"),
            sign("(?<![:.\\d])\\b(\\d{1,2}) " + HOW + "ones\\b", "$1 $2passes"),
            sign(
                    "(?<![:.\\d])\\b(\\d{1,2}) " + HOW + "(effleurage|feather|fist|compression)s?\\b(?! ?s\\b)",
                    "$3 $1 $2passes"),
            // What is spared stands by itself.
            sign(
                    "(?<=\\w)(?: but)? (?=(?:not|never) (?:over|on|across|near|onto|into) (?!\\d|an? |one |two |half |top\\b))",
                    ", "),
            sign("(?<=\\w) (?=(?:avoid|skip|spar|keep|stay)ing (?:off |clear of )?(?:the )?\\p{L})", ", "));

    private static Sign sign(String written, String meant) {
        return new Sign(compile(written, CASE_INSENSITIVE), meant);
    }

    /** A line in words. */
    static String writtenOut(String line) {
        var text = line;
        for (var sign : SIGNS) text = sign.written().matcher(text).replaceAll(sign.meant());
        return text;
    }
}

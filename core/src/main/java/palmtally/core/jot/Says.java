package palmtally.core.jot;

import static java.util.regex.Pattern.compile;

import java.util.regex.Pattern;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Saying;

/** What is asked and said while the hands work. */
final class Says {
    private Says() {}

    private static final Pattern FELT = compile("\\b(number|pressure|feel\\w*|how)\\b");

    private static final Pattern MAY = compile(
            "\\b(permission|consent|may i|first|okay|ok|before (?:the|going|you|it|working|touching|inside))\\b");

    private static final Pattern OF_A_NUMBER =
            compile("\\bnumber\\b|\\bout of (?:ten|10)\\b|^(?!.*\\b(?:may i|permission|consent)\\b).*\\bpressure\\b");

    static final Pattern QUESTION = compile(
            "^(?:then |and |first )*ask\\b(?! (?:(?:the )?client|them|her|him|for (?:a|their)?\\s*\\w* ?(?:breath|push))? ?to\\b).*");
    private static final Pattern ONLY_ASKS = compile("(?:then |and )*ask(?: again| before| them| client)*");
    private static final Pattern ALSO_ASKS = compile("\\band ask\\b");
    private static final Pattern GREETS = compile("\\b(hello|hi|good (?:morning|afternoon|evening|day)|your name)\\b");
    private static final Pattern TOLD =
            compile("^(?:then |and |first )*(warn|announce|tell|say|explain|remind|name|greet|introduce)\\b");

    /** What they do at home, and how they take leave. */
    static final Pattern FOR_HOME =
            compile("^(?:then |and )*(?:home ?work|home ?care|after ?care|at home|for home|self ?care|advice)\\b");

    private static final Pattern HELLO = compile(
            "^(?:say )?(?:hello|hi|good (?:morning|afternoon|evening))(?: to (?:the )?(?:client|partner|them|her|him))?$");

    private static final Pattern OF_HEALTH = compile(
            "^(?:then |and |first )*(?:check|review|go over|go through|read|look over) (?:the |their )?(?:intake|history|health (?:form|history|questions)|contraindications|consent form)\\b|^any (?:new |recent )?(?:injur|allerg|pain|surger|operation|medication|illness|change)\\w*");

    private static final Pattern CHECKS_IN = compile(
            "^(?:then |and )*(?:check ?in\\b|check (?:the |with |on )?(?:pressure|them|client|the client)\\b|pressure (?:ok|okay|good|check)\\b"
                    + "|how(?: s| is) (?:that|this|the pressure|it|everything)\\b|is (?:that|this|it|the pressure) (?:ok|okay|good|too much|enough)\\b|too much$|(?:everything|all|still|you|are you) (?:ok|okay|good|all right|alright)\\b|ok so far|(?:(?:the |a |their )?number please|what number)$)");

    /** Whether the clause is something to ask or to say; then it is taken. */
    static boolean said(Clause clause, Reading reading) {
        var plain = clause.plain;
        if (HELLO.matcher(plain).find()) {
            reading.say.add(Saying.of(SayKind.GREETING, Aside.cut(clause.text, 400)));
            return true;
        }
        if (OF_HEALTH.matcher(plain).find() && !reading.strokeIn(plain)) {
            reading.say.add(Saying.of(SayKind.INTERVIEW, Aside.cut(clause.text, 400)));
            return true;
        }
        if (CHECKS_IN.matcher(plain).find() && !reading.strokeIn(plain)) {
            reading.say.add(Saying.of(SayKind.PRESSURE_QUESTION, Aside.cut(clause.text, 400)));
            return true;
        }
        if (QUESTION.matcher(plain).find()) {
            // What is asked stood there in its own words.
            if (ONLY_ASKS.matcher(plain).matches()
                    && reading.say.stream()
                            .anyMatch(s -> s.words() != null && s.words().endsWith("?"))) return true;
            // Who says only "ask" means whether they may.
            boolean number = OF_A_NUMBER.matcher(plain).find();
            var kind = !number && MAY.matcher(plain).find()
                            || ONLY_ASKS.matcher(plain).matches() && reading.more.instead.isEmpty()
                    ? SayKind.CONSENT
                    : number || FELT.matcher(plain).find() ? SayKind.PRESSURE_QUESTION : SayKind.INTERVIEW;
            reading.say.add(Saying.of(kind, Aside.cut(clause.text, 400)));
            reading.about(plain);
            return true;
        }
        var told = TOLD.matcher(plain);
        if (!told.find() || reading.strokeIn(plain)) return false;
        reading.about(plain);
        if (ALSO_ASKS.matcher(plain).find()) {
            reading.say.add(Saying.of(SayKind.CONSENT, Aside.cut(clause.text, 400)));
            reading.about(plain);
            return true;
        }
        var kind = told.group(1).equals("warn") || told.group(1).equals("announce")
                ? SayKind.WARNS
                : GREETS.matcher(plain).find() ? SayKind.GREETING : SayKind.EXPLAINS;
        reading.say.add(Saying.of(kind, Aside.cut(clause.text, 400)));
        return true;
    }
}

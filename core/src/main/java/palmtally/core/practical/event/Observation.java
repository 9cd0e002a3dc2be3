package palmtally.core.practical.event;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What was seen, heard or done: a class for each kind, which says what it carries, within what bounds, and what it changes of the run.
 * In files a kind is named by its class: {@code SheetChange} is {@code sheet-change}.
 */
public sealed interface Observation
        permits StepStart,
                StepStop,
                StepSkip,
                Instead,
                Contact,
                OffPlan,
                HoldStart,
                HoldStop,
                RateTap,
                SheetChange,
                SheetLook,
                Consent,
                Say,
                Reply,
                Report,
                ReportAnswer,
                Guarding,
                StrokeFault,
                Look,
                BalanceTest,
                Lubricant,
                Turn,
                Hygiene,
                Measure,
                Attend,
                Break,
                SafetyStop,
                ClientWord,
                Note,
                Praise,
                ReviewAnswer,
                Undo,
                Finish {
    /** Every kind, by its name in files. */
    Map<String, Class<? extends Observation>> KINDS = kinds();

    /** Its name in files. */
    default String kind() {
        return nameOf(getClass());
    }

    /** Whether it is judged in the moment when it is seen; the rest says how things stand from then on. */
    default boolean judges() {
        return false;
    }

    /** Id of the step of the plan that it names, or null. */
    default @Nullable String step() {
        return null;
    }

    /** Id of the event that it takes back, or null. */
    default @Nullable String ref() {
        return null;
    }

    /** Says within what bounds lies what it carries. */
    default void within(Bounds bounds) {}

    /** Changes the run by what it says; most say something of it and change nothing. */
    default void apply(Course course) {}

    /** A kind's name in files. */
    static String nameOf(Class<? extends Observation> kind) {
        return KindNames.OF.get(kind);
    }

    private static Map<String, Class<? extends Observation>> kinds() {
        var kinds = new LinkedHashMap<String, Class<? extends Observation>>();
        // Told one by one, as a page cannot be asked what is permitted; a test holds them to it.
        for (var kind : List.<Class<? extends Observation>>of(
                StepStart.class,
                StepStop.class,
                StepSkip.class,
                Instead.class,
                Contact.class,
                OffPlan.class,
                HoldStart.class,
                HoldStop.class,
                RateTap.class,
                SheetChange.class,
                SheetLook.class,
                Consent.class,
                Say.class,
                Reply.class,
                Report.class,
                ReportAnswer.class,
                Guarding.class,
                StrokeFault.class,
                Look.class,
                BalanceTest.class,
                Lubricant.class,
                Turn.class,
                Hygiene.class,
                Measure.class,
                Attend.class,
                Break.class,
                SafetyStop.class,
                ClientWord.class,
                Note.class,
                Praise.class,
                ReviewAnswer.class,
                Undo.class,
                Finish.class)) kinds.put(nameOf(kind), kind);
        return Collections.unmodifiableMap(kinds);
    }
}

package palmtally.core.practical.event;

import java.util.Collections;
import java.util.LinkedHashMap;
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

    /** Changes the run by what it says; most say something of it and change nothing. */
    default void apply(Course course) {}

    /** A kind's name in files. */
    static String nameOf(Class<? extends Observation> kind) {
        return KindNames.OF.get(kind);
    }

    private static Map<String, Class<? extends Observation>> kinds() {
        var kinds = new LinkedHashMap<String, Class<? extends Observation>>();
        for (var kind : Observation.class.getPermittedSubclasses()) {
            var of = kind.asSubclass(Observation.class);
            kinds.put(nameOf(of), of);
        }
        return Collections.unmodifiableMap(kinds);
    }
}

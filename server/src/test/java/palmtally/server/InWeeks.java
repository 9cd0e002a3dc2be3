package palmtally.server;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.junit.jupiter.api.extension.ConditionEvaluationResult;
import org.junit.jupiter.api.extension.ExecutionCondition;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.extension.ExtensionContext;

/** What is tested is there in these weeks of the demo school's term only: before the ninth little was seen, in the last no lab comes. */
@Target(ElementType.METHOD)
@Retention(RetentionPolicy.RUNTIME)
@ExtendWith(InWeeks.Condition.class)
public @interface InWeeks {
    int from() default 1;

    int to() default 15;

    /** Runs a test in its weeks. */
    final class Condition implements ExecutionCondition {
        @Override
        public ConditionEvaluationResult evaluateExecutionCondition(ExtensionContext context) {
            var weeks = context.getRequiredTestMethod().getAnnotation(InWeeks.class);
            int week = App.demoDay() / 7 + 1;
            return week >= weeks.from() && week <= weeks.to()
                    ? ConditionEvaluationResult.enabled("week " + week)
                    : ConditionEvaluationResult.disabled("the demo school is in week " + week);
        }
    }
}

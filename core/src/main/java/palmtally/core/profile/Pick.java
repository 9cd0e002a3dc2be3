package palmtally.core.profile;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * An either/or of a school, said where the profile holds it, on an enum of {@link Choice}s: the question, what both shipped profiles
 * answer, and which rules it moves.
 */
@Target(ElementType.RECORD_COMPONENT)
@Retention(RetentionPolicy.RUNTIME)
@interface Pick {
    /** Short name, unique. */
    String id();

    String question();

    Group group();

    /** What profile A answers. */
    String a();

    /** What profile B answers, where it answers something else. */
    String b() default "";

    String[] moves() default {};

    /** Files that were written before it was there lack it, and mean what A answers. */
    boolean added() default false;
}

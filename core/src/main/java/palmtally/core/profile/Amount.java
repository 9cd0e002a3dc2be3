package palmtally.core.profile;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * A number of a school, said where the profile holds it: what it is, its bounds, what both shipped profiles say, and which rules it
 * moves. Files, their schema, the screens and the checks follow from it. On a map it stands for a number of each key, on a
 * {@link Band} for both its ends.
 */
@Target(ElementType.RECORD_COMPONENT)
@Retention(RetentionPolicy.RUNTIME)
@interface Amount {
    /** Short name, unique; a key or an end is added to it. */
    String id();

    /** What it is; on a map, before the name of the key, or nothing where that says it. */
    String name();

    Group group();

    /** s, min, %, grade, weeks, times, points, or nothing where the name says it; a share is held as 0 to 1 and shown in %. */
    String unit() default "";

    double least();

    double most();

    /** Whether it must be more than the least. */
    boolean above() default false;

    /** What profile A says. */
    double a() default Double.NaN;

    /** What profile B says, where it says something else. */
    double b() default Double.NaN;

    /** What A says of each key, or of both ends; nothing where the keys say it themselves. */
    double[] each() default {};

    /** What B says of each, where it says something else. */
    double[] eachInB() default {};

    /** On a map that holds only what a school sets itself: what the number is where it sets none. */
    Otherwise otherwise() default Otherwise.HELD;

    String[] moves() default {};

    /** Files that were written before it was there lack it, and mean what A says. */
    boolean added() default false;
}

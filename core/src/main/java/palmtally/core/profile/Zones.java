package palmtally.core.profile;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import palmtally.core.body.Zone;

/** A set of zones that a school chooses, said where the profile holds it, and which both shipped profiles name. */
@Target(ElementType.RECORD_COMPONENT)
@Retention(RetentionPolicy.RUNTIME)
@interface Zones {
    /** Short name, unique. */
    String id();

    String question();

    Group group();

    Zone[] value();

    /** Those that every school has in it. */
    Zone[] always() default {};

    String[] moves() default {};
}

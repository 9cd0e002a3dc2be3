package palmtally.core.profile;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import palmtally.core.body.Zone;

/** A set of zones in a profile, and which both shipped profiles name. */
@Target(ElementType.RECORD_COMPONENT)
@Retention(RetentionPolicy.RUNTIME)
@interface Zones {
    Zone[] value();
}

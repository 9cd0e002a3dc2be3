package palmtally.core.profile;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** Numbers that a part of a profile once held: older files have them, and they mean nothing any more. */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@interface Retired {
    String[] value();
}

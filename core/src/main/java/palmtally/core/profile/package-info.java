/** What a school has decided: every threshold, weight and either/or, in one immutable value. */
@NullMarked
package palmtally.core.profile;

import org.jspecify.annotations.NullMarked;

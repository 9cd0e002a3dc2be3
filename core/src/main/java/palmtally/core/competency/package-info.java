/** How sure we are that a student can do it: ability over the weeks, from weighted evidence. */
@NullMarked
package palmtally.core.competency;

import org.jspecify.annotations.NullMarked;

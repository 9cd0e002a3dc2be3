/** A line in a teacher's words, read as far as it can be. */
@NullMarked
package palmtally.core.jot;

import org.jspecify.annotations.NullMarked;

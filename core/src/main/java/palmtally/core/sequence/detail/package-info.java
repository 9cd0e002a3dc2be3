/** What can be said of a step beside what is done where, with what hand, how deep and how long. */
@NullMarked
package palmtally.core.sequence.detail;

import org.jspecify.annotations.NullMarked;

/** What a rule has to say: which rule, how grave, where, why, and what would mend it. */
@NullMarked
package palmtally.core.finding;

import org.jspecify.annotations.NullMarked;

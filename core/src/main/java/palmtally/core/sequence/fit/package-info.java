/** The best plan that fits a time slot, exactly: the problem, its partial plans, their bound, the walk and the search over refusals. */
@NullMarked
package palmtally.core.sequence.fit;

import org.jspecify.annotations.NullMarked;

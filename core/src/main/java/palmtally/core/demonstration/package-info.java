/** How far a demonstration has drifted from its plan, and what was announced and not shown. */
@NullMarked
package palmtally.core.demonstration;

import org.jspecify.annotations.NullMarked;

/** How well graders agree, how severe each is, and how much a practical can be relied on. */
@NullMarked
package palmtally.core.agreement;

import org.jspecify.annotations.NullMarked;

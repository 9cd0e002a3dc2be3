/** Planned sequences as immutable versions, with what the checks say and the mends. */
@NullMarked
package palmtally.server.sequence;

import org.jspecify.annotations.NullMarked;

/** A sequence shown to a class: marks kept, drift computed. */
@NullMarked
package palmtally.server.demonstration;

import org.jspecify.annotations.NullMarked;

/** Practicals: the event log, the scores, the review and the award. */
@NullMarked
package palmtally.server.practical;

import org.jspecify.annotations.NullMarked;

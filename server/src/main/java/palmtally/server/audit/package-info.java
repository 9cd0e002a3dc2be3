/** Who read or changed which record, and when. */
@NullMarked
package palmtally.server.audit;

import org.jspecify.annotations.NullMarked;

/** The school's profiles, as immutable versions. */
@NullMarked
package palmtally.server.profile;

import org.jspecify.annotations.NullMarked;

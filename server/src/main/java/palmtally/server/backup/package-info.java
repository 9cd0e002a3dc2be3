/** What keeps a school when its computer does not: dumps that are proven by restoring them, and the way back. */
@NullMarked
package palmtally.server.backup;

import org.jspecify.annotations.NullMarked;

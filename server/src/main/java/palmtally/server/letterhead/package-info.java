/** What stands at the head of the papers that the school hands out. */
@NullMarked
package palmtally.server.letterhead;

import org.jspecify.annotations.NullMarked;

/** What whoever takes a lab must know before it begins, and who takes it in the place of its teacher. */
@NullMarked
package palmtally.server.briefing;

import org.jspecify.annotations.NullMarked;

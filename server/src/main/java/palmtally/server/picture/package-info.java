/** Pictures of the school's own: made small, stripped of what they tell of their making, and shown with a step. */
@NullMarked
package palmtally.server.picture;

import org.jspecify.annotations.NullMarked;

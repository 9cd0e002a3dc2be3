/** What each student can do, from the evidence of the term. */
@NullMarked
package palmtally.server.competency;

import org.jspecify.annotations.NullMarked;

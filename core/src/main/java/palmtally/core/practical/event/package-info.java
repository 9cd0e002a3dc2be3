/** What a grader can see, hear and tap: a class for each kind, with what it carries and what it changes of the run. */
@NullMarked
package palmtally.core.practical.event;

import org.jspecify.annotations.NullMarked;

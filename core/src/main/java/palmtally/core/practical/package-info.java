/** What was seen in a practical, and what it is worth: the event log, the observed run, five scores, the outcome. */
@NullMarked
package palmtally.core.practical;

import org.jspecify.annotations.NullMarked;

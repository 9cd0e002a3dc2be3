/** Whether a planned sequence is sound: its timeline, its findings, and the edits that would mend them. */
@NullMarked
package palmtally.core.sequence;

import org.jspecify.annotations.NullMarked;

/** What a school states on paper of a student, who put their initials to it, and what has changed since. */
@NullMarked
package palmtally.core.statement;

import org.jspecify.annotations.NullMarked;

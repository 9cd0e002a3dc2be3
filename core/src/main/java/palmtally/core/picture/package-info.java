/** What a step looks like: pure geometry out of the body, the sequence and the therapist, in millimetres, without colours. */
@NullMarked
package palmtally.core.picture;

import org.jspecify.annotations.NullMarked;

/**
 * Whether a plan is sound: each rule in a file of its own, with what it finds, the edit that mends it, and how it binds the order of
 * the steps.
 */
@NullMarked
package palmtally.core.sequence.check;

import org.jspecify.annotations.NullMarked;

/** Who was in which lab and for how long, and what hours that makes beside what the school asks for. */
@NullMarked
package palmtally.core.register;

import org.jspecify.annotations.NullMarked;

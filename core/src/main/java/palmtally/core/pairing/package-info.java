/** Who works with whom, so that everybody works on as many bodies as there are, in every role. */
@NullMarked
package palmtally.core.pairing;

import org.jspecify.annotations.NullMarked;

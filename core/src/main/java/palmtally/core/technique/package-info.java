/** What a hand does: tools from broad to pointed, strokes in standard terms, doses, and the library of techniques. */
@NullMarked
package palmtally.core.technique;

import org.jspecify.annotations.NullMarked;

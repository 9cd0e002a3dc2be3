/**
 * {@code java.util.regex} of the page: the browser's own regular expressions, which know named groups and are fast. What the two spell
 * differently is written in the other's way; what is not known here is refused when a pattern is compiled, never guessed.
 */
@NullMarked
package palmtally.browser.regex;

import org.jspecify.annotations.NullMarked;

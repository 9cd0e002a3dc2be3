/** Which part of a body is meant: regions, zones, sides, what the sheet opens, and how deep a site may be worked. */
@NullMarked
package palmtally.core.body;

import org.jspecify.annotations.NullMarked;

/** What there is to choose from: regions, zones, tools, techniques, with their cautions. */
@NullMarked
package palmtally.server.technique;

import org.jspecify.annotations.NullMarked;

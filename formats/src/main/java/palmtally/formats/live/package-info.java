/** A practical while it goes on: what a table is shown of it, the same on the server and in the page. */
@NullMarked
package palmtally.formats.live;

import org.jspecify.annotations.NullMarked;

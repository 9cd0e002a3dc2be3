/** A sequence while it is being written: what is asked about it and what is answered, the same on the server and in the page. */
@NullMarked
package palmtally.formats.draft;

import org.jspecify.annotations.NullMarked;

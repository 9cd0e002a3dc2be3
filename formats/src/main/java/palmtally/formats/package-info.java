/** The open JSON formats, and the command line that reads them without server or database. */
@NullMarked
package palmtally.formats;

import org.jspecify.annotations.NullMarked;

/** Calendars for other programs: as files, at private addresses, and read back. */
@NullMarked
package palmtally.server.ical;

import org.jspecify.annotations.NullMarked;

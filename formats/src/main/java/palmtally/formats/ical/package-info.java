/** Calendars as files: iCalendar, RFC 5545. */
@NullMarked
package palmtally.formats.ical;

import org.jspecify.annotations.NullMarked;

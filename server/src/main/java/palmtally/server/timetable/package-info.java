/** Days of practicals: who shows what when, at which table, on whom, and who grades it. */
@NullMarked
package palmtally.server.timetable;

import org.jspecify.annotations.NullMarked;

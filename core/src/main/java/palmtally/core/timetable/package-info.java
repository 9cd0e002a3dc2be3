/** When practicals of a day are held, at which table, by whom and on whom; and whether what is promised of that is kept. */
@NullMarked
package palmtally.core.timetable;

import org.jspecify.annotations.NullMarked;

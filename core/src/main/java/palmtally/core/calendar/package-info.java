/** What a term teaches when: lessons by region and week, what is wrong with the plan, and what it leaves out. */
@NullMarked
package palmtally.core.calendar;

import org.jspecify.annotations.NullMarked;

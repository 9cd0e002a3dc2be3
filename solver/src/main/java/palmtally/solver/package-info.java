/** Timetables of practicals found by a constraint solver. What is promised of them is said, and checked, in the core. */
@NullMarked
package palmtally.solver;

import org.jspecify.annotations.NullMarked;

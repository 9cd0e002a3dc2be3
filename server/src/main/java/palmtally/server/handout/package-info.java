/** What leaves on paper: a sequence for students and the labs of a week, as PDF. */
@org.jspecify.annotations.NullMarked
package palmtally.server.handout;

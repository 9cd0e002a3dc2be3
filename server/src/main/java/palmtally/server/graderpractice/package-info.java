/** Grader's practice: a recorded run is marked before the first duty, laid beside the school's own marks, and the lead opens the duty. */
@org.jspecify.annotations.NullMarked
package palmtally.server.graderpractice;

/** Forms of answers that more than one feature gives. */
@org.jspecify.annotations.NullMarked
package palmtally.server.answer;

/** Marks of before: taken over out of somebody's table, undone as one, and laid beside those of now. */
@org.jspecify.annotations.NullMarked
package palmtally.server.earlier;

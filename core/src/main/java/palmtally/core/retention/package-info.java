/** How long things are kept, by a table of the school's own, and when they go. */
@org.jspecify.annotations.NullMarked
package palmtally.core.retention;

/** What is kept for how long: a table of the school's own, worked off by itself, with what will go shown a week before. */
@org.jspecify.annotations.NullMarked
package palmtally.server.retention;

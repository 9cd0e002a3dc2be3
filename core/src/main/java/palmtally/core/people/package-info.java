/** What must be known of the people on the tables, and no more. */
@org.jspecify.annotations.NullMarked
package palmtally.core.people;

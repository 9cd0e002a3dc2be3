/** Marks that were given before, elsewhere: read out of a table, and laid beside those of now. */
@org.jspecify.annotations.NullMarked
package palmtally.core.earlier;

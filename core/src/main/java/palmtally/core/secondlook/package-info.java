/** A second look at a mark: a student asks within the school's days, the lead decides. */
@org.jspecify.annotations.NullMarked
package palmtally.core.secondlook;

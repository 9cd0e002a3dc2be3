/** Who works with whom in a lab, planned and done; and who is kept apart, which nobody is told. */
@org.jspecify.annotations.NullMarked
package palmtally.server.pairing;

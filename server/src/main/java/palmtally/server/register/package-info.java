/** Who was in which lab, kept as it was marked, and the hours that makes. */
@org.jspecify.annotations.NullMarked
package palmtally.server.register;

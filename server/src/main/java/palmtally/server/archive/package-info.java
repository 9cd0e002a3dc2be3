/** A whole term as one file of open formats. */
@org.jspecify.annotations.NullMarked
package palmtally.server.archive;

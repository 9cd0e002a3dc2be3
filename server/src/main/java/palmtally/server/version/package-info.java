/** Documents that never change: each save is a new version, and what was made by one points to it for ever. */
@org.jspecify.annotations.NullMarked
package palmtally.server.version;

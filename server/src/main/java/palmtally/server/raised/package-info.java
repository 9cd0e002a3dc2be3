/** How much of what was raised waits for somebody. */
@org.jspecify.annotations.NullMarked
package palmtally.server.raised;

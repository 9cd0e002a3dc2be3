/** The demo school: invented people, and event logs replayed through the real scorer. */
@NullMarked
package palmtally.server.demo;

import org.jspecify.annotations.NullMarked;

/** The rules and computations of the trade: no interface, web, database, clock or chance in here. */
@NullMarked
package palmtally.core;

import org.jspecify.annotations.NullMarked;

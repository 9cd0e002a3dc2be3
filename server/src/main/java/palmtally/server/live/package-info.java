/** What changes is told at once to those who look on: PostgreSQL's notifications, passed on as server-sent events. */
@NullMarked
package palmtally.server.live;

import org.jspecify.annotations.NullMarked;

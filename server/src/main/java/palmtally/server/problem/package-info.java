/** What was wrong with a request, as RFC 9457 problem documents. */
@NullMarked
package palmtally.server.problem;

import org.jspecify.annotations.NullMarked;

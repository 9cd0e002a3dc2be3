/** Who is who: accounts, sign-in, terms, and who may see whose records. */
@NullMarked
package palmtally.server.people;

import org.jspecify.annotations.NullMarked;

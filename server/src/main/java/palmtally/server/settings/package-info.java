/** How the server is set: who may call what, JSON, pages, the dump before a migration. */
@NullMarked
package palmtally.server.settings;

import org.jspecify.annotations.NullMarked;

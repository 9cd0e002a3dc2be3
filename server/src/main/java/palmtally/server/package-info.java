/** Serves the core over HTTP and keeps its data. One package a feature: controller, service, mapper. */
@NullMarked
package palmtally.server;

import org.jspecify.annotations.NullMarked;

package palmtally.server.handout;

import java.awt.geom.Path2D;
import java.util.HashMap;
import java.util.Map;

/** The paths of one handout, each read once: its steps share the shapes of one body. Not for two threads. */
final class Paths {
    private final Map<String, Path2D.Double> read = new HashMap<>();

    Path2D.Double of(String data) {
        return read.computeIfAbsent(data, PathData::path);
    }
}

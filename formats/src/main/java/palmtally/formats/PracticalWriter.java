package palmtally.formats;

import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import palmtally.core.practical.Extent;
import palmtally.core.practical.Practical;
import tools.jackson.databind.util.RawValue;

/** Writes practicals one after another; the sequence or profile that many of them share is put into words once. For one thread. */
public final class PracticalWriter {
    private final Map<Object, RawValue> written = new IdentityHashMap<>();

    /** The file of one. */
    public String write(Practical practical) {
        var body = new LinkedHashMap<String, Object>();
        body.put("sequence", part(practical.sequence()));
        body.put("profile", part(practical.profile()));
        body.put("asked", practical.asked());
        body.put("sides", practical.sides());
        if (!practical.extent().equals(Extent.WHOLE)) body.put("extent", practical.extent());
        body.put("events", practical.events());
        return Documents.document("practical", body);
    }

    /** What stands below the top of a file, with its lines moved in as far. */
    private RawValue part(Object part) {
        return written.computeIfAbsent(
                part, p -> new RawValue(Documents.pretty(p).replace("\n", "\n  ")));
    }
}

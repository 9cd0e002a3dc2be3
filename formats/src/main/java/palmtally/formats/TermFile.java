package palmtally.formats;

import java.util.List;
import palmtally.core.calendar.Curriculum;
import palmtally.core.sequence.Sequence;

/** A whole curriculum as a file: the term, and the sequences its lessons name. */
public record TermFile(Curriculum curriculum, List<Sequence> sequences) {
    public TermFile {
        sequences = List.copyOf(sequences);
    }
}

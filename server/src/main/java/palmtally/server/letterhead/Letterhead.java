package palmtally.server.letterhead;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.server.picture.Pictures;

/** The school's letterhead: a logo, and a few lines beside its name. It is printed as it is now, on papers of before as well. */
@Service
public class Letterhead {
    static final int MOST_LINES = 4;
    static final int LONGEST_LINE = 100;
    /** Pixels of the longer side of a logo: 45 mm of paper at 340 a inch. */
    private static final int LOGO = 600;

    private final LetterheadRows rows;
    private final Pictures pictures;
    private final Clock clock;

    Letterhead(LetterheadRows rows, Pictures pictures, Clock clock) {
        this.rows = rows;
        this.pictures = pictures;
        this.clock = clock;
    }

    /** Such as an address, a telephone number and a licence, from the top down; none where the school has set none. */
    public List<String> lines() {
        return rows.kept().lines().lines().toList();
    }

    /** The JPEG of the logo. */
    public Optional<byte[]> logo() {
        return Optional.ofNullable(rows.kept().logo());
    }

    /**
     * @param lines blank ones are left out
     * @throws InvalidValue of more than {@value MOST_LINES}, or of one longer than {@value LONGEST_LINE}
     */
    @Transactional
    void setLines(List<String> lines, UUID by) {
        var kept = lines.stream()
                .map(l -> l.replaceAll("[\\p{Cntrl}\\s]+", " ").strip())
                .filter(l -> !l.isEmpty())
                .toList();
        var faults = new ArrayList<Fault>();
        if (kept.size() > MOST_LINES)
            faults.add(new Fault("lines", kept.size() + " lines", "may be " + MOST_LINES + " at most"));
        for (var l : kept)
            if (l.length() > LONGEST_LINE)
                faults.add(new Fault("lines", l, "may have " + LONGEST_LINE + " letters at most"));
        if (!faults.isEmpty()) throw new InvalidValue("letterhead", faults);
        rows.setLines(String.join("\n", kept), by, clock.instant());
    }

    /** @param sent a PNG, JPEG or WebP picture, or null for no logo */
    @Transactional
    void setLogo(byte @Nullable [] sent, UUID by) {
        rows.setLogo(sent == null ? null : pictures.reencoded(sent, LOGO).jpeg(), by, clock.instant());
    }
}

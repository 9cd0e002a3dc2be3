package palmtally.server.picture;

import java.time.Clock;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import palmtally.formats.Sha256;
import palmtally.server.problem.Refusal;

/** The pictures of the school: of its own teaching, never of a student at work. */
@Service
public class Pictures {
    /** What whoever adds one says, word for word; it is kept with the picture. */
    static final String STATEMENT =
            "It is our own, it shows no student at work and no practical, and anyone who can be recognised agreed in writing.";

    /** Pixels of the longer side of a step's picture at most. */
    private static final int LONGEST = 1600;

    /** A picture that was added. */
    record Added(String id, int width, int height, int bytes) {}

    private final PictureRows rows;
    private final Clock clock;
    /** One is decoded after the other: a large one takes much memory. */
    private final Object decoding = new Object();

    Pictures(PictureRows rows, Clock clock) {
        this.rows = rows;
        this.clock = clock;
    }

    /**
     * @param sent a PNG, JPEG or WebP picture
     * @param agreed whether they said the {@link #STATEMENT}
     */
    Added add(byte[] sent, boolean agreed, UUID by) {
        if (!agreed) throw Refusal.invalid("not-agreed", "A picture is taken only with the statement: " + STATEMENT);
        var picture = reencoded(sent, LONGEST);
        var id = id(picture.jpeg());
        rows.add(id, picture, by, clock.instant(), STATEMENT);
        return new Added(id, picture.width(), picture.height(), picture.jpeg().length);
    }

    /**
     * What was sent as it may be kept.
     *
     * @param sent a PNG, JPEG or WebP picture
     * @param longest pixels that no side is kept longer than
     */
    public Reencoded reencoded(byte[] sent, int longest) {
        synchronized (decoding) {
            return Reencoded.of(sent, longest);
        }
    }

    /** The JPEG of one; nothing where there is none of this id. */
    public Optional<byte[]> jpeg(String id) {
        return rows.byId(id).map(PictureRows.Kept::jpeg);
    }

    private static String id(byte[] jpeg) {
        return Sha256.of(jpeg).substring(0, 32);
    }
}

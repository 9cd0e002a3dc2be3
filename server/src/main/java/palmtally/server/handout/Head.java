package palmtally.server.handout;

import java.util.Base64;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import palmtally.server.letterhead.Letterhead;

/** The head of what the school hands out. */
@Component
class Head {
    /** @param logo as the page carries it, or null */
    record HeadView(String school, @Nullable String logo, List<String> lines) {}

    private final Letterhead letterhead;

    Head(Letterhead letterhead) {
        this.letterhead = letterhead;
    }

    /** @param school its name as it stands on this paper */
    HeadView of(String school) {
        return new HeadView(
                school,
                letterhead
                        .logo()
                        .map(l -> PdfRenderer.JPEG + Base64.getEncoder().encodeToString(l))
                        .orElse(null),
                letterhead.lines());
    }
}

package palmtally.core.picture;

import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import palmtally.core.body.Landmark;
import palmtally.core.body.Position;
import palmtally.core.body.Zone;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Timeline;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Tool;

/** What the tests of pictures ask for, and what they read off one. */
final class Pictures {
    private Pictures() {}

    static List<Picture> pictures(Plans.Made... steps) {
        return Timeline.of(once(steps), Profile.bySeconds()).spans().stream()
                .map(StepPicture::of)
                .toList();
    }

    static Picture picture(Plans.Made step) {
        return pictures(step).get(0);
    }

    static Plans.Made glide() {
        return step("g")
                .technique("effleurage")
                .on(Zone.HAMSTRINGS)
                .side(Sides.RIGHT)
                .lying(Position.PRONE)
                .with(Tool.PALM)
                .dose(Dose.passes(6, 15))
                .saying(d -> {
                    d.from = Landmark.KNEE_HOLLOW;
                    d.to = Landmark.SIT_BONE;
                });
    }

    static List<Point> line(Picture p) {
        return p.motion().lines().get(0);
    }

    static Point first(Picture p) {
        return line(p).get(0);
    }

    static Point last(Picture p) {
        return line(p).get(line(p).size() - 1);
    }

    static Point foot(Picture p) {
        return p.table().stream()
                .filter(s -> s.role() == Role.FOOT)
                .map(s -> Points.of(s.path()).get(0))
                .findFirst()
                .orElseThrow();
    }
}

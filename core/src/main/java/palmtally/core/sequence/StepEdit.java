package palmtally.core.sequence;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Position;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.profile.Band;
import palmtally.core.sequence.detail.Detail;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Tool;

/** A step while it is being changed or made: the only mutable thing here, and short-lived. */
public final class StepEdit {
    public String id;
    public String name;
    public Technique technique;
    public List<Zone> zones;
    public Sides side;
    public Tool tool;
    public @Nullable String hand;
    public int depth;
    public @Nullable Band band;
    public Dose dose;
    public @Nullable Dose secondSide;
    public @Nullable Double minimumSeconds;
    public @Nullable Double targetSeconds;
    public @Nullable Double classSeconds;
    public Lubricant lubricant;
    public Sheet sheet;
    public Position position;
    public Technique.Effort effort;
    public Stance stance;
    public List<Saying> say;
    public Phase phase;
    public Importance importance;
    public List<String> before;
    public @Nullable Direction direction;
    public Stands stands;
    public Set<Care> care;
    public Detail detail = Detail.NONE;

    StepEdit(Step s) {
        id = s.id();
        name = s.name();
        technique = s.technique();
        zones = new ArrayList<>(s.zones());
        side = s.side();
        tool = s.tool();
        hand = s.hand();
        depth = s.depth();
        band = s.band();
        dose = s.dose();
        secondSide = s.secondSide();
        minimumSeconds = s.minimumSeconds();
        targetSeconds = s.targetSeconds();
        classSeconds = s.classSeconds();
        lubricant = s.lubricant();
        sheet = s.sheet();
        position = s.position();
        effort = s.effort();
        stance = s.stance();
        say = new ArrayList<>(s.say());
        phase = s.phase();
        importance = s.importance();
        before = new ArrayList<>(s.before());
        direction = s.direction();
        stands = s.stands();
        care = new TreeSet<>(s.care());
        detail = s.details();
    }

    private StepEdit(String id, Technique t, List<Zone> on) {
        this.id = id;
        name = t.name();
        technique = t;
        zones = new ArrayList<>(on);
        boolean paired = on.stream().anyMatch(Zone::paired);
        side = paired ? Sides.EACH : Sides.MIDLINE;
        tool = t.tool();
        hand = t.hand();
        depth = t.depth();
        dose = t.dose();
        lubricant = t.stroke().grip() ? Lubricant.DRY : Lubricant.FILM;
        sheet = Sheet.OPEN;
        position = on.isEmpty() ? Position.PRONE : on.get(0).usualPosition();
        effort = t.effort();
        say = new ArrayList<>();
        phase = Phase.usual(t);
        importance = Importance.SHOULD;
        before = new ArrayList<>();
        care = new TreeSet<>();
        stance = Stance.LUNGE;
        stands = Stands.SAME_SIDE;
        usual();
    }

    /**
     * Place and stance as they go with zone, position and stroke: seated behind the head of one who lies on the back, at the foot end for the
     * feet, a lunge for what travels, else squarely at the side (common practice, no source).
     */
    public void usual() {
        boolean behind = !zones.isEmpty()
                && zones.stream().allMatch(z -> z.unit() == DrapeUnit.HEAD)
                && (position == Position.SUPINE || position == Position.SEMI_RECLINED);
        boolean feet = !zones.isEmpty() && zones.stream().allMatch(z -> z.region() == Region.FOOT);
        stands = behind ? Stands.HEAD : feet ? Stands.FOOT : Stands.SAME_SIDE;
        stance = behind
                ? Stance.SEATED
                : switch (technique.stroke()) {
                    case EFFLEURAGE, STRIPPING, FASCIA_DIRECT, TRACTION -> Stance.LUNGE;
                    default -> Stance.HORSE;
                };
    }

    /**
     * A new step as a technique is usually given: its tool, depth and dose, on each side of paired zones, dry where the grip wants it.
     */
    public static StepEdit of(String id, Technique technique, List<Zone> zones) {
        return new StepEdit(id, technique, zones);
    }

    /** A gentle step in the place of another: same zones, side and position, everything else its own. */
    public Step made(String id, String name, Technique technique, Tool tool, int depth, double seconds, Phase phase) {
        this.id = id;
        this.name = name;
        this.technique = technique;
        this.tool = tool;
        this.depth = depth;
        this.phase = phase;
        hand = null;
        band = null;
        dose = Dose.seconds(seconds);
        secondSide = null;
        minimumSeconds = null;
        targetSeconds = null;
        classSeconds = null;
        effort = Technique.Effort.PASSIVE;
        say = new ArrayList<>();
        before = new ArrayList<>();
        direction = null;
        stands = Stands.SAME_SIDE;
        care = new TreeSet<>();
        detail = Detail.NONE;
        if (stance.onTable()) stance = Stance.HORSE;
        return step();
    }

    /**
     * The step as it now is.
     *
     * @throws palmtally.core.InvalidValue naming every fault
     */
    public Step step() {
        return new Step(
                id,
                name,
                technique,
                zones,
                side,
                tool,
                hand,
                depth,
                band,
                dose,
                secondSide,
                minimumSeconds,
                targetSeconds,
                classSeconds,
                lubricant,
                sheet,
                position,
                effort,
                stance,
                say,
                phase,
                importance,
                before,
                direction,
                stands,
                care,
                detail);
    }
}

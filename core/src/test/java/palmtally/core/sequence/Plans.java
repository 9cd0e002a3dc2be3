package palmtally.core.sequence;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import palmtally.core.body.Position;
import palmtally.core.body.Region;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Finding;
import palmtally.core.finding.Rule;
import palmtally.core.profile.Band;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.check.Checks;
import palmtally.core.sequence.detail.Detail;
import palmtally.core.sequence.detail.DetailEdit;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;
import palmtally.core.technique.Tool;

/** Small plans for tests: a step says only what the test is about. */
public final class Plans {
    private Plans() {}

    /** A step under construction: effleurage of the right calf with the palm, depth 2, a minute, open. */
    public static final class Made {
        String technique = "effleurage";
        List<Zone> zones = List.of(Zone.CALF);
        Sides side = Sides.RIGHT;
        Tool tool = Tool.PALM;
        int depth = 2;
        Band band;
        Dose dose = Dose.seconds(60);
        Dose second;
        Double minimum;
        Double inClass;
        Lubricant lubricant = Lubricant.DRY;
        Sheet sheet = Sheet.OPEN;
        Position position = Position.PRONE;
        Technique.Effort effort = Technique.Effort.PASSIVE;
        List<Saying> say = new ArrayList<>();
        Phase phase = Phase.WARM;
        Importance importance = Importance.SHOULD;
        List<String> before = List.of();
        Direction direction;
        Stands stands = Stands.SAME_SIDE;
        Stance stance = Stance.LUNGE;
        java.util.Set<Care> care = java.util.Set.of();
        Detail detail = Detail.NONE;
        final String id;

        Made(String id) {
            this.id = id;
        }

        public Made technique(String t) {
            technique = t;
            return this;
        }

        public Made on(Zone... z) {
            zones = List.of(z);
            return this;
        }

        public Made side(Sides s) {
            side = s;
            return this;
        }

        public Made with(Tool t) {
            tool = t;
            return this;
        }

        public Made deep(int d) {
            depth = d;
            return this;
        }

        public Made band(int low, int high) {
            band = new Band(low, high);
            return this;
        }

        public Made dose(Dose d) {
            dose = d;
            return this;
        }

        public Made seconds(double s) {
            return dose(Dose.seconds(s));
        }

        public Made second(Dose d) {
            second = d;
            return this;
        }

        public Made least(double s) {
            minimum = s;
            return this;
        }

        public Made inClass(double s) {
            inClass = s;
            return this;
        }

        public Made oiled() {
            lubricant = Lubricant.OIL;
            return this;
        }

        public Made sheet(Sheet s) {
            sheet = s;
            return this;
        }

        public Made lying(Position p) {
            position = p;
            return this;
        }

        public Made effort(Technique.Effort e) {
            effort = e;
            return this;
        }

        public Made say(SayKind kind) {
            say.add(new Saying(kind, "…", 0));
            return this;
        }

        public Made say(SayKind kind, double at) {
            say.add(new Saying(kind, "…", at));
            return this;
        }

        public Made saying(String words) {
            say.add(new Saying(SayKind.EXPLAINS, words, 0));
            return this;
        }

        public Made phase(Phase p) {
            phase = p;
            return this;
        }

        public Made importance(Importance i) {
            importance = i;
            return this;
        }

        public Made before(String... ids) {
            before = List.of(ids);
            return this;
        }

        public Made going(Direction d) {
            direction = d;
            return this;
        }

        public Made standing(Stands s) {
            stands = s;
            return this;
        }

        public Made stance(Stance s) {
            stance = s;
            return this;
        }

        public Made with(Care... c) {
            care = java.util.Set.of(c);
            return this;
        }

        /** With what else is said of it. */
        public Made saying(Consumer<DetailEdit> more) {
            detail = detail.with(more);
            return this;
        }

        public Step step() {
            return new Step(
                    id,
                    "Step " + id,
                    Techniques.SHIPPED.get(technique),
                    zones,
                    side,
                    tool,
                    null,
                    depth,
                    band,
                    dose,
                    second,
                    minimum,
                    null,
                    inClass,
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

    public static Made step(String id) {
        return new Made(id);
    }

    public static Block block(String id, Block.Order order, Block.Repeat repeat, Made... steps) {
        var list = new ArrayList<Step>();
        for (var s : steps) list.add(s.step());
        return new Block(id, id, order, repeat, list);
    }

    public static Sequence of(double slot, Block... blocks) {
        return new Sequence("plan", "Plan", Region.LOWER_LEG, slot, Side.RIGHT, "", null, List.of(blocks));
    }

    /** One ordered block, run once, in a slot that it fills. */
    public static Sequence once(Made... steps) {
        return of(3600, block("b", Block.Order.IN_ORDER, Block.Repeat.ONCE, steps));
    }

    /** One ordered block, run on each side. */
    public static Sequence eachSide(Made... steps) {
        for (var s : steps) s.side(Sides.EACH);
        return of(3600, block("b", Block.Order.IN_ORDER, Block.Repeat.EACH_SIDE, steps));
    }

    public static List<Finding> findings(Sequence sequence, Profile profile, Rule rule) {
        return Checks.run(sequence, profile).findings().stream()
                .filter(f -> f.rule().equals(rule))
                .toList();
    }
}

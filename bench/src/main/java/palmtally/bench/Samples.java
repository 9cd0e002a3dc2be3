package palmtally.bench;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import palmtally.core.body.Position;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Template;

/** Big plans made of the shipped templates. */
final class Samples {
    private Samples() {}

    private static final List<Zone> ZONES = List.copyOf(EnumSet.of(
            Zone.NECK_BACK,
            Zone.UPPER_BACK,
            Zone.SHOULDER_BLADE,
            Zone.TOP_OF_SHOULDER,
            Zone.LUMBAR,
            Zone.SACRUM,
            Zone.HAMSTRINGS,
            Zone.CALF,
            Zone.SOLE,
            Zone.ACHILLES,
            Zone.THIGH_FRONT,
            Zone.THIGH_OUTER,
            Zone.SHIN,
            Zone.FOOT_TOP,
            Zone.FOREARM_FLEXORS,
            Zone.FOREARM_EXTENSORS,
            Zone.HAND,
            Zone.UPPER_ARM_OUTER,
            Zone.JAW_MUSCLES,
            Zone.SCALP));

    /** A whole-body protocol of exactly {@code steps} steps, run through on both sides. */
    static Sequence plan(int steps) {
        var made = Template.PROTOCOL.sequence("bench", "Bench", Region.WHOLE_BODY, 14400, ZONES, Profile.bySeconds());
        var blocks = new ArrayList<>(made.blocks());
        int count = made.steps().size();
        for (int round = 2; count < steps; round++)
            for (var block : made.blocks().subList(1, made.blocks().size() - 1)) {
                if (count >= steps) break;
                var copies = new ArrayList<Step>();
                var names = new HashMap<String, String>();
                for (var s : block.steps()) names.put(s.id(), s.id() + "-" + round);
                for (var s : block.steps())
                    if (count < steps) {
                        copies.add(renamed(s, names));
                        count++;
                    }
                blocks.add(
                        blocks.size() - 1,
                        new Block(block.id() + "-" + round, block.name(), block.order(), block.repeat(), copies));
            }
        var whole = new Sequence("bench", "Bench", Region.WHOLE_BODY, 14400, made.firstSide(), "", null, blocks);
        return count > steps ? shortened(whole, steps) : whole;
    }

    private static Step renamed(Step s, HashMap<String, String> names) {
        return s.with(e -> {
            e.id = names.get(s.id());
            e.before = new ArrayList<>(
                    s.before().stream().map(b -> names.getOrDefault(b, b)).toList());
        });
    }

    private static Sequence shortened(Sequence s, int steps) {
        var blocks = new ArrayList<Block>();
        int left = steps - 1;
        for (var b : s.blocks().subList(0, s.blocks().size() - 1)) {
            var some = b.steps().subList(0, Math.min(left, b.steps().size()));
            left -= some.size();
            if (!some.isEmpty()) blocks.add(new Block(b.id(), b.name(), b.order(), b.repeat(), some));
        }
        blocks.add(s.blocks().get(s.blocks().size() - 1));
        return new Sequence(s.id(), s.name(), s.region(), s.slotSeconds(), s.firstSide(), "", null, blocks);
    }

    /** The same with the client lying in five ways in turn, block by block, so that the order decides about the turns. */
    static Sequence turning(int steps) {
        var plan = plan(steps);
        var ways =
                List.of(Position.PRONE, Position.SUPINE, Position.SIDE_LEFT, Position.SEATED, Position.SEMI_RECLINED);
        var blocks = new ArrayList<Block>();
        for (int i = 0; i < plan.blocks().size(); i++) {
            var block = plan.blocks().get(i);
            var way = ways.get(i % ways.size());
            var turned = block.steps().stream()
                    .map(s -> s.with(e -> e.position = way))
                    .toList();
            blocks.add(new Block(block.id(), block.name(), block.order(), block.repeat(), turned));
        }
        return new Sequence(
                plan.id(), plan.name(), plan.region(), plan.slotSeconds(), plan.firstSide(), "", null, blocks);
    }
}

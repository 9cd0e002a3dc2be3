package palmtally.bench;

import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import palmtally.core.jot.Jot;
import palmtally.core.picture.Picture;
import palmtally.core.picture.StepPicture;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Timeline;
import palmtally.core.sequence.Timeline.Span;
import palmtally.core.technique.Techniques;

/** The picture of a step: it must be there before the next one is looked at. Wanted: under 2 ms. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class PictureBench {
    private final Span back = span("forearm along the erectors, 4 slow passes");
    private final Span leg = span("palm glide hamstrings from the hollow of the knee to the sit bone, 6 x 15 s");
    private final Span side = span("side-lying, right up: fist down the side of the neck, 3 passes");

    private static Span span(String line) {
        var step = Jot.jot(line, Techniques.SHIPPED, "s", null).step();
        if (step == null) throw new IllegalStateException(line);
        var plan = Samples.plan(1);
        var block = plan.blocks().get(0);
        return Timeline.of(
                        plan.withBlocks(List.of(
                                new Block(block.id(), block.name(), block.order(), block.repeat(), List.of(step)))),
                        Profile.bySeconds())
                .spans()
                .get(0);
    }

    @Benchmark
    public Picture a_back() {
        return StepPicture.of(back);
    }

    @Benchmark
    public Picture a_leg() {
        return StepPicture.of(leg);
    }

    @Benchmark
    public Picture a_side() {
        return StepPicture.of(side);
    }
}

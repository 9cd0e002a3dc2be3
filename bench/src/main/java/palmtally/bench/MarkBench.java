package palmtally.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import palmtally.core.practical.Practical;
import palmtally.core.practical.Scores;
import palmtally.core.practical.event.Attend;
import palmtally.core.practical.event.Consent;
import palmtally.core.practical.event.Contact;
import palmtally.core.practical.event.Event;
import palmtally.core.practical.event.Finish;
import palmtally.core.practical.event.Look;
import palmtally.core.practical.event.Observation;
import palmtally.core.practical.event.Report;
import palmtally.core.practical.event.ReportAnswer;
import palmtally.core.practical.event.Say;
import palmtally.core.practical.event.SheetLook;
import palmtally.core.practical.event.StepStart;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sides;

/** The five marks of a practical by the number of its taps, beside what a spreadsheet does with as many ticks: a weighted mean of five columns. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class MarkBench {
    /** Taps: a spot check of minutes, a long practical, and as many as are taken. */
    @Param({"200", "2000", "20000"})
    int taps;

    private Practical practical = run(200);
    private double[][] ticks = new double[5][0];

    @Setup
    public void play() {
        practical = run(taps);
        ticks = new double[5][taps / 5];
        for (int c = 0; c < 5; c++) for (int i = 0; i < ticks[c].length; i++) ticks[c][i] = (i * 31 + c) % 3 / 2.0;
    }

    /** Eighty steps one after another, each with its share of everything that is tapped. */
    private static Practical run(int taps) {
        var plan = Samples.plan(80);
        var brief = new Practical(plan, Profile.bySeconds(), List.of(), Sides.EACH, List.of()).brief();
        var events = new ArrayList<Event>();
        for (int i = 0; i < taps; i++) {
            int step = (int) ((long) i * brief.size() / taps);
            boolean first = i > 0 && (long) (i - 1) * brief.size() / taps < step;
            Observation seen = i == 0
                    ? new Attend(true)
                    : i == taps - 1
                            ? new Finish()
                            : first || i == 1
                                    ? new StepStart(
                                            brief.get(step).step().id(),
                                            brief.get(step).side())
                                    : any(i, brief.get(step).step().zones().get(0));
            events.add(new Event("e" + i, "t1", i, 700L * i, null, seen));
        }
        return new Practical(plan, Profile.bySeconds(), List.of(), Sides.EACH, events);
    }

    private static Observation any(int i, palmtally.core.body.Zone zone) {
        return switch (i % 8) {
            case 0 -> Say.question(Say.Style.OPEN);
            case 1 -> Report.of(i % 9);
            case 2 -> new ReportAnswer(ReportAnswer.Response.EASED);
            case 3 -> new Look(List.of(), true);
            case 4 -> Contact.on(zone).depth(i % 6);
            case 5 -> Consent.of(Consent.Answer.YES, zone);
            case 6 -> new SheetLook(List.of(), true);
            default -> Say.interview(1 + i % 4);
        };
    }

    @Benchmark
    public Object five_marks() {
        return Scores.of(practical);
    }

    @Benchmark
    public double spreadsheet() {
        double sum = 0;
        for (var column : ticks) {
            double mean = 0;
            for (double tick : column) mean += tick;
            sum += 20 * mean / column.length;
        }
        return sum;
    }
}

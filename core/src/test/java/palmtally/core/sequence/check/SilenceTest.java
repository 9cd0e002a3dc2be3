package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import palmtally.core.body.Zone;
import palmtally.core.sequence.SayKind;

class SilenceTest extends CheckTest {
    SilenceTest() {
        super(Silence.RULE, "warn communication");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "ten minutes of silence",
                                eachSide(thigh("a").seconds(300)),
                                eachSide(
                                        thigh("a").seconds(120).say(SayKind.PRESSURE_QUESTION, 60),
                                        thigh("b").seconds(120).say(SayKind.PRESSURE_QUESTION),
                                        thigh("c").seconds(60).say(SayKind.CHOICE)))
                        .says(
                                "From 0:25 nobody asks how it feels for 10:30; at most 3:00: what hurts is not always said unasked.")
                        .mends(
                                "Ask at least every 3:00: Step 1, Step a: words none → pressure-question “How is this pressure, as a number?” at 170 s; pressure-question “How is this pressure, as a number?” at 5 s."),
                of(
                                "hands off, waiting for a pack",
                                once(
                                        step("p")
                                                .technique("heat")
                                                .on(Zone.CALF)
                                                .deep(1)
                                                .seconds(300),
                                        step("h").on(Zone.SOLE).deep(2).seconds(20),
                                        step("g").on(Zone.CALF).deep(2).seconds(20)),
                                once(
                                        step("p")
                                                .technique("heat")
                                                .on(Zone.CALF)
                                                .deep(1)
                                                .seconds(300)
                                                .say(SayKind.PRESSURE_QUESTION, 160),
                                        step("h").on(Zone.SOLE).deep(2).seconds(20),
                                        step("g").on(Zone.CALF).deep(2).seconds(20)))
                        .says(
                                "From 0:25 nobody asks how it feels for 5:20; at most 3:00: what hurts is not always said unasked.")
                        .mends(
                                "Ask at least every 3:00: Step 1, Step p: words none → pressure-question “How is this pressure, as a number?” at 170 s."));
    }
}

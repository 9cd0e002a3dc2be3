package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.block;
import static palmtally.core.sequence.Plans.step;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.practical.event.BalanceTest;
import palmtally.core.practical.event.Consent;
import palmtally.core.practical.event.Contact;
import palmtally.core.practical.event.Guarding;
import palmtally.core.practical.event.RateTap;
import palmtally.core.practical.event.Reply;
import palmtally.core.practical.event.ReportAnswer.Response;
import palmtally.core.practical.event.ReviewAnswer.Said;
import palmtally.core.practical.event.Say;
import palmtally.core.practical.event.SheetChange;
import palmtally.core.practical.event.SheetChange.Drape;
import palmtally.core.practical.event.StrokeFault;
import palmtally.core.practical.event.StrokeFault.Flaw;
import palmtally.core.profile.DrapingFault;
import palmtally.core.profile.MechanicsFault;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Tool;

/**
 * One run in which everything goes wrong once: each sentence, its place and what would mend it, and each part of each score with its
 * value, as they were read and found right. {@code PALM_WRITE_SENTENCES=1} writes them anew, to be read again.
 */
class EverySentenceTest {
    private static final Path EXPECTED = Path.of("src", "test", "resources", "every-sentence.txt");

    private static final Sequence PLAN = palmtally.core.sequence.Plans.of(
            3600,
            block(
                    "legs",
                    Block.Order.IN_ORDER,
                    Block.Repeat.EACH_SIDE,
                    step("warm").on(Zone.HAMSTRINGS).deep(2).side(Sides.EACH).seconds(60),
                    step("firm")
                            .technique("fist-glide")
                            .with(Tool.LOOSE_FIST)
                            .on(Zone.HAMSTRINGS)
                            .deep(4)
                            .phase(Phase.TREAT)
                            .side(Sides.EACH)
                            .seconds(60)),
            block(
                    "rest",
                    Block.Order.IN_ORDER,
                    Block.Repeat.ONCE,
                    step("point")
                            .technique("trigger-point")
                            .with(Tool.SUPPORTED_THUMB)
                            .on(Zone.SHOULDER_BLADE)
                            .deep(4)
                            .phase(Phase.TREAT)
                            .side(Sides.RIGHT)
                            .dose(Dose.holds(3, 9)),
                    step("cross")
                            .technique("cross-fibre")
                            .with(Tool.SUPPORTED_THUMB)
                            .on(Zone.ACHILLES)
                            .deep(3)
                            .phase(Phase.TREAT)
                            .side(Sides.RIGHT)
                            .dose(Dose.cycles(60, 1.5)),
                    step("move")
                            .technique("pin-lengthen")
                            .effort(Technique.Effort.ACTIVE)
                            .side(Sides.RIGHT)
                            .seconds(40),
                    step("seat")
                            .on(Zone.GLUTEALS)
                            .sheet(Sheet.THROUGH)
                            .side(Sides.RIGHT)
                            .seconds(60),
                    step("thigh")
                            .on(Zone.THIGH_INNER)
                            .sheet(Sheet.THROUGH)
                            .side(Sides.RIGHT)
                            .seconds(40),
                    step("calm")
                            .on(Zone.HAMSTRINGS)
                            .deep(1)
                            .phase(Phase.FLUSH)
                            .side(Sides.RIGHT)
                            .seconds(60)));

    private static Seen run() {
        var seen = Seen.of(PLAN);
        seen.at(5).says(SayKind.GREETING);
        // The right side begins firm, before its warm-up.
        seen.at(20).starts("firm", Side.RIGHT).at(24).sheetLook(DrapingFault.LIFTED_TOO_HIGH, DrapingFault.OTHER);
        seen.at(30)
                .asks()
                .at(32)
                .report(9)
                .at(43)
                .answers(Response.EASED)
                .at(50)
                .touches(Zone.HAMSTRINGS, 5);
        seen.at(60).report(7).at(66).answers(Response.NONE).at(70).looks(MechanicsFault.BENT_ELBOWS);
        seen.at(80)
                .starts("warm", Side.RIGHT)
                .at(85)
                .tap(new StrokeFault(Flaw.WRONG_DIRECTION))
                .at(90)
                .report(0);
        seen.at(95).looks(MechanicsFault.BARE_THUMB, MechanicsFault.DROPPED_HEAD);
        seen.at(100).touches(Zone.HAMSTRINGS, Tool.BARE_THUMB).at(145).tap(new BalanceTest(false));
        // Hands off, the leg open.
        seen.at(150).tap(SheetChange.of(Drape.OPEN)).at(151).stops().at(215);
        seen.starts("point", Side.RIGHT)
                .interview(2)
                .at(218)
                .interview(1)
                .at(220)
                .interview(3)
                .at(222)
                .holds(4);
        seen.at(230).looks();
        seen.at(240)
                .holds(14)
                .at(258)
                .tap(new StrokeFault(Flaw.WRONG_LANDMARK))
                .at(260)
                .starts("cross", Side.RIGHT);
        for (int i = 0; i < 6; i++) seen.at(265 + 0.3 * i).tap(new RateTap());
        seen.at(275).tap(new StrokeFault(Flaw.TOO_FAST)).at(280).tap(new Guarding());
        seen.at(300)
                .starts("move", Side.RIGHT)
                .at(304)
                .says(SayKind.READY_CUE)
                .at(320)
                .tap(Reply.vague());
        seen.at(330).tap(new StrokeFault(Flaw.TOO_LIGHT)).at(335).tap(new StrokeFault(Flaw.TOO_DEEP));
        seen.at(345).consent(Consent.Answer.NO, Zone.GLUTEALS).at(350).starts("seat", Side.RIGHT);
        seen.at(365).touches(Zone.KNEE_BACK, 3).at(370).tap(Contact.on(Zone.SPINE));
        seen.at(380).consent(Consent.Answer.YES, Zone.THIGH_INNER).at(385).starts("thigh", Side.RIGHT);
        seen.at(395).consent(Consent.Answer.WITHDRAWN, Zone.THIGH_INNER).at(425).touches(Zone.UPPER_BACK, 5);
        // The second side has no gentle beginning and little time; its warm-up is never done.
        seen.at(430)
                .starts("firm", Side.LEFT)
                .at(440)
                .sheet(Drape.NOT_SECURED)
                .at(442)
                .sheet(Drape.LOOSE);
        seen.at(450).touches(Zone.GROIN, 2).at(640).stops();
        seen.at(670)
                .sheetLook(DrapingFault.NOT_COVERED_AT_END)
                .at(671)
                .sheet(Drape.LEFT_OPEN)
                .at(680)
                .sheetLook();
        seen.at(700).tap(Say.of(SayKind.EXPLAINS)).at(720).finish();
        for (var q : seen.scores().questions())
            seen.reviewed(q.key(), q.permission() ? Said.NOT_ASKED : Said.HEARD_NOTHING);
        return seen;
    }

    private static String said(Scores scores) {
        var out = new StringBuilder();
        for (var c : scores.criteria()) {
            out.append("%s: %s, %d seen%s%n"
                    .formatted(
                            c.criterion().label(),
                            c.score() == null ? c.why() : "%.3f".formatted(c.score()),
                            c.observations(),
                            c.interval() == null
                                    ? ""
                                    : ", clean %.2f to %.2f"
                                            .formatted(
                                                    c.interval().low(),
                                                    c.interval().high())));
            for (var p : c.parts())
                out.append("  %s: %s × %s — %s [%s]%n"
                        .formatted(
                                p.name(),
                                p.value() == null ? "-" : "%.4f".formatted(p.value()),
                                p.weight(),
                                p.explanation(),
                                String.join(" ", p.events())));
            for (var f : c.findings())
                out.append("  %s %s at %s%s%s%s: %s / %s [%s]%n"
                        .formatted(
                                f.severity(),
                                f.rule(),
                                f.where().atMs(),
                                f.where().step() == null ? "" : " " + f.where().step(),
                                f.where().zone() == null ? "" : " " + f.where().zone(),
                                f.where().side() == null ? "" : " " + f.where().side(),
                                f.sentence(),
                                f.remedy(),
                                String.join(" ", f.evidence())));
        }
        return out.toString();
    }

    @Test
    void says_what_was_seen_why_and_what_would_mend_it() throws IOException {
        var text = said(run().scores());
        if (System.getenv("PALM_WRITE_SENTENCES") != null) Files.writeString(EXPECTED, text);
        assertThat(text).isEqualTo(Files.readString(EXPECTED));
    }

    /** Every rule that a practical can break is broken in it. */
    @Test
    void leaves_out_no_rule() {
        var seen = run().scores().findings().stream().map(f -> f.rule()).collect(Collectors.toSet());
        var ofPractical = Rule.allOf(
                "ORDER-RUN",
                "ORDER-COVER",
                "ORDER-WARM",
                "ORDER-SIDES",
                "ORDER-WAY",
                "DOSE-WINDOW",
                "DOSE-RATE",
                "PRESS-CEILING",
                "PRESS-DEPTH",
                "PRESS-BAND",
                "PRESS-ANSWER",
                "CONSENT-BEFORE",
                "CONSENT-SCOPE",
                "DRAPE-IDLE",
                "DRAPE-FAULT",
                "HAND-BARE",
                "MECH-LOOK",
                "MECH-BALANCE",
                "COMM-TOOL",
                "COMM-GAP",
                "COMM-OPEN",
                "COMM-WARN",
                "COMM-CUE",
                "COMM-INTERVIEW",
                "COMM-REPLY",
                "COMM-CLOSE");
        assertThat(seen).containsExactlyInAnyOrderElementsOf(ofPractical);
        assertThat(run().scored(Criterion.PRESSURE).score()).isNotNull();
    }
}

package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import palmtally.core.practical.event.Look;
import palmtally.core.practical.event.Observation;
import palmtally.core.practical.event.Reply;
import palmtally.core.practical.event.Report;
import palmtally.core.practical.event.ReportAnswer;
import palmtally.core.practical.event.Say;
import palmtally.core.sequence.SayKind;

/** What a tap shows that its grader listens for. */
class ListeningTest {
    record Shown(Observation tap, String kinds) {}

    static List<Shown> all() {
        return List.of(
                new Shown(Say.of(SayKind.GREETING), "opening"),
                new Shown(Say.of(SayKind.INVITES_FEEDBACK), "opening"),
                new Shown(Say.question(Say.Style.OPEN), "questions"),
                new Shown(Say.question(Say.Style.CLOSED), ""),
                new Shown(Say.of(SayKind.CHOICE), "questions"),
                new Shown(Say.interview(2), "questions interviews"),
                new Shown(Say.of(SayKind.WARNS), "warnings-and-cues"),
                new Shown(Say.of(SayKind.READY_CUE), "warnings-and-cues"),
                new Shown(Say.of(SayKind.RELAX_CUE), "warnings-and-cues"),
                new Shown(Say.of(SayKind.CLOSING), "closing"),
                new Shown(Report.of(5), "questions"),
                new Shown(new Report(5, null, Report.Source.SPOKEN, true), ""),
                new Shown(Reply.vague(), "questions"),
                new Shown(new Reply(true, null, true), ""),
                new Shown(new ReportAnswer(ReportAnswer.Response.NONE), "answers"),
                new Shown(new Look(List.of(), true), ""));
    }

    @ParameterizedTest
    @MethodSource("all")
    void a_tap_shows_what_its_grader_listens_for(Shown shown) {
        assertThat(EnumSet.allOf(Listening.class).stream()
                        .filter(kind -> kind.shownBy(shown.tap))
                        .map(Listening::toString)
                        .collect(Collectors.joining(" ")))
                .isEqualTo(shown.kinds);
    }
}

package palmtally.core.practical.event;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Zone;
import palmtally.core.profile.MechanicsFault;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.detail.Branch;

class EventTest {
    private static Event event(Observation seen) {
        return new Event("e", "d", 1, 0, null, seen);
    }

    @Test
    void every_kind_that_is_permitted_is_told() {
        assertThat(Observation.KINDS.values()).containsExactly(permitted());
    }

    @SuppressWarnings("unchecked")
    private static Class<? extends Observation>[] permitted() {
        return (Class<? extends Observation>[]) Observation.class.getPermittedSubclasses();
    }

    /** As they stand in files of every version. */
    @Test
    void kinds_keep_the_names_that_files_have() {
        assertThat(Observation.KINDS.keySet())
                .containsExactly(
                        "step-start",
                        "step-stop",
                        "step-skip",
                        "instead",
                        "contact",
                        "off-plan",
                        "hold-start",
                        "hold-stop",
                        "rate-tap",
                        "sheet-change",
                        "sheet-look",
                        "consent",
                        "say",
                        "reply",
                        "report",
                        "report-answer",
                        "guarding",
                        "stroke-fault",
                        "look",
                        "balance-test",
                        "lubricant",
                        "turn",
                        "hygiene",
                        "measure",
                        "attend",
                        "break",
                        "safety-stop",
                        "client-word",
                        "note",
                        "praise",
                        "review-answer",
                        "undo",
                        "finish");
        assertThat(event(SheetChange.of(SheetChange.Drape.LOOSE)).kind()).isEqualTo("sheet-change");
    }

    private static void refused(Observation seen, String field, String value, String reason) {
        assertThatThrownBy(() -> event(seen))
                .isInstanceOfSatisfying(
                        InvalidValue.class,
                        e -> assertThat(e.faults()).containsExactly(new Fault(field, value, reason)));
    }

    @Test
    void what_they_carry_lies_within_the_bounds_of_its_kind() {
        refused(Report.of(11), "data/number", "11", "must be 0 to 10");
        refused(Report.of(-1), "data/number", "-1", "must be 0 to 10");
        refused(Contact.ofDepth(6), "data/depth", "6", "must be 0 to 5");
        refused(new OffPlan(Zone.CALF, null, null, -1, Sheet.OPEN), "data/depth", "-1", "must be 0 to 5");
        refused(Say.interview(0), "data/number", "0", "must be 1 to 4");
        refused(Say.interview(5), "data/number", "5", "must be 1 to 4");
        refused(new StepStart("", null), "data/step", "", "must not be empty");
        refused(new Undo("x".repeat(65)), "data/ref", "65 characters", "must be at most 64 characters");
        refused(new Note("x".repeat(4001)), "data/text", "4001 characters", "must be at most 4000 characters");
        refused(new Note("a\0b"), "data/text", "", "must not hold a null character");
        refused(
                new Note("a\ud83d"),
                "data/text",
                "",
                "holds half of a character. Maybe it was cut in the middle of one");
        for (var fine : List.of(
                Report.of(0),
                Report.of(10),
                Contact.ofDepth(0),
                Contact.ofDepth(5),
                Say.interview(4),
                Say.of(SayKind.GREETING),
                new Note("x".repeat(4000)),
                new Note(""),
                new Note("a 🙂"))) assertThat(event(fine).data()).isEqualTo(fine);
    }

    @Test
    void names_and_moments_are_refused_with_all_their_faults() {
        assertThatThrownBy(() -> new Event(" ", "d\0", -1, Event.MOST_MS + 1, null, Report.of(12)))
                .isInstanceOfSatisfying(
                        InvalidValue.class,
                        e -> assertThat(e.faults())
                                .extracting(Fault::field)
                                .containsExactly("id", "device", "seq", "atMs", "data/number"));
    }

    @Test
    void a_look_finds_a_fault_once() {
        assertThat(Look.asked(MechanicsFault.LEANING, MechanicsFault.LEANING).faults())
                .containsExactly(MechanicsFault.LEANING);
    }

    @Test
    void only_open_questions_and_choices_ask() {
        assertThat(Say.question(Say.Style.OPEN).asks()).isTrue();
        assertThat(Say.question(Say.Style.CLOSED).asks()).isFalse();
        assertThat(new Say(SayKind.PRESSURE_QUESTION, null, null, null).asks()).isTrue();
        assertThat(Say.of(SayKind.CHOICE).asks()).isTrue();
        assertThat(Say.interview(1).asks()).isTrue();
        assertThat(Say.of(SayKind.GREETING).asks()).isFalse();
    }

    @Test
    void what_judges_is_told_from_what_says_how_things_stand() {
        assertThat(Report.of(3).judges()).isTrue();
        assertThat(SheetChange.of(SheetChange.Drape.LOOSE).judges()).isTrue();
        assertThat(SheetChange.of(SheetChange.Drape.OPEN).judges()).isFalse();
        assertThat(new StepStart("a", null).judges()).isFalse();
        assertThat(Consent.of(Consent.Answer.YES, Zone.SACRUM).judges()).isFalse();
    }

    /** What says how things stand, permission too, counts in a break as well; what judges a moment does not. */
    @Test
    void what_judges_a_moment_and_what_says_how_things_stand() {
        var judging = new java.util.ArrayList<String>();
        for (var seen : List.<Observation>of(
                new StepStart("s", null),
                new StepStop(null, null),
                new StepSkip("s", null, null),
                new Instead("s", null, Branch.When.HURTS, Branch.Then.LIGHTER),
                Contact.ofDepth(2),
                new OffPlan(Zone.CALF, null, null, 2, null),
                new HoldStart(),
                new HoldStop(),
                new RateTap(),
                SheetChange.of(SheetChange.Drape.OPEN),
                SheetChange.of(SheetChange.Drape.SECURED),
                SheetChange.of(SheetChange.Drape.LOOSE),
                new SheetLook(List.of(), true),
                Consent.of(Consent.Answer.YES, Zone.CALF),
                Say.interview(1),
                Reply.vague(),
                Report.of(3),
                new ReportAnswer(ReportAnswer.Response.EASED),
                new Guarding(),
                new StrokeFault(StrokeFault.Flaw.TOO_FAST),
                Look.volunteered(),
                new BalanceTest(true),
                new Attend(true),
                new Break(true, null),
                new SafetyStop(null, null),
                new ClientWord(ClientWord.Word.COLD),
                new Note("n"),
                new Praise(null),
                new ReviewAnswer("q", ReviewAnswer.Said.ASKED),
                new Undo("e"),
                new Finish()))
            if (seen.judges()) judging.add(seen.kind() + (seen instanceof SheetChange c ? " " + c.drape() : ""));
        assertThat(judging)
                .containsExactly(
                        "contact",
                        "off-plan",
                        "hold-start",
                        "hold-stop",
                        "rate-tap",
                        "sheet-change secured",
                        "sheet-change loose",
                        "sheet-look",
                        "say",
                        "reply",
                        "report",
                        "report-answer",
                        "guarding",
                        "stroke-fault",
                        "look",
                        "balance-test",
                        "client-word",
                        "note",
                        "praise");
    }

    /** As they stand in files, and as the grader reads them. */
    @Test
    void words_of_the_kinds_keep_the_names_that_files_have() {
        assertThat(java.util.Arrays.toString(StrokeFault.Flaw.values()))
                .isEqualTo("[too-light, too-deep, too-fast, wrong-direction, wrong-landmark]");
        assertThat(java.util.Arrays.toString(ReviewAnswer.Said.values()))
                .isEqualTo("[asked, not-asked, cannot-say, heard-nothing, not-listening, left-out, not-seen]");
        assertThat(java.util.Arrays.toString(ClientWord.Word.values())).isEqualTo("[tickles, cold]");
        assertThat(java.util.Arrays.toString(ReportAnswer.Response.values()))
                .isEqualTo("[eased, broader, slower, stopped, none]");
        assertThat(java.util.Arrays.toString(SheetChange.Drape.values()))
                .isEqualTo(
                        "[open, cover, loose, left-open, lifted-too-high, secured, not-secured, not-covered-at-end]");
        assertThat(java.util.Arrays.toString(Consent.Answer.values())).isEqualTo("[asked, yes, no, withdrawn]");
        assertThat(java.util.Arrays.toString(Say.Style.values())).isEqualTo("[open, choice, closed]");
        assertThat(java.util.Arrays.toString(Report.Source.values())).isEqualTo("[spoken, handset]");
        assertThat(ReviewAnswer.Said.HEARD_NOTHING.label()).isEqualTo("I listened, and there was nothing");
    }
}

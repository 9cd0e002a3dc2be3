package palmtally.core.timetable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.core.InvalidValue;
import palmtally.core.body.Region;
import palmtally.core.timetable.Timetable.Promise;

/** What is promised of a day of practicals, each promise broken alone. */
class TimetableTest {
    private static DayStudent student(String id) {
        return new DayStudent(id, id, Set.of(), Set.of(), Set.of(), "", List.of());
    }

    private static Sitting sitting(String student) {
        return new Sitting(student, student, Region.NECK, 20, false, false, null);
    }

    private static final DayStudent ANA = student("ana");
    private static final DayStudent CLEO =
            new DayStudent("cleo", "cleo", Set.of(Region.NECK), Set.of(), Set.of(), "", List.of());
    private static final DayStudent DARA =
            new DayStudent("dara", "dara", Set.of(), Set.of(), Set.of("ana"), "", List.of(new Span(600, 660)));
    private static final DayGrader OLLE = new DayGrader("olle", "olle", Set.of(Region.NECK), List.of());
    private static final DayGrader NADIA =
            new DayGrader("nadia", "nadia", Set.of(Region.FOOT), List.of(new Span(540, 560)));

    private static PracticalDay day(Sitting... sittings) {
        return new PracticalDay(
                new Span(540, 720),
                20,
                10,
                List.of(new Span(600, 615)),
                2,
                1,
                List.of(OLLE, NADIA),
                List.of(ANA, student("bram"), CLEO, DARA, student("eli"), student("fay")),
                List.of(sittings));
    }

    private static Placed at(int begins, int table, String grader, @Nullable String client) {
        return new Placed(begins, table, List.of(grader), client);
    }

    private static List<Promise> broken(PracticalDay day, Map<String, Placed> placed) {
        return new Timetable(placed)
                .broken(day).stream().map(Timetable.Broken::promise).toList();
    }

    @Test
    void practicals_begin_one_after_another_around_the_breaks() {
        assertThat(day().starts()).containsExactly(540, 570, 615, 645, 675);
        assertThat(new PracticalDay(new Span(540, 559), 20, 10, List.of(), 1, 1, List.of(), List.of(), List.of())
                        .starts())
                .isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "540, 1, olle, bram, ''",
        "530, 1, olle, bram, OPEN",
        "590, 1, olle, bram, OPEN",
        "710, 1, olle, bram, OPEN",
        "540, 3, olle, bram, OPEN",
        "540, 0, olle, bram, OPEN",
        "540, 1, olle, ana, CLIENT",
        "540, 1, olle, cleo, CLIENT",
        "540, 1, olle, dara, CLIENT",
        "540, 1, olle, nobody, CLIENT",
        "615, 1, nadia, bram, DUTY"
    })
    void each_promise_is_broken_alone(int begins, int table, String grader, String client, String promise) {
        var broken = broken(day(sitting("ana")), Map.of("ana", at(begins, table, grader, client)));
        if (promise.isEmpty()) assertThat(broken).isEmpty();
        else assertThat(broken).containsExactly(Promise.valueOf(promise));
    }

    @ParameterizedTest
    @CsvSource({
        "570, 1, cleo, eli, ''",
        "560, 1, eli, fay, 'TABLE, TABLE'",
        "569, 1, eli, fay, 'TABLE, TABLE'",
        "540, 2, eli, fay, 'WATCHED, WATCHED'",
        "559, 2, eli, fay, WATCHED",
        "560, 2, eli, fay, ''",
        "560, 2, eli, ana, ''",
        "550, 2, eli, ana, 'ONE_PLACE, ONE_PLACE, WATCHED'",
        "550, 2, bram, fay, 'ONE_PLACE, ONE_PLACE, WATCHED'"
    })
    void two_practicals_are_in_each_others_way(int begins, int table, String who, String client, String promises) {
        var other = new Sitting(who, who, Region.NECK, 20, false, false, null);
        var broken = broken(
                day(sitting("ana"), other),
                Map.of("ana", at(540, 1, "olle", "bram"), who, at(begins, table, "olle", client)));
        assertThat(broken.stream().map(Promise::toString).sorted().toList())
                .isEqualTo(
                        promises.isEmpty()
                                ? List.of()
                                : List.of(promises.split(", ")).stream().sorted().toList().stream()
                                        .map(Object::toString)
                                        .toList());
    }

    @Test
    void what_has_begun_stays_and_nothing_else_is_asked_of_it() {
        var begun = at(500, 9, "gone", null);
        var held = new Sitting("ana", "ana", Region.HIP, 20, true, false, begun);
        assertThat(broken(day(held), Map.of("ana", begun))).isEmpty();
        assertThat(broken(day(held), Map.of("ana", at(540, 1, "olle", "bram")))).containsExactly(Promise.HELD);
        assertThat(broken(day(held), new HashMap<>())).containsExactly(Promise.HELD);
    }

    @Test
    void who_is_away_is_not_asked() {
        var day = day(new Sitting("eli", "eli", Region.FOOT, 20, false, false, null));
        assertThat(broken(day, Map.of("eli", at(540, 1, "nadia", "bram")))).containsExactly(Promise.THERE);
        assertThat(broken(day, Map.of("eli", at(615, 1, "nadia", "dara")))).containsExactly(Promise.THERE);
        assertThat(broken(day, Map.of("eli", at(675, 1, "nadia", "dara")))).isEmpty();
        var twice = day(new Sitting("eli", "eli", Region.NECK, 20, false, true, null));
        assertThat(broken(twice, Map.of("eli", new Placed(540, 1, List.of("olle", "olle"), "bram"))))
                .containsExactly(Promise.TWO_GRADERS);
    }

    @Test
    void a_sensitive_region_takes_a_client_who_agreed() {
        var hip = new Sitting("ana", "ana", Region.NECK, 20, true, false, null);
        var agreed = new DayStudent("a", "a", Set.of(), Set.of(Region.NECK), Set.of(), "", List.of());
        var other = new DayStudent("b", "b", Set.of(), Set.of(Region.NECK), Set.of(), "", List.of());
        assertThat(PracticalDay.mayBeClient(agreed, other, hip)).isTrue();
        assertThat(PracticalDay.mayBeClient(agreed, student("x"), hip)).isTrue();
        assertThat(PracticalDay.mayBeClient(student("x"), agreed, hip)).isFalse();
        var last = new DayStudent("a", "a", Set.of(), Set.of(), Set.of(), "b", List.of());
        assertThat(PracticalDay.mayBeClient(student("b"), last, sitting("a"))).isFalse();
        assertThat(PracticalDay.mayBeClient(student("c"), last, sitting("a"))).isTrue();
    }

    @Test
    void what_cannot_be_a_day_is_refused_by_name() {
        assertThatThrownBy(() -> new PracticalDay(
                        new Span(540, 600),
                        4,
                        61,
                        List.of(),
                        0,
                        9,
                        List.of(),
                        List.of(),
                        List.of(sitting("ana"), sitting("ana"))))
                .satisfies(e -> assertThat(((InvalidValue) e).faults())
                        .extracting(InvalidValue.Fault::field)
                        .containsExactly(
                                "minutes",
                                "changeOver",
                                "tables",
                                "tablesAGrader",
                                "sittings/0/student",
                                "sittings/1/id",
                                "sittings/1/student"));
        assertThatThrownBy(() -> new Span(600, 600)).hasMessageContaining("later");
        assertThatThrownBy(() -> new Sitting("a", "a", Region.NECK, 300, false, false, null))
                .hasMessageContaining("5 to 240");
        assertThat(new Span(545, 610)).hasToString("09:05–10:10");
    }
}

package palmtally.core.earlier;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.core.InvalidValue;
import palmtally.core.body.Region;
import palmtally.core.earlier.ColumnUse.Use;
import palmtally.core.earlier.MarksReading.LeftOut;
import palmtally.core.earlier.StudentNames.Student;
import palmtally.core.finding.Criterion;

class MarksTableTest {
    private static final StudentNames SCHOOL = new StudentNames(List.of(
            new Student("1", "Lena Brook", "lena"),
            new Student("2", "Mats Fjord", "mats"),
            new Student("3", "Kit Marlow", "kit"),
            new Student("4", "Kit Marlow", "kit2")));

    private static MarksTable of(String text) {
        return new MarksTable(
                text.lines().map(l -> Arrays.asList(l.split(";", -1))).toList());
    }

    /** A student a row, a column a criterion, as a spreadsheet is kept by hand. */
    private static final MarksTable WIDE = of("""
            Evening cohort, spring;;;;;;;;;
            ;;;;;;;;;
            Name;Date;Region;Pressure;Stroke order;Body mechanics;Communication;Draping;Total;Comment
            Brook, Lena;3.11.2025;Low back;7,5;8;6;9;A;30,5;calm hands
            Mats Fjrod;17.11.2025;Back;6;;x;8;B-;;
            Kit Marlow;24.11.2025;Feet;9;9;9;9;A;36;
            Kit Marlow;24.11.2025;Feet;9;9;9;9;A;36;
            Olga Stern;31.11.2025;jaw;11;5;5;5;C;20;left in May
            ;24.11.2025;Feet;9;9;9;9;A;36;
            Average;;;8;7;7;8;;30;
            """);

    @Test
    void a_spreadsheet_kept_by_hand_is_read_without_a_word() {
        var guess = WIDE.guess();
        assertThat(guess.headRow()).isEqualTo(3);
        assertThat(guess.columns().stream().map(ColumnUse::use).toList())
                .containsExactly(
                        Use.NAME,
                        Use.DAY,
                        Use.REGION,
                        Use.MARK,
                        Use.MARK,
                        Use.MARK,
                        Use.MARK,
                        Use.MARK,
                        Use.MARK,
                        Use.NOTHING);
        assertThat(guess.columns().subList(3, 9).stream()
                        .map(ColumnUse::criterion)
                        .toList())
                .containsExactly(
                        Criterion.PRESSURE,
                        Criterion.ORDER,
                        Criterion.MECHANICS,
                        Criterion.COMMUNICATION,
                        Criterion.DRAPING,
                        null);
        assertThat(guess.days()).isEqualTo(DayOrder.DAY_FIRST);

        var read = WIDE.read(guess, SCHOOL);
        assertThat(read.marks().size()).isEqualTo(6 + 3 + 6 + 6 - 1);
        var first = read.marks().get(0);
        assertThat(first)
                .isEqualTo(new MarksReading.EarlierMark(
                        4,
                        4,
                        "Brook, Lena",
                        "1",
                        LocalDate.of(2025, 11, 3),
                        Region.LOW_BACK,
                        Criterion.PRESSURE,
                        "Pressure",
                        "",
                        "7,5",
                        75));
        // Nearly Mats; "Back" may be two regions; an x is no mark; there is no 31 November; 11 is over the 10 of the
        // others' columns, so
        // that column is taken to 20.
        assertThat(read.marks().stream()
                        .filter(m -> m.row() == 5)
                        .map(m -> m.student())
                        .distinct())
                .containsExactly("2");
        assertThat(read.regions()).containsExactly("Back");
        assertThat(read.leftOut())
                .containsExactly(
                        new LeftOut(5, 6, "x", "is no mark of this scale"),
                        new LeftOut(8, 0, "31.11.2025", "is no date; its marks are kept without one"),
                        new LeftOut(8, 4, "11", "is outside of 0 to 10"),
                        new LeftOut(9, 0, "", "has no student"),
                        new LeftOut(10, 0, "Average", "is reckoned from the others and no student's"));
        assertThat(read.repeated()).containsExactly(7);
        assertThat(read.names().stream()
                        .map(n -> n.given() + ": " + n.match().found() + " " + n.student())
                        .toList())
                .containsExactly(
                        "Brook, Lena: EXACT 1",
                        "Mats Fjrod: NEAR 2",
                        "Kit Marlow: SEVERAL null",
                        "Olga Stern: NOBODY null");
    }

    @Test
    void a_column_that_adds_up_the_criteria_has_the_sum_of_their_scales() {
        assertThat(WIDE.guess().columns().get(8).scale().best()).isEqualTo(40);
        var mean = of("name;pressure;draping;mean\nLena Brook;8;6;7\nMats Fjord;9;7;8\n");
        assertThat(mean.guess().columns().get(3).scale().best()).isEqualTo(10);
    }

    @Test
    void what_is_too_long_to_be_a_name_is_left_out_with_its_first_letters() {
        var table = of("name;pressure\n" + "Lena ".repeat(41) + ";8\nMats Fjord;9\n");
        var read = table.read(table.guess(), SCHOOL);
        assertThat(read.leftOut())
                .containsExactly(new LeftOut(2, 0, "Lena Lena Lena Lena …", "is longer than 200 letters"));
        assertThat(read.marks().size()).isEqualTo(1);
    }

    @Test
    void what_was_said_of_names_regions_and_scales_is_kept_to() {
        var guess = WIDE.guess();
        var columns = new ArrayList<>(guess.columns());
        columns.set(3, new ColumnUse(Use.MARK, Criterion.PRESSURE, null, new MarkScale(10, 0, Map.of())));
        columns.set(
                5, new ColumnUse(Use.MARK, Criterion.MECHANICS, Region.HIP, new MarkScale(0, 10, Map.of("x", 0.0))));
        var said = new MarksMapping(
                3,
                columns,
                DayOrder.DAY_FIRST,
                Map.of("Kit Marlow", "4", "Mats Fjrod", ""),
                Map.of("Back", "shoulder"));
        var read = WIDE.read(said, SCHOOL);
        assertThat(read.marks().get(0).points()).isEqualTo(25);
        assertThat(read.marks().stream()
                        .filter(m -> m.row() == 5)
                        .map(m -> m.student() + " " + m.region() + " " + m.points()))
                .containsExactly("null shoulder 40.0", "null hip 0.0", "null shoulder 80.0", "null shoulder 82.0");
        assertThat(read.marks().stream()
                        .filter(m -> m.row() == 6)
                        .map(m -> m.student())
                        .distinct())
                .containsExactly("4");
        assertThat(read.leftOut()).contains(new LeftOut(8, 4, "11", "is outside of 0 to 10"));
        assertThat(read.regions()).isEmpty();
        assertThat(read.names().get(1).chosen()).isTrue();
    }

    @Test
    void a_mark_a_row_says_its_criterion_itself() {
        var table = of("""
                first name;last name;graded on;skill;assessment;score;marked by
                Lena;Brook;11/13/2025;Draping;Back practical;17/20;N. Vale
                Lena;Brook;11/03/2025;Ethics;Back practical;18/20;N. Vale
                """);
        var read = table.read(table.guess(), SCHOOL);
        assertThat(table.guess().days()).isEqualTo(DayOrder.MONTH_FIRST);
        assertThat(read.marks().get(0))
                .isEqualTo(new MarksReading.EarlierMark(
                        2,
                        6,
                        "Lena Brook",
                        "1",
                        LocalDate.of(2025, 11, 13),
                        null,
                        Criterion.DRAPING,
                        "Back practical",
                        "N. Vale",
                        "17/20",
                        85));
        assertThat(read.marks().get(1).criterion()).isNull();
        assertThat(read.marks().get(1).day()).isEqualTo(LocalDate.of(2025, 11, 3));
    }

    @Test
    void a_table_that_nobody_headed_is_read_by_what_is_in_it() {
        var table = of("""
                1;Lena Brook;2025-11-03;80;90
                2;Mats Fjord;2025-11-03;70;100
                """);
        assertThat(table.guess().headRow()).isZero();
        assertThat(table.guess().columns().stream().map(ColumnUse::use).toList())
                .containsExactly(Use.MARK, Use.NAME, Use.DAY, Use.MARK, Use.MARK);
        assertThat(table.likeness()).isEqualTo("||||");
        assertThat(WIDE.likeness())
                .isEqualTo("name|date|region|pressure|stroke order|body mechanics|communication|draping|total|comment");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            Low back          | LOW_BACK
            low-back          | LOW_BACK
            Feet              | FOOT
            Foot and ankle    | FOOT
            forearms          | FOREARM_HAND
            Hips              | HIP
            Neck, practical 2 | NECK
            Upper arm         | UPPER_ARM
            whole body        | WHOLE_BODY
            Back              |
            leg               |
            Neck and jaw      |
            Legs and arms     |
            """)
    void a_region_is_named_or_not(String text, Region region) {
        assertThat(MarksTable.region(text).orElse(null)).isEqualTo(region);
    }

    /** What teachers write above a column (common practice, no source). */
    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            Client talk              | COMMUNICATION
            Talking with the client  | COMMUNICATION
            Client care /10          | COMMUNICATION
            Comm.                    | COMMUNICATION
            Consultation             | COMMUNICATION
            Draped the client        | DRAPING
            Drap. (5)                | DRAPING
            Sheets and towels        | DRAPING
            Body mech.               | MECHANICS
            Posture and stance       | MECHANICS
            Postural control         | MECHANICS
            Mech                     | MECHANICS
            Order of strokes         | ORDER
            Pressure control         | PRESSURE
            Press.                   | PRESSURE
            Depth (max 20)           | PRESSURE
            Client                   |
            Client no.               |
            Client name              |
            Pressure and draping     |
            Pre test                 |
            Comments                 |
            Order and depth          |
            """)
    void a_criterion_is_named_or_not(String text, Criterion criterion) {
        assertThat(MarksTable.criterion(text).orElse(null)).isEqualTo(criterion);
    }

    @Test
    void a_criterion_in_words_of_its_own_is_a_column_of_marks_and_its_words_are_told_once_each() {
        var table = of("""
                Name;Draping;Draping, notes
                Lena Brook;Super;too tight at the hip
                Mats Fjord;super;corner left open
                Olga Stern;Mäßig;nothing to say
                Ida Holm;mäßig;well tucked
                """);
        var guess = table.guess();
        assertThat(guess.columns().stream().map(ColumnUse::use)).containsExactly(Use.NAME, Use.MARK, Use.NOTHING);
        assertThat(guess.columns().get(1).criterion()).isEqualTo(Criterion.DRAPING);
        assertThat(table.read(guess, SCHOOL).wordsWithoutWorth()).containsExactly("super", "mäßig");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            3.11.2025        | DAY_FIRST   | 2025-11-03
            03/11/25         | DAY_FIRST   | 2025-11-03
            3/11/2025        | MONTH_FIRST | 2025-03-11
            2025-11-03       | MONTH_FIRST | 2025-11-03
            2025-11-03 18:00 | DAY_FIRST   | 2025-11-03
            3 Nov 2025       | DAY_FIRST   | 2025-11-03
            November 3rd, 2025 | DAY_FIRST | 2025-11-03
            Mon 3 November 2025 | DAY_FIRST | 2025-11-03
            30.2.2025        | DAY_FIRST   |
            week 12          | DAY_FIRST   |
            """)
    void a_day_is_read_in_its_order(String cell, DayOrder order, LocalDate day) {
        assertThat(order.read(cell).orElse(null)).isEqualTo(day);
    }

    @Test
    void what_cannot_be_read_is_refused_with_what_would_do() {
        assertThatThrownBy(() -> of(";;\n;")).isInstanceOf(InvalidValue.class).hasMessage("table: it has no row");
        var none = new MarksMapping(0, List.of(new ColumnUse(Use.NOTHING)), DayOrder.DAY_FIRST, Map.of(), Map.of());
        assertThatThrownBy(() -> WIDE.read(none, SCHOOL))
                .hasMessage("mapping: columns must say which column holds the students' names");
        var names = new MarksMapping(0, List.of(new ColumnUse(Use.NAME)), DayOrder.DAY_FIRST, Map.of(), Map.of());
        assertThatThrownBy(() -> WIDE.read(names, SCHOOL))
                .hasMessage("mapping: columns must say which columns hold marks");
        assertThatThrownBy(() -> new MarksMapping(
                        -1, List.of(new ColumnUse(Use.MARK)), DayOrder.DAY_FIRST, Map.of(), Map.of("x", "elbow")))
                .hasMessageContaining("headRow must be 0 or more (is -1)")
                .hasMessageContaining("columns/0/scale belongs to a column of marks, and to each")
                .hasMessageContaining("regions is no region (is elbow)");
        assertThatThrownBy(() -> new MarksTable(List.of(java.util.Collections.nCopies(201, "1"))))
                .hasMessageContaining("columns must be at most 200 (is 201)");
    }
}

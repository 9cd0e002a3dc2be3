package palmtally.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import palmtally.core.body.Region;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.jot.Routine;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Difference;
import palmtally.core.sequence.ForWhom;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Techniques;

class StepTableTest {
    static Stream<Path> sequences() throws IOException {
        var demo = Path.of("../server/src/main/resources/demo/sequences");
        try (var files = Files.list(demo)) {
            return files.sorted().toList().stream();
        }
    }

    private static Sequence read(Path file) throws Exception {
        return Documents.readSequence(Files.readString(file));
    }

    @ParameterizedTest
    @MethodSource("sequences")
    void what_is_written_is_read_back_the_same(Path file) throws Exception {
        var sequence = read(file);
        var again = StepTable.read(StepTable.write(List.of(sequence)), Techniques.SHIPPED);
        assertThat(again).containsExactly(sequence);
    }

    /** Every line of {@code lines.txt}, and with it all that can be said of a step. */
    @Test
    void what_was_jotted_is_lost_neither_in_the_table_nor_in_the_file() throws Exception {
        var lines = Files.readAllLines(Path.of("src", "test", "resources", "lines.txt")).stream()
                .filter(l -> !l.startsWith("#"))
                .map(l -> l.split(" => ")[0])
                .toList();
        var steps = Routine.of(lines, Techniques.SHIPPED, n -> "s" + n, null).stream()
                .flatMap(j -> Stream.ofNullable(j.step()))
                .toList();
        assertThat(steps).hasSizeGreaterThan(500);
        assertThat(steps).filteredOn(s -> s.detail() != null).hasSizeGreaterThan(400);
        // No sequence holds so many.
        for (int from = 0; from < steps.size(); from += 200) {
            var some = steps.subList(from, Math.min(steps.size(), from + 200));
            var plan = new Sequence(
                    "jotted",
                    "Jotted",
                    Region.WHOLE_BODY,
                    3600,
                    Side.LEFT,
                    "",
                    null,
                    List.of(new Block("b", "All", Block.Order.IN_ORDER, Block.Repeat.ONCE, some)));
            assertThat(StepTable.read(StepTable.write(List.of(plan)), Techniques.SHIPPED))
                    .containsExactly(plan);
            assertThat(Documents.readSequence(Documents.write(plan))).isEqualTo(plan);
            assertThat(Difference.between(plan, Documents.readSequence(Documents.write(plan))))
                    .isEmpty();
        }
    }

    @Test
    void several_sequences_share_a_file() throws Exception {
        var all = new ArrayList<Sequence>();
        for (var file : sequences().toList()) all.add(read(file));
        assertThat(StepTable.read(StepTable.write(all), Techniques.SHIPPED))
                .extracting(Sequence::id)
                .isEqualTo(all.stream().map(Sequence::id).toList());
    }

    @Test
    void whom_it_is_for_and_the_schools_word_for_a_hand_are_cells() throws Exception {
        var text = "sequence,for whom,block,step,technique,zones,hand,hand name\r\n"
                + "s,ticklish; clothed,b,a,effleurage,calf,palm,whole-hand cup\r\ns,,b,c,effleurage,calf,palm,\r\n";
        var plan = StepTable.read(text, Techniques.SHIPPED).get(0);
        assertThat(plan.forWhom()).containsExactly(ForWhom.TICKLISH, ForWhom.CLOTHED);
        assertThat(plan.steps()).extracting(Step::hand).containsExactly("whole-hand cup", null);
        assertThat(StepTable.read(StepTable.write(List.of(plan)), Techniques.SHIPPED))
                .containsExactly(plan);
        assertThatThrownBy(() -> StepTable.read(text.replace("clothed", "cheerful"), Techniques.SHIPPED))
                .isInstanceOfSatisfying(
                        FormatException.class,
                        e -> assertThat(e.faults())
                                .extracting(f -> f.field(), f -> f.value())
                                .containsExactly(tuple("row 2, for whom", "ticklish; cheerful")));
    }

    private static final String HEAD =
            "sequence,block,step,technique,zones,name,depth,dose,dose seconds,dose count\r\n";

    /** RFC 4180, section 2: quoted cells with commas, line breaks and doubled quotes; the last line may lack its break. */
    @Test
    void cells_are_quoted_as_rfc_4180_says() throws Exception {
        var step = StepTable.read(
                        HEAD + "s,b,a,effleurage,\"calf; achilles\",\"Long, \"\"slow\"\"\r\nglide\",2,passes,10,6",
                        Techniques.SHIPPED)
                .get(0)
                .steps()
                .get(0);
        assertThat(step.name()).isEqualTo("Long, \"slow\"\r\nglide");
        assertThat(step.zones()).containsExactly(Zone.CALF, Zone.ACHILLES);
        var back = StepTable.read(
                        StepTable.write(StepTable.read(
                                HEAD + "s,b,a,effleurage,calf,\"a \"\"b\"\"\",2,,,", Techniques.SHIPPED)),
                        Techniques.SHIPPED)
                .get(0);
        assertThat(back.steps().get(0).name()).isEqualTo("a \"b\"");
    }

    @Test
    void what_a_spreadsheet_would_take_for_a_formula_is_defused_and_comes_back() throws Exception {
        var plan = StepTable.read(HEAD + "s,b,a,effleurage,calf,\"'=1+1\",2,,,", Techniques.SHIPPED)
                .get(0);
        assertThat(plan.steps().get(0).name()).isEqualTo("=1+1");
        assertThat(StepTable.write(List.of(plan))).contains(",'=1+1,").doesNotContain(",=1+1,");
    }

    @Test
    void semicolons_and_a_byte_order_mark_of_a_spreadsheet_are_understood() throws Exception {
        var text = "\uFEFFsequence;block;step;technique;zones\r\ns;b;a;effleurage;\"calf; achilles\"\r\n";
        assertThat(StepTable.read(text, Techniques.SHIPPED).get(0).steps())
                .extracting(Step::id)
                .containsExactly("a");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "s,b,a,wibble,calf,,2,,, | row 2, technique | library",
                "s,b,a,effleurage,elbow-grease,,2,,, | row 2, zones | not known",
                "s,b,a,effleurage,calf,,9,,, | row 2, depth | 0 to 5",
                "s,b,a,effleurage,calf,,2.5,,, | row 2, depth | whole number",
                "s,b,a,effleurage,calf,,two,,, | row 2, depth | no number",
                "s,b,a,effleurage,calf,,2,passes,10, | row 2, dose count | missing",
                "s,b,a,effleurage,calf,,2,seconds,-5, | row 2, dose seconds | above 0",
                "s,b,a,effleurage,calf,,2,seconds,NaN, | row 2, dose seconds | no number",
                "s,b,,effleurage,calf,,2,,, | row 2, step | empty",
                ",b,a,effleurage,calf,,2,,, | row 2, sequence | empty"
            })
    void a_faulty_cell_is_told_by_row_and_column(String line, String where, String why) {
        assertThatThrownBy(() -> StepTable.read(HEAD + line, Techniques.SHIPPED))
                .isInstanceOfSatisfying(FormatException.class, e -> {
                    assertThat(e.faults()).hasSize(1);
                    assertThat(e.faults().get(0).field()).isEqualTo(where);
                    assertThat(e.faults().get(0).reason()).contains(why);
                });
    }

    @Test
    void an_id_used_twice_and_a_link_to_nowhere_are_told_at_their_rows() {
        var text = "sequence,block,step,technique,zones,before\r\n"
                + "s,b,a,effleurage,calf,b\r\ns,b,a,effleurage,calf,\r\ns,b,b,effleurage,calf,zzz\r\n";
        assertThatThrownBy(() -> StepTable.read(text, Techniques.SHIPPED))
                .isInstanceOfSatisfying(
                        FormatException.class,
                        e -> assertThat(e.faults())
                                .extracting(f -> f.field())
                                .containsExactly("row 3, step", "row 4, before"));
    }

    @ParameterizedTest
    @CsvSource({"''", "sequence", "'sequence,block,step,technique,zones'", "'a\"b,c'"})
    void an_empty_or_headless_file_is_refused(String text) {
        assertThatThrownBy(() -> StepTable.read(text, Techniques.SHIPPED)).isInstanceOf(FormatException.class);
    }

    /** Five thousand rows over ten sequences, forty of them broken in one of eight ways. */
    @Test
    void forty_faulty_rows_of_five_thousand_are_exactly_those_that_are_listed() {
        var chance = new Random(7);
        var broken = new TreeSet<Integer>();
        while (broken.size() < 40) broken.add(2 + chance.nextInt(5000));
        var text = new StringBuilder("sequence,block,step,technique,zones,depth,dose,dose seconds,before\r\n");
        for (int row = 2; row <= 5001; row++) {
            var s = "s" + (row - 2) / 500;
            var cells = new String[] {s, "b", "x" + row, "effleurage", "calf", "2", "seconds", "30", ""};
            if (broken.contains(row))
                switch (row % 8) {
                    case 0 -> cells[3] = "wibble";
                    case 1 -> cells[4] = "nowhere";
                    case 2 -> cells[5] = "7";
                    case 3 -> cells[7] = "-1";
                    case 4 -> cells[8] = "no-such-step";
                    case 5 -> cells[2] = "";
                    case 6 -> cells[6] = "furlongs";
                    default -> cells[7] = "soon";
                }
            text.append(String.join(",", cells)).append("\r\n");
        }
        assertThatThrownBy(() -> StepTable.read(text.toString(), Techniques.SHIPPED))
                .isInstanceOfSatisfying(FormatException.class, e -> {
                    var rows = e.faults().stream()
                            .map(f -> Integer.valueOf(f.field().replaceAll("row (\\d+), .*", "$1")))
                            .toList();
                    assertThat(rows).containsExactlyElementsOf(broken);
                    assertThat(e.faults())
                            .allSatisfy(f -> assertThat(f.reason()).isNotBlank());
                });
    }
}

package palmtally.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.core.InvalidValue.Fault;

/** Class lists as they are pasted (quoting by RFC 4180, section 2). */
class ClassListTest {
    @ParameterizedTest
    @ValueSource(
            strings = {
                "Ana Quill,ana,student\nBram Oster,,grader",
                "Ana Quill\tana\tstudent\r\nBram Oster\t\tgrader\r\n",
                "Ana Quill;ana;student\n\n;;\nBram Oster;;grader\n",
                "\uFEFFrole,name,sign-in,age\nstudent,Ana Quill,ana,23\nGrader,Bram Oster,,41\n",
                "\"Ana Quill\",\"ana\",\"student\"\n Bram Oster , , grader "
            })
    void the_same_list_in_many_shapes(String text) throws Exception {
        var list = ClassList.read(text);
        assertThat(list).extracting(ClassList.Entry::name).containsExactly("Ana Quill", "Bram Oster");
        assertThat(list).extracting(ClassList.Entry::signIn).containsExactly("ana", null);
        assertThat(list).extracting(ClassList.Entry::role).containsExactly("student", "grader");
    }

    @Test
    void a_name_may_hold_what_separates_when_it_is_quoted() throws Exception {
        assertThat(ClassList.read("\"Vale, Tobin \"\"Tob\"\"\",tobin\n"))
                .extracting(ClassList.Entry::name)
                .containsExactly("Vale, Tobin \"Tob\"");
    }

    @Test
    void every_fault_is_named_by_row_and_column() {
        var text = "name,sign-in,role\n,x,\nB,b,pilot\nC,b,\n" + "D".repeat(201) + ",,\nE," + "e".repeat(101) + ",\n";
        assertThatThrownBy(() -> ClassList.read(text))
                .isInstanceOfSatisfying(
                        FormatException.class,
                        e -> assertThat(e.faults())
                                .extracting(Fault::field)
                                .containsExactly(
                                        "row 2, name",
                                        "row 3, role",
                                        "row 4, sign-in",
                                        "row 5, name",
                                        "row 6, sign-in"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "\n\n", "name,role\n"})
    void nobody_is_said(String text) {
        refused(text, "holds no name");
    }

    @Test
    void too_much_is_refused() {
        var many = IntStream.range(0, 2001).mapToObj(i -> "P" + i).collect(Collectors.joining("\n"));
        refused(many, "at most 2000");
        refused("A,b,student,extra", "4 columns");
        refused("\"open", "is no CSV");
    }

    private static void refused(String text, String reason) {
        assertThatThrownBy(() -> ClassList.read(text))
                .isInstanceOfSatisfying(
                        FormatException.class,
                        e -> assertThat(e.faults())
                                .anySatisfy(f -> assertThat(f.toString()).contains(reason)));
    }
}

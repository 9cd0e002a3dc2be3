package palmtally.core.earlier;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.core.earlier.StudentNames.Found;
import palmtally.core.earlier.StudentNames.Student;

class StudentNamesTest {
    private static final StudentNames SCHOOL = new StudentNames(List.of(
            new Student("1", "Lena Brook", "lena"),
            new Student("2", "Zoë Ångström-Quay", "zoe"),
            new Student("3", "Per Ola Sørensen", "per"),
            new Student("4", "Kit Marlow", "kit"),
            new Student("5", "Kit Marlow", "kit2"),
            new Student("6", "Anna Marlow", "anna"),
            new Student("7", "Anne Marlow", "anne"),
            new Student("8", "Юлия Петрова", "julia"),
            new Student("9", "D'Arcy Holm", "darcy")));

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            Lena Brook          | EXACT   | 1
            BROOK, Lena         | EXACT   | 1
            brook  lena         | EXACT   | 1
            Lena Broock         | NEAR    | 1
            Lnea Brook          | NEAR    | 1
            L. Brook            | NEAR    | 1
            Lena M. Brook       | NEAR    | 1
            Zoe Angstrom Quay   | EXACT   | 2
            Zoe Quay            | NEAR    | 2
            Soerensen Per Ola   | NEAR    | 3
            Sorensen, Per Ola   | EXACT   | 3
            Per Sørensen        | NEAR    | 3
            Kit Marlow          | SEVERAL | 4,5
            Anna Marlow         | EXACT   | 6
            Annа Marlow         | SEVERAL | 6,7
            A. Marlow           | SEVERAL | 6,7
            Lena                | SEVERAL | 1
            Петрова Юлия        | EXACT   | 8
            DArcy Holm          | EXACT   | 9
            Lena Harbour        | NOBODY  |
            Q. R.               | NOBODY  |
            L. B.               | NOBODY  |
            ---                 | NOBODY  |
            """)
    void a_name_is_found_as_it_is_written_or_nearly(String name, Found found, String ids) {
        var match = SCHOOL.of(name);
        assertThat(match.found()).isEqualTo(found);
        assertThat(match.candidates().stream().map(Student::id).toList())
                .isEqualTo(ids == null ? List.of() : List.of(ids.split(",")));
    }

    @Test
    void the_sign_in_tells_two_of_one_name_apart() {
        assertThat(SCHOOL.ofSignIn(" KIT2").candidates().get(0).id()).isEqualTo("5");
        assertThat(SCHOOL.ofSignIn("nobody").found()).isEqualTo(Found.NOBODY);
    }
}

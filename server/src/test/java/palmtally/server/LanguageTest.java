package palmtally.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** Words and files are the same on a machine that is set to another language: a Turkish one writes {@code ı} for a small {@code I}. */
@AnalyzeClasses(packages = "palmtally", importOptions = ImportOption.DoNotIncludeTests.class)
class LanguageTest {
    @ArchTest
    static final ArchRule no_word_depends_on_the_language_of_the_machine = noClasses()
            .should()
            .callMethod(String.class, "toLowerCase")
            .orShould()
            .callMethod(String.class, "toUpperCase")
            .orShould()
            .callMethod(String.class, "format", String.class, Object[].class);
}

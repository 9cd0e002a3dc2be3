package palmtally.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** The core stands alone: no framework, no clock, no chance, no input or output, and no feature that needs itself. */
@AnalyzeClasses(packages = "palmtally.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule stands_on_the_jdk_jspecify_hipparchus_and_a_list_of_its_rules_only = classes()
            .that()
            .resideInAPackage("palmtally.core..")
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage(
                    "palmtally.core..",
                    "java.lang..",
                    "java.util..",
                    "java.time..",
                    "java.math..",
                    "java.text..",
                    "org.jspecify..",
                    "org.hipparchus..",
                    "com.google.auto.service..");

    @ArchTest
    static final ArchRule reads_no_clock = noClasses()
            .should()
            .callMethod(java.time.Instant.class, "now")
            .orShould()
            .callMethod(java.time.LocalDate.class, "now")
            .orShould()
            .callMethod(System.class, "currentTimeMillis")
            .orShould()
            .callMethod(System.class, "nanoTime");

    @ArchTest
    static final ArchRule takes_no_chance = noClasses()
            .should()
            .dependOnClassesThat()
            .haveFullyQualifiedName("java.util.Random")
            .orShould()
            .callMethod(Math.class, "random");

    @ArchTest
    static final ArchRule features_form_no_cycle =
            slices().matching("palmtally.core.(*)..").should().beFreeOfCycles();
}

package palmtally.core;

import static com.tngtech.archunit.base.DescribedPredicate.describe;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.Locale;
import java.util.Set;
import java.util.stream.DoubleStream;

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

    /** Of Math what is exact by its definition: the rest differs in the last bit from one machine to another. */
    private static final Set<String> EXACT = Set.of("abs", "min", "max", "floor", "ceil", "sqrt", "signum");

    @ArchTest
    static final ArchRule computes_the_same_in_a_page = noClasses()
            .should()
            .callMethodWhere(describe(
                    "a function that is not exact",
                    call -> call.getTargetOwner().isEquivalentTo(Math.class) && !EXACT.contains(call.getName())))
            .orShould()
            .callMethod(DoubleStream.class, "sum")
            .orShould()
            .callMethod(DoubleStream.class, "average")
            .because("FastMath and Sums give the same bits wherever they run");

    @ArchTest
    static final ArchRule says_the_same_in_a_page = noClasses()
            .should()
            .callMethod(String.class, "format", String.class, Object[].class)
            .orShould()
            .callMethod(String.class, "format", Locale.class, String.class, Object[].class)
            .orShould()
            .callMethod(String.class, "formatted", Object[].class)
            .orShould()
            .callMethod(java.time.Instant.class, "parse", CharSequence.class)
            .because("numbers are rounded otherwise there, and reading a time brings every time zone along");

    @ArchTest
    static final ArchRule features_form_no_cycle =
            slices().matching("palmtally.core.(*)..").should().beFreeOfCycles();
}

package palmtally.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import org.apache.ibatis.annotations.Mapper;
import org.springframework.web.bind.annotation.RestController;

/** The server's rooms: features need each other one way only, and only a feature itself touches its tables. */
@AnalyzeClasses(packages = "palmtally.server", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule features_form_no_cycle =
            slices().matching("palmtally.server.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule controllers_and_mappers_are_nobody_elses = classes()
            .that()
            .areAnnotatedWith(RestController.class)
            .or()
            .areAnnotatedWith(Mapper.class)
            .should()
            .notBePublic();

    /** What it says is what the tests set and the school's own days are reckoned by. */
    @ArchTest
    static final ArchRule there_is_one_clock = noClasses()
            .that()
            .doNotHaveFullyQualifiedName("palmtally.server.PalmTally")
            .and()
            .doNotHaveFullyQualifiedName("palmtally.server.backup.BackupCommand")
            .should()
            .callMethod(Clock.class, "system", ZoneId.class)
            .orShould()
            .callMethod(Clock.class, "systemUTC")
            .orShould()
            .callMethod(Clock.class, "systemDefaultZone")
            .orShould()
            .callMethod(Instant.class, "now")
            .orShould()
            .callMethod(LocalDate.class, "now")
            .orShould()
            .callMethod(LocalDate.class, "now", ZoneId.class)
            .orShould()
            .callMethod(LocalDateTime.class, "now")
            .orShould()
            .callMethod(ZonedDateTime.class, "now")
            .orShould()
            .callMethod(System.class, "currentTimeMillis");

    @ArchTest
    static final ArchRule controllers_speak_to_services_not_to_tables = noClasses()
            .that()
            .areAnnotatedWith(RestController.class)
            .should()
            .dependOnClassesThat()
            .areAnnotatedWith(Mapper.class);
}

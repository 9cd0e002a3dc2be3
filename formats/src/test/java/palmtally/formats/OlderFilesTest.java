package palmtally.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.core.body.Landmark;
import palmtally.core.finding.Criterion;
import palmtally.core.practical.Extent;
import palmtally.core.practical.event.SheetChange;
import palmtally.core.profile.DrapingFault;
import palmtally.core.profile.MechanicsFault;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.detail.DetailField;

/** Files of the first version open for ever: what they say stands, and what they could not say yet is as it ships. */
class OlderFilesTest {
    private static String older(String name) throws IOException {
        try (var in = OlderFilesTest.class.getResourceAsStream("/older/" + name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    /** Enough observations were fewer, holds weighed more, and answers and ceilings were parts that are none any more. */
    @ParameterizedTest
    @CsvSource({"profile.json, 20", "profile-b.json, 15"})
    void a_profile_keeps_its_numbers_and_takes_the_new_ones_as_they_ship(String file, double thumb) throws Exception {
        var profile = Documents.readProfile(older(file));
        var ships = Profile.bySeconds();
        assertThat(100 * profile.mechanics().bareThumbShare()).isEqualTo(thumb);
        assertThat(profile.marking().enough())
                .containsEntry(Criterion.PRESSURE, 3)
                .containsEntry(Criterion.DRAPING, 1);
        assertThat(profile.marking().pressure().holds()).isEqualTo(0.15);
        assertThat(profile.marking().pressure().depth()).isEqualTo(0.3);
        assertThat(profile.marking().pressure().overPrice()).isEqualTo(15);
        assertThat(profile.marking().least()).isEqualTo(ships.marking().least());
        assertThat(profile.draping().faultyCap()).isEqualTo(59);
        assertThat(profile.draping().prices()).containsEntry(DrapingFault.OTHER, 3.0);
        assertThat(profile.mechanics().faults())
                .containsEntry(MechanicsFault.LIFTING_WITH_BACK, 1.0)
                .containsEntry(MechanicsFault.PULLING_WITH_ARMS, 0.5)
                .containsEntry(MechanicsFault.REACHING, 1.0);
        assertThat(Documents.readProfile(Documents.write(profile))).isEqualTo(profile);
    }

    @Test
    void a_record_is_scored_by_the_rules_of_today() throws Exception {
        var practical = Documents.readPractical(older("practical.json"));
        assertThat(practical.events()).hasSize(134).anyMatch(e -> e.data() instanceof SheetChange);
        var scores = ScoreView.of(practical);
        assertThat(scores.criteria()).hasSize(5);
        assertThat(Documents.readPractical(Documents.write(practical))).isEqualTo(practical);
    }

    /** A file that says nothing of how much was asked is of a whole practical; one that says a part of it, of that. */
    @Test
    void a_record_is_of_a_whole_practical_unless_it_says_otherwise() throws Exception {
        var whole = Documents.readPractical(older("practical.json"));
        assertThat(whole.extent()).isEqualTo(Extent.WHOLE);
        assertThat(Documents.write(whole)).doesNotContain("extent");
        var part = whole.of(Extent.PART.only(Criterion.DRAPING));
        assertThat(Documents.readPractical(Documents.write(part))).isEqualTo(part);
        var said = older("practical.json").replaceFirst("\\{", "{\"extent\":{\"part\":true},");
        assertThat(Documents.readPractical(said).extent()).isEqualTo(new Extent(true, true, true, null));
    }

    /** Where a stroke starts and ends stood on the step itself, in words: what is a landmark is one now, and the rest stays in words. */
    @Test
    void a_step_keeps_where_its_stroke_starts_and_ends() throws Exception {
        var step = Documents.readSequence(older("sequence.json"))
                .step("thigh-fist")
                .orElseThrow();
        assertThat(step.details().words()).containsExactly(Map.entry(DetailField.FROM, "just above the knee"));
        assertThat(step.details().to()).isEqualTo(Landmark.SIT_BONE);
        var term = Documents.readCurriculum(older("curriculum.json")).sequences();
        assertThat(term.stream()
                        .flatMap(s -> s.steps().stream())
                        .map(s -> s.details().to()))
                .contains(Landmark.SIT_BONE, Landmark.TROCHANTER);
    }
}

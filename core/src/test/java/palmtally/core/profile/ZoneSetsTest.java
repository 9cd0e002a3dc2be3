package palmtally.core.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.EnumSet;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Zone;
import palmtally.core.finding.Rule;

/** A school says which zones it asks for before they are touched. */
class ZoneSetsTest {
    private static final ZoneSets.Row SENSITIVE = ZoneSets.find("sensitive").orElseThrow();

    @Test
    void both_profiles_ask_for_the_same_and_say_what_it_moves() {
        assertThat(ZoneSets.all()).containsExactly(SENSITIVE);
        assertThat(ZoneSets.find("moon")).isEmpty();
        for (var profile : Profile.shipped())
            assertThat(SENSITIVE.chosen(profile))
                    .contains(Zone.GLUTEALS, Zone.THROAT)
                    .doesNotContain(Zone.SACRUM);
        assertThat(SENSITIVE.path()).containsExactly("draping", "sensitive");
        assertThat(SENSITIVE.rules()).containsExactly(Rule.of("CONSENT-BEFORE"), Rule.of("CONSENT-SCOPE"));
    }

    @Test
    void a_school_adds_one_and_leaves_one_out() {
        var zones = EnumSet.copyOf(SENSITIVE.chosen(Profile.bySeconds()));
        zones.add(Zone.SACRUM);
        zones.remove(Zone.BELLY);
        var changed = SENSITIVE.choose(Profile.bySeconds(), zones);
        assertThat(changed.draping().sensitive()).contains(Zone.SACRUM).doesNotContain(Zone.BELLY);
        assertThat(SENSITIVE.choose(changed, SENSITIVE.chosen(Profile.bySeconds())))
                .isEqualTo(Profile.bySeconds());
    }

    @Test
    void groin_breast_and_the_inside_of_the_mouth_are_asked_for_at_every_school() {
        assertThat(SENSITIVE.always()).containsExactlyInAnyOrder(Zone.GROIN, Zone.BREAST, Zone.INSIDE_MOUTH);
        assertThatThrownBy(() -> SENSITIVE.choose(Profile.bySeconds(), EnumSet.of(Zone.GROIN, Zone.BREAST)))
                .hasMessageContaining("cannot be left out");
        assertThat(SENSITIVE
                        .choose(Profile.bySeconds(), SENSITIVE.always())
                        .draping()
                        .sensitive())
                .hasSize(3);
    }
}

package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.people.ClientNote;
import palmtally.core.people.ClientNote.Kind;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;

/** What is asked against what the body on the table must be spared today. */
class ClashTest {
    private static final Sequence PLAN = eachSide(
            step("a").on(Zone.CALF).seconds(60),
            step("b").on(Zone.CALF).seconds(60).deep(4),
            step("c").on(Zone.HAMSTRINGS).seconds(60).deep(4));

    private static Clash clash(List<String> asked, Sides sides, ClientNote... notes) {
        return Clash.of(new Practical(PLAN, Profile.bySeconds(), asked, sides, List.of()), List.of(notes));
    }

    private static final ClientNote NUMB = new ClientNote(Kind.NUMB, Zone.CALF, Side.LEFT);

    @Test
    void blocks_the_steps_that_work_deep_where_it_is_numb() {
        var clash = clash(List.of(), Sides.EACH, NUMB);
        assertThat(clash.blocked()).containsExactly("b");
        assertThat(clash.rest()).isEqualTo(2);
        assertThat(clash.sentence()).startsWith("Step 2 works deep on calf, which is numb on this client");
    }

    @Test
    void offers_the_side_on_which_nothing_clashes() {
        assertThat(clash(List.of(), Sides.EACH, NUMB).side()).isEqualTo(Sides.RIGHT);
        assertThat(clash(List.of(), Sides.EACH, new ClientNote(Kind.NUMB, Zone.CALF, null))
                        .side())
                .isNull();
    }

    @Test
    void looks_at_nothing_but_the_steps_and_sides_asked() {
        assertThat(clash(List.of(), Sides.RIGHT, NUMB).none()).isTrue();
        assertThat(clash(List.of("a", "c"), Sides.EACH, NUMB).none()).isTrue();
        assertThat(clash(List.of(), Sides.EACH).none()).isTrue();
    }

    @Test
    void a_zone_to_be_left_alone_blocks_every_touch() {
        assertThat(clash(List.of(), Sides.LEFT, new ClientNote(Kind.SPARE, Zone.CALF, null))
                        .blocked())
                .containsExactly("a", "b");
    }
}

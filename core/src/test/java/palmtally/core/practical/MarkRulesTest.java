package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import palmtally.core.finding.Criterion;
import palmtally.core.profile.Choices;
import palmtally.core.profile.Group;
import palmtally.core.profile.Numbers;
import palmtally.core.profile.Profile;

class MarkRulesTest {
    private static String words(Profile profile) {
        return MarkRules.of(profile).stream()
                .flatMap(s -> s.sentences().stream())
                .collect(Collectors.joining("\n"));
    }

    /** Every number by which marks are made stands in the words: a change of one changes them. */
    @Test
    void speak_of_every_number_of_marking() {
        var profile = Profile.bySeconds();
        var words = words(profile);
        assertThat(words).doesNotContainPattern("[{}<>]");
        for (var row : Numbers.all())
            if (row.group() == Group.MARKING) {
                double now = row.value(profile);
                double other = now + 1 <= row.most() ? now + 1 : now - 1;
                assertThat(words(row.set(profile, other))).as(row.id()).isNotEqualTo(words);
            }
    }

    @Test
    void follow_the_school() {
        var profile = Numbers.find("price-loose").orElseThrow().set(Profile.bySeconds(), 8);
        profile = Choices.find("outcome").orElseThrow().choose(profile, "checklist");
        assertThat(words(profile))
                .contains("a loose tuck 8 points", "The cut is 60")
                .contains("within 5 s and 2 s for the grader’s own reaction")
                .contains("Up to 60 % are lost");
        assertThat(words(Profile.byResponse())).contains("within 120 s after an open question");
    }

    @Test
    void have_a_section_for_each_score() {
        assertThat(MarkRules.of(Profile.bySeconds()))
                .extracting(MarkRules.Section::criterion)
                .contains(Criterion.values());
    }

    /** Whichever way a school takes, the words say it. */
    @Test
    void the_outcome_is_told_as_the_school_decided_it() {
        var row = palmtally.core.profile.Choices.find("outcome").orElseThrow();
        for (var option : row.options()) {
            var sections = MarkRules.of(row.choose(palmtally.core.profile.Profile.bySeconds(), option.id()));
            org.assertj.core.api.Assertions.assertThat(
                            sections.get(sections.size() - 1).sentences().get(0))
                    .startsWith("Five scores become one outcome this way: " + option.label() + ".");
        }
    }
}

package palmtally.core.sequence;

import java.util.Arrays;
import java.util.List;
import palmtally.core.Texts;
import palmtally.core.people.ClientNote;

/** Whom a plan is for, where it is not for anybody: it is held to what a note about such a body says, without a person. */
public enum ForWhom {
    PRENATAL_FIRST("prenatal, first trimester", ClientNote.Kind.PREGNANT),
    PRENATAL_SECOND("prenatal, second trimester", ClientNote.Kind.PREGNANT, ClientNote.Kind.LATE_PREGNANCY),
    PRENATAL_THIRD("prenatal, third trimester", ClientNote.Kind.PREGNANT, ClientNote.Kind.LATE_PREGNANCY),
    BACK_PAIN("low-back or sacroiliac pain", ClientNote.Kind.BACK_PAIN),
    NECK_INJURY("past neck injury", ClientNote.Kind.NECK_INJURY),
    TICKLISH("ticklish", ClientNote.Kind.TICKLISH),
    CLOTHED("clothed", ClientNote.Kind.CLOTHED);

    private final String word = Texts.word(this);

    private final String label;
    private final List<ClientNote> notes;

    ForWhom(String label, ClientNote.Kind... kinds) {
        this.label = label;
        notes = Arrays.stream(kinds).map(k -> new ClientNote(k, null, null)).toList();
    }

    public String label() {
        return label;
    }

    /** What a note would say of such a body. */
    public List<ClientNote> notes() {
        return notes;
    }

    @Override
    public String toString() {
        return word;
    }
}

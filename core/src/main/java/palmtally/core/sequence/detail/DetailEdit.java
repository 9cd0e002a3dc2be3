package palmtally.core.sequence.detail;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Landmark;
import palmtally.core.body.Structure;

/** What is said of a step while it is being changed: short-lived. */
public final class DetailEdit {
    public List<Structure> structures;
    public @Nullable Landmark from;
    public @Nullable Landmark to;
    public @Nullable FibreAngle fibre;
    public @Nullable Pace pace;
    public @Nullable OtherHand otherHand;
    public Set<Manner> manner;
    public Set<Limb> limb;
    public Set<Prop> props;
    public List<ClientPart> part;
    public @Nullable End end;
    public @Nullable Comparison compares;
    public List<Branch> instead;
    public @Nullable String why;
    public @Nullable String note;
    public Map<DetailField, String> words;
    public @Nullable String picture;

    DetailEdit(Detail d) {
        structures = new ArrayList<>(d.structures());
        from = d.from();
        to = d.to();
        fibre = d.fibre();
        pace = d.pace();
        otherHand = d.otherHand();
        manner = new TreeSet<>(d.manner());
        limb = new TreeSet<>(d.limb());
        props = new TreeSet<>(d.props());
        part = new ArrayList<>(d.part());
        end = d.end();
        compares = d.compares();
        instead = new ArrayList<>(d.instead());
        why = d.why();
        note = d.note();
        words = new EnumMap<>(DetailField.class);
        words.putAll(d.words());
        picture = d.picture();
    }

    /**
     * As it now is.
     *
     * @throws palmtally.core.InvalidValue naming every fault
     */
    public Detail detail() {
        return new Detail(
                structures,
                from,
                to,
                fibre,
                pace,
                otherHand,
                manner,
                limb,
                props,
                part,
                end,
                compares,
                instead,
                why,
                note,
                words,
                picture);
    }
}

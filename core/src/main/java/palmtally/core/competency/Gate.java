package palmtally.core.competency;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import palmtally.core.Texts;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.profile.Profile;

/** A guarded area, and what a student must have shown before working there (common practice, no source). */
public enum Gate {
    GLUTEALS("The gluteals", Set.of(Zone.GLUTEALS, Zone.HIP_ROTATORS)),
    JAW("The jaw", Set.of(Zone.JAW_MUSCLES, Zone.INSIDE_MOUTH)),
    FRONT_OF_NECK("The front of the neck", Set.of(Zone.THROAT, Zone.NECK_SIDE, Zone.STRAP_MUSCLE));

    private final String word = Texts.word(this);

    private static final List<Region> LEG = List.of(Region.THIGH, Region.KNEE, Region.LOWER_LEG, Region.FOOT);

    private final String label;
    private final Set<Zone> zones;

    Gate(String label, Set<Zone> zones) {
        this.label = label;
        this.zones = zones;
    }

    /** What was seen of one criterion in one region. */
    public record Seen(Region region, Criterion criterion) {}

    /**
     * A gate as it stands for one student.
     *
     * @param why one sentence a student understands
     */
    public record Passage(Gate gate, boolean open, String why) {}

    public boolean guards(Zone zone) {
        return zones.contains(zone);
    }

    /** The gates on the way to these zones, open or not, in the order of the gates. */
    public static List<Passage> before(
            Collection<Zone> worked, Map<Seen, List<Evidence>> evidence, double week, double weeks, Profile profile) {
        var passages = new ArrayList<Passage>();
        for (var gate : values())
            if (worked.stream().anyMatch(gate::guards)) passages.add(gate.passage(evidence, week, weeks, profile));
        return passages;
    }

    /**
     * @param week weeks since the term began
     * @param weeks length of the term
     */
    public Passage passage(Map<Seen, List<Evidence>> evidence, double week, double weeks, Profile profile) {
        if (this == GLUTEALS) {
            int wanted = profile.terms().cleanDrapes();
            long had = LEG.stream()
                    .flatMap(r -> pieces(evidence, r, Criterion.DRAPING))
                    .filter(e -> !e.critical() && e.score() >= profile.marking().cut())
                    .map(Evidence::source)
                    .distinct()
                    .count();
            return new Passage(
                    this,
                    had >= wanted,
                    had >= wanted
                            ? label + " are open: the leg was draped clean " + times(had) + "."
                            : label + " come after " + times(wanted) + " a clean drape of the leg; " + had
                                    + (had == 1 ? " was" : " were") + " seen.");
        }
        var neck =
                Competency.of(pieces(evidence, Region.NECK, Criterion.PRESSURE).toList(), week, weeks, profile);
        boolean open = neck.state() == Competency.State.SECURE;
        return new Passage(
                this,
                open,
                open
                        ? label + " is open: pressure on the neck is secure."
                        : label + " comes after pressure on the neck is secure; it is " + neck.state() + " now. "
                                + neck.why());
    }

    private static Stream<Evidence> pieces(Map<Seen, List<Evidence>> evidence, Region region, Criterion criterion) {
        return evidence.getOrDefault(new Seen(region, criterion), List.of()).stream();
    }

    private static String times(long n) {
        return n == 1 ? "once" : n == 2 ? "twice" : n + " times";
    }

    @Override
    public String toString() {
        return word;
    }
}

package palmtally.server.technique;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Landmark;
import palmtally.core.body.Region;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.people.ClientNote;
import palmtally.core.practical.Outcome;
import palmtally.core.profile.DrapeMethod;
import palmtally.core.profile.DrapePoint;
import palmtally.core.profile.DrapingFault;
import palmtally.core.profile.MechanicsFault;
import palmtally.core.sequence.ForWhom;
import palmtally.core.sequence.Template;
import palmtally.core.technique.Dose;
import palmtally.core.technique.HandName;
import palmtally.core.technique.ScopeTopic;
import palmtally.core.technique.Stroke;
import palmtally.core.technique.Tool;
import palmtally.server.people.Allow;
import palmtally.server.people.Permission;

/** The words of the trade, as the core has them. */
@RestController
class CatalogueController {
    /** Stands wherever a technique is shown. */
    static final String LAW =
            "Usual cautions for teaching, not medical advice. Local codes and licensed practice decide.";

    record Catalogue(
            String law,
            List<CriterionWord> criteria,
            List<RegionWord> regions,
            List<ZoneWord> zones,
            List<ToolWord> tools,
            List<TechniqueWord> techniques,
            List<HandName> hands,
            List<HandName> taughtHands,
            List<StructureWord> structures,
            List<LandmarkWord> landmarks,
            List<StrokeWord> strokes,
            List<ScopeWord> topics,
            List<FaultWord> faults,
            List<DrapeWord> drapes,
            List<RatingWord> ratings,
            List<TemplateWord> templates,
            List<NoteWord> notes,
            List<ForWhomWord> forWhom) {}

    record ForWhomWord(ForWhom id, String name) {}

    /** @param local whether it is about one zone */
    record NoteWord(ClientNote.Kind id, String name, boolean local) {}

    record TemplateWord(Template id, String name, String words) {}

    record CriterionWord(Criterion id, String name) {}

    record RegionWord(Region id, String name) {}

    record ZoneWord(
            Zone id,
            String name,
            Region region,
            DrapeUnit unit,
            boolean paired,
            @Nullable Integer ceilingLow,
            @Nullable Integer ceilingHigh,
            @Nullable String caution,
            boolean broadOnly) {}

    record ToolWord(Tool id, String name, boolean pointed) {}

    record TechniqueWord(
            String id,
            String name,
            List<String> aliases,
            String stroke,
            Tool tool,
            int depth,
            @Nullable String hand,
            Dose dose,
            @Nullable String caution,
            boolean retired) {}

    /** @param caution what to spare there */
    record StructureWord(
            Structure id,
            String name,
            String latin,
            List<Zone> zones,
            @Nullable String caution) {}

    record LandmarkWord(Landmark id, String name, List<Zone> zones) {}

    record StrokeWord(Stroke id, String name) {}

    record ScopeWord(ScopeTopic id, String name) {}

    /** A global rating that a grader may give, and what its band is called. */
    record RatingWord(int value, String band) {}

    record FaultWord(MechanicsFault id, String name) {}

    /** A way to open the sheet: the points that a grader looks at, in the order in which they are done. */
    record DrapeWord(DrapeMethod id, String name, List<DrapeUnit> opens, List<DrapePointWord> points) {}

    /**
     * @param missed what it is called where it was missed
     * @param fault what it counts as then
     */
    record DrapePointWord(DrapePoint id, String words, String missed, DrapingFault fault) {}

    private final Library library;

    CatalogueController(Library library) {
        this.library = library;
    }

    @Allow(Permission.SIGNED_IN)
    @GetMapping("/api/catalogue")
    Catalogue catalogue() {
        var techniques = library.techniques();
        return new Catalogue(
                LAW,
                Arrays.stream(Criterion.values())
                        .map(c -> new CriterionWord(c, c.label()))
                        .toList(),
                Arrays.stream(Region.values())
                        .map(r -> new RegionWord(r, r.label()))
                        .toList(),
                Arrays.stream(Zone.values()).map(CatalogueController::word).toList(),
                Arrays.stream(Tool.values())
                        .map(t -> new ToolWord(t, t.label(), t.pointed()))
                        .toList(),
                techniques.all().stream()
                        .map(t -> new TechniqueWord(
                                t.id(),
                                t.name(),
                                t.aliases(),
                                t.stroke().label(),
                                t.tool(),
                                t.depth(),
                                t.hand(),
                                t.dose(),
                                t.caution(),
                                t.retired()))
                        .toList(),
                techniques.hands(),
                HandName.TAUGHT,
                Arrays.stream(Structure.values())
                        .map(s -> new StructureWord(
                                s, s.label(), s.latin(), s.zones(), s.caution().orElse(null)))
                        .toList(),
                Arrays.stream(Landmark.values())
                        .map(l -> new LandmarkWord(l, l.label(), l.zones()))
                        .toList(),
                Arrays.stream(Stroke.values())
                        .map(s -> new StrokeWord(s, s.label()))
                        .toList(),
                Arrays.stream(ScopeTopic.values())
                        .map(t -> new ScopeWord(t, t.label()))
                        .toList(),
                Arrays.stream(MechanicsFault.values())
                        .map(f -> new FaultWord(f, f.label()))
                        .toList(),
                Arrays.stream(DrapeMethod.values())
                        .map(m -> new DrapeWord(
                                m,
                                m.label(),
                                Arrays.stream(DrapeUnit.values())
                                        .filter(m::opens)
                                        .toList(),
                                m.points().stream()
                                        .map(p -> new DrapePointWord(p, p.words(), p.missed(), p.fault()))
                                        .toList()))
                        .toList(),
                IntStream.rangeClosed(1, 10)
                        .map(n -> 10 * n)
                        .mapToObj(n -> new RatingWord(n, Outcome.Band.of(n).toString()))
                        .toList(),
                Arrays.stream(Template.values())
                        .map(t -> new TemplateWord(t, t.label(), t.words()))
                        .toList(),
                Arrays.stream(ClientNote.Kind.values())
                        .map(k -> new NoteWord(k, k.label(), k.local()))
                        .toList(),
                Arrays.stream(ForWhom.values())
                        .map(w -> new ForWhomWord(w, w.label()))
                        .toList());
    }

    private static ZoneWord word(Zone z) {
        var c = z.ceiling().orElse(null);
        return new ZoneWord(
                z,
                z.label(),
                z.region(),
                z.unit(),
                z.paired(),
                c == null ? null : Integer.valueOf(c.low()),
                c == null ? null : Integer.valueOf(c.high()),
                c == null ? null : c.why(),
                c != null && c.broadOnly());
    }
}

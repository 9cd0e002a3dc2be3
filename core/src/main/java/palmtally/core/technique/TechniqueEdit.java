package palmtally.core.technique;

import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** A technique while it is being changed or made. */
public final class TechniqueEdit {
    private final String id;
    public String name;
    public List<String> aliases;
    public Stroke stroke;
    public Tool tool;
    public @Nullable String hand;
    public int depth;
    public Dose dose;
    public @Nullable Window window;
    public Technique.Effort effort;
    public boolean strong;
    public @Nullable String caution;
    public Set<ScopeTopic> topics;
    public boolean retired;

    TechniqueEdit(Technique t) {
        id = t.id();
        name = t.name();
        aliases = t.aliases();
        stroke = t.stroke();
        tool = t.tool();
        hand = t.hand();
        depth = t.depth();
        dose = t.dose();
        window = t.window();
        effort = t.effort();
        strong = t.strong();
        caution = t.caution();
        topics = t.topics();
        retired = t.retired();
    }

    /** What the client does nothing in, that is not strong and that nothing else is said of. */
    TechniqueEdit(String id, String name, Stroke stroke, Tool tool, int depth, Dose dose) {
        this.id = id;
        this.name = name;
        this.stroke = stroke;
        this.tool = tool;
        this.depth = depth;
        this.dose = dose;
        aliases = List.of();
        effort = Technique.Effort.PASSIVE;
        topics = Set.of();
    }

    TechniqueEdit also(String... names) {
        aliases = List.of(names);
        return this;
    }

    TechniqueEdit strong() {
        strong = true;
        return this;
    }

    TechniqueEdit caution(String words) {
        caution = words;
        return this;
    }

    TechniqueEdit client(Technique.Effort does) {
        effort = does;
        return this;
    }

    /**
     * The technique as it now is.
     *
     * @throws palmtally.core.InvalidValue naming every fault
     */
    Technique technique() {
        return new Technique(
                id, name, aliases, stroke, tool, hand, depth, dose, window, effort, strong, caution, topics, retired);
    }
}

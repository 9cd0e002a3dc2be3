package palmtally.core.practical;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.practical.event.Event;
import palmtally.core.practical.event.Instead;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Stint;

/**
 * A practical record: the plan version that was asked, the profile it is judged by, and everything seen.
 *
 * @param asked ids of the steps that were asked; empty for all
 * @param sides which sides were asked: each, left or right
 * @param extent how much of a practical is asked
 * @param events in any order, an id at most once with one content; they are kept in {@link Event#ORDER}
 */
public record Practical(
        Sequence sequence, Profile profile, List<String> asked, Sides sides, Extent extent, List<Event> events) {
    /** More events than this are taken for a mistake. */
    public static final int MOST_EVENTS = 20_000;

    /**
     * @throws InvalidValue naming every fault: a step that the plan does not have, an undo of nothing, one id with two contents, too
     *     many events
     */
    public Practical {
        asked = List.copyOf(asked);
        var faults = new ArrayList<Fault>();
        var steps = ids(sequence);
        for (int i = 0; i < asked.size(); i++)
            if (!steps.contains(asked.get(i)))
                faults.add(new Fault("asked/" + i, asked.get(i), "names no step of the sequence"));
        if (sides == Sides.MIDLINE || sides == Sides.BOTH)
            faults.add(new Fault("sides", sides.toString(), "must be each, left or right"));
        if (events.size() > MOST_EVENTS)
            faults.add(new Fault("events", events.size() + " events", "must be at most " + MOST_EVENTS));
        var byId = new HashMap<String, Event>();
        var once = new ArrayList<Event>();
        for (int i = 0; i < events.size(); i++) {
            var event = events.get(i);
            var earlier = byId.putIfAbsent(event.id(), event);
            if (earlier == null) once.add(event);
            else if (!earlier.equals(event))
                faults.add(new Fault("events/" + i + "/id", event.id(), "is there twice with different contents"));
        }
        faults.addAll(faults(sequence, events, byId::containsKey));
        if (!faults.isEmpty()) throw new InvalidValue("practical", faults);
        once.sort(Event.ORDER);
        events = List.copyOf(once);
    }

    /** A whole practical. */
    public Practical(Sequence sequence, Profile profile, List<String> asked, Sides sides, List<Event> events) {
        this(sequence, profile, asked, sides, Extent.WHOLE, events);
    }

    /** The same run with less asked of it, or in the eyes of somebody else. */
    public Practical with(List<String> asked, List<Event> events) {
        return new Practical(sequence, profile, asked, sides, extent, events);
    }

    /** The same, of which so much is asked. */
    public Practical of(Extent extent) {
        return new Practical(sequence, profile, asked, sides, extent, events);
    }

    /**
     * What keeps events from belonging to a practical of a sequence, by their place in the list.
     *
     * @param known whether an event of that id is in the practical
     */
    public static List<Fault> faults(Sequence sequence, List<Event> events, Predicate<String> known) {
        var faults = new ArrayList<Fault>();
        var steps = ids(sequence);
        for (int i = 0; i < events.size(); i++) {
            var event = events.get(i);
            var step = event.data().step();
            if (step != null && !steps.contains(step))
                faults.add(new Fault("events/" + i + "/data/step", step, "names no step of the sequence"));
            if (event.data() instanceof Instead taken)
                for (var planned : sequence.steps())
                    if (planned.id().equals(taken.step())
                            && taken.among(planned).isEmpty())
                        faults.add(new Fault(
                                "events/" + i + "/data/then",
                                taken.when() + ": " + taken.then(),
                                "is no branch of the step in the plan"));
            var ref = event.data().ref();
            if (ref != null && !known.test(ref))
                faults.add(new Fault("events/" + i + "/data/ref", ref, "names no event of this practical"));
        }
        return faults;
    }

    private static Set<String> ids(Sequence sequence) {
        var ids = new HashSet<String>();
        sequence.steps().forEach(s -> ids.add(s.id()));
        return ids;
    }

    /** The stints that were asked, in planned order. */
    public List<Stint> brief() {
        return Stint.of(sequence).stream()
                .filter(s -> asked.isEmpty() || asked.contains(s.step().id()))
                .filter(s -> switch (s.side()) {
                    case LEFT -> sides != Sides.RIGHT;
                    case RIGHT -> sides != Sides.LEFT;
                    case MIDLINE, BOTH -> true;
                })
                .toList();
    }
}

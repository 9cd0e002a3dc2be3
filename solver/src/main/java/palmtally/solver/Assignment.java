package palmtally.solver;

import ai.timefold.solver.core.api.domain.entity.PlanningEntity;
import ai.timefold.solver.core.api.domain.entity.PlanningPin;
import ai.timefold.solver.core.api.domain.lookup.PlanningId;
import ai.timefold.solver.core.api.domain.valuerange.ValueRangeProvider;
import ai.timefold.solver.core.api.domain.variable.PlanningVariable;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.NullUnmarked;
import palmtally.core.timetable.DayGrader;
import palmtally.core.timetable.DayStudent;
import palmtally.core.timetable.Placed;
import palmtally.core.timetable.PracticalDay;
import palmtally.core.timetable.Sitting;

/** One practical and where it is put. The solver makes its copies by the constructor without anything. */
@PlanningEntity
@NullUnmarked
public class Assignment {
    @PlanningId
    private String id;

    private Sitting sitting;
    private DayStudent therapist;
    private PracticalDay day;

    @PlanningPin
    private boolean pinned;

    @ValueRangeProvider(id = "graders")
    private List<Person> graderRange;

    @ValueRangeProvider(id = "seconds")
    private List<Person> secondRange;

    @ValueRangeProvider(id = "clients")
    private List<Person> clientRange;

    /** Where it was, so that little is changed; null where it was nowhere. */
    private Placed before;

    @PlanningVariable(valueRangeProviderRefs = "places", allowsUnassigned = true)
    private Place place;

    @PlanningVariable(valueRangeProviderRefs = "graders")
    private Person grader;

    @PlanningVariable(valueRangeProviderRefs = "seconds")
    private Person second;

    @PlanningVariable(valueRangeProviderRefs = "clients")
    private Person client;

    Assignment() {}

    /** @param first where it is put to begin with, or null */
    Assignment(PracticalDay day, Sitting sitting, Placed before, Placed first) {
        id = sitting.id();
        this.day = day;
        this.sitting = sitting;
        this.before = before;
        therapist = day.byStudent().get(sitting.student());
        graderRange = graders(day, sitting);
        secondRange = sitting.twice() ? graderRange : List.of(Person.NOBODY);
        clientRange = clients(day, sitting, therapist);
        pinned = sitting.held() != null;
        grader = Person.NOBODY;
        second = Person.NOBODY;
        client = Person.NOBODY;
        if (first == null) return;
        place = new Place(first.begins(), first.table());
        grader = person(first.graders().isEmpty() ? null : first.graders().get(0), graderRange);
        second = person(first.graders().size() < 2 ? null : first.graders().get(1), secondRange);
        client = person(first.client(), clientRange);
    }

    /** Somebody who is no longer among those who can be asked stays where the practical has begun. */
    private Person person(String wanted, List<Person> range) {
        if (wanted == null) return Person.NOBODY;
        for (var p : range) if (p.id().equals(wanted)) return p;
        return pinned ? new Person(wanted) : Person.NOBODY;
    }

    private static List<Person> graders(PracticalDay day, Sitting sitting) {
        var range = new ArrayList<Person>();
        for (DayGrader g : day.graders()) if (PracticalDay.mayGrade(g, sitting)) range.add(new Person(g.id()));
        range.add(Person.NOBODY);
        return List.copyOf(range);
    }

    private static List<Person> clients(PracticalDay day, Sitting sitting, DayStudent therapist) {
        var range = new ArrayList<Person>();
        for (var c : day.students()) if (PracticalDay.mayBeClient(c, therapist, sitting)) range.add(new Person(c.id()));
        range.add(Person.NOBODY);
        return List.copyOf(range);
    }

    Placed placed() {
        if (place == null) return null;
        var graders = new ArrayList<String>();
        if (grader != null && grader.somebody()) graders.add(grader.id());
        if (second != null && second.somebody() && !graders.contains(second.id())) graders.add(second.id());
        return new Placed(
                place.begins(), place.table(), graders, client == null || !client.somebody() ? null : client.id());
    }

    String id() {
        return id;
    }

    Sitting sitting() {
        return sitting;
    }

    boolean free() {
        return !pinned;
    }

    int begins() {
        return place.begins();
    }

    int ends() {
        return place.begins() + sitting.minutes();
    }

    /** When its table can be used again. */
    int clears() {
        return ends() + day.changeOver();
    }

    int table() {
        return place.table();
    }

    Person grader() {
        return grader;
    }

    Person second() {
        return second;
    }

    Person client() {
        return client;
    }

    boolean watchedBy(Person who) {
        return who.somebody() && (who.equals(grader) || who.equals(second));
    }

    boolean needs(String student) {
        return sitting.student().equals(student)
                || client.somebody() && client.id().equals(student);
    }

    boolean sharesStudentWith(Assignment o) {
        return o.needs(sitting.student()) || client.somebody() && o.needs(client.id());
    }

    boolean closed() {
        return !day.open(begins(), sitting.minutes());
    }

    /** How many who are asked are away then. */
    int away() {
        var span = new palmtally.core.timetable.Span(begins(), ends());
        int away = 0;
        if (therapist.away().stream().anyMatch(span::meets)) away++;
        if (client.somebody()
                && day.byStudent().get(client.id()).away().stream().anyMatch(span::meets)) away++;
        for (var g : List.of(grader, second))
            if (g.somebody() && day.byGrader().get(g.id()).away().stream().anyMatch(span::meets)) away++;
        return away;
    }

    /** How much of it is elsewhere than it was. */
    int changed() {
        if (before == null) return 0;
        var now = placed();
        int changed = 0;
        if (now.begins() != before.begins()) changed += 40;
        if (now.table() != before.table()) changed += 10;
        if (!Objects.equals(now.client(), before.client())) changed += 30;
        if (!now.graders().equals(before.graders())) changed += 15;
        return changed;
    }

    /** Fives of minutes since the day began. */
    int lateness() {
        return Math.max(0, begins() - day.hours().from()) / 5;
    }

    int tablesAGrader() {
        return day.tablesAGrader();
    }

    @Override
    public String toString() {
        return id + " " + place;
    }
}

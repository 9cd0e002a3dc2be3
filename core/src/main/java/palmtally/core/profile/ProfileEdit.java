package palmtally.core.profile;

import java.util.Map;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;

/** A profile while it is changed: fields may be set, then {@link #profile()} checks them all. */
final class ProfileEdit {
    String id;
    String name;
    Profile.Ordering order;
    Profile.Dosing dose;
    Profile.Pressing pressure;
    Profile.Draping draping;
    Profile.Mechanics mechanics;
    Profile.Communication communication;
    Profile.Transitions transitions;
    Profile.Marking marking;
    Profile.Growth growth;
    Ways ways;
    Profile.Terms terms;
    Map<ScopeTopic, ScopeTopic.Level> scope;
    Map<Rule, Severity> severities;

    ProfileEdit(Profile p) {
        id = p.id();
        name = p.name();
        order = p.order();
        dose = p.dose();
        pressure = p.pressure();
        draping = p.draping();
        mechanics = p.mechanics();
        communication = p.communication();
        transitions = p.transitions();
        marking = p.marking();
        growth = p.growth();
        ways = p.ways();
        terms = p.terms();
        scope = p.scope();
        severities = p.severities();
    }

    Profile profile() {
        return new Profile(
                id,
                name,
                order,
                dose,
                pressure,
                draping,
                mechanics,
                communication,
                transitions,
                marking,
                growth,
                ways,
                terms,
                scope,
                severities);
    }
}

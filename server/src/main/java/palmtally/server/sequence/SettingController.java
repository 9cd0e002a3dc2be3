package palmtally.server.sequence;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Choices;
import palmtally.core.profile.Numbers;
import palmtally.core.profile.Profile;
import palmtally.core.profile.ZoneSets;
import palmtally.core.sequence.check.Checks;
import palmtally.core.technique.ScopeTopic;
import palmtally.formats.ScoreView.FindingView;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.profile.Profiles;
import palmtally.server.version.Version;

/** What a school decides, who decides otherwise, and what a change would say of a sequence before it is saved. */
@RestController
class SettingController {
    /**
     * @param group under which heading it is found
     * @param chosen id of the option each profile takes, by profile
     */
    record SettingView(
            String id,
            String question,
            String group,
            List<Rule> rules,
            List<Choices.Option> options,
            Map<String, String> chosen) {}

    /**
     * @param always zones that every school has in it
     * @param chosen the zones each profile has in it, by profile
     */
    record ZonesView(
            String id,
            String question,
            String group,
            List<Rule> rules,
            Set<Zone> always,
            Map<String, Set<Zone>> chosen) {}

    record TopicView(ScopeTopic id, String name, String caution, Map<String, ScopeTopic.Level> chosen) {}

    /** @param usual what it is where a school says nothing of its own, by profile; null where each profile holds one */
    record NumberView(
            String id,
            String name,
            String group,
            String unit,
            double least,
            double most,
            boolean whole,
            List<Rule> rules,
            Map<String, Double> chosen,
            @Nullable Map<String, Double> usual) {}

    /** @param ofPlans whether it looks at sequences or terms, not only at practicals */
    record RuleView(Rule id, Criterion criterion, String meaning, boolean ofPlans, Map<String, Severity> chosen) {}

    record SettingsView(
            List<SettingView> settings,
            List<NumberView> numbers,
            List<ZonesView> zones,
            List<TopicView> topics,
            List<RuleView> rules,
            String whoDecides) {}

    /**
     * Changes to a profile; what is not named stays.
     *
     * @param sequence id of the sequence to try them on, or null for none
     */
    record ProfileChanges(
            @Nullable String sequence,
            @Nullable Map<String, String> settings,
            @Nullable Map<String, Double> numbers,
            @Nullable Map<String, Set<Zone>> zones,
            @Nullable Map<ScopeTopic, ScopeTopic.Level> scope,
            @Nullable Map<Rule, Severity> severities) {}

    /** What a sequence would be told that it is not told now, and the other way round. */
    record TryView(List<FindingView> come, List<FindingView> gone) {}

    private final Profiles profiles;
    private final Sequences sequences;

    SettingController(Profiles profiles, Sequences sequences) {
        this.profiles = profiles;
        this.sequences = sequences;
    }

    @Allow(Permission.STAFF)
    @GetMapping("/api/settings")
    SettingsView settings() {
        var all = profiles.all().stream().map(Version::document).toList();
        var ofPlans = Checks.rules();
        return new SettingsView(
                Choices.all().stream()
                        .map(s -> new SettingView(
                                s.id(), s.question(), s.group().label(), s.rules(), s.options(), by(all, s::chosen)))
                        .toList(),
                Numbers.all().stream()
                        .map(t -> new NumberView(
                                t.id(),
                                t.name(),
                                t.group().label(),
                                t.unit(),
                                t.least(),
                                t.most(),
                                t.whole(),
                                t.rules(),
                                by(all, t::value),
                                t.otherwise() == null
                                        ? null
                                        : by(all, p -> t.usual(p).orElseThrow())))
                        .toList(),
                ZoneSets.all().stream()
                        .map(z -> new ZonesView(
                                z.id(), z.question(), z.group().label(), z.rules(), z.always(), by(all, z::chosen)))
                        .toList(),
                Arrays.stream(ScopeTopic.values())
                        .map(t -> new TopicView(t, t.label(), t.caution(), by(all, p -> p.scope(t))))
                        .toList(),
                Rule.all().stream()
                        .map(r -> new RuleView(
                                r,
                                r.criterion(),
                                r.meaning(),
                                ofPlans.contains(r) || r.ofTerm(),
                                by(all, p -> p.severity(r))))
                        .toList(),
                ScopeTopic.WHO_DECIDES);
    }

    private static <T> Map<String, T> by(List<Profile> all, Function<Profile, T> value) {
        var map = new LinkedHashMap<String, T>();
        all.forEach(p -> map.put(p.id(), value.apply(p)));
        return map;
    }

    /** What would change for a sequence, without changing anything. */
    @Allow(Permission.STAFF)
    @PostMapping("/api/profiles/{id}/try")
    TryView tryOut(@PathVariable String id, @RequestBody ProfileChanges changes) {
        if (changes.sequence == null) throw new InvalidValue("changes", new Fault("sequence", "", "is missing"));
        var before = profiles.newest(id).document();
        var sequence = sequences.newest(changes.sequence).document();
        var had = Checks.run(sequence, before).findings();
        var has = Checks.run(sequence, changed(before, changes)).findings();
        return new TryView(without(has, had), without(had, has));
    }

    private static List<FindingView> without(List<Finding> some, List<Finding> others) {
        var known = new HashSet<String>();
        others.forEach(f -> known.add(f.severity() + f.key() + f.sentence()));
        return some.stream()
                .filter(f -> !known.contains(f.severity() + f.key() + f.sentence()))
                .map(FindingView::of)
                .toList();
    }

    /** Saves the changes as a new version of the profile. */
    @Allow(Permission.LEAD)
    @PutMapping("/api/school/profiles/{id}")
    SettingsView save(@Me Caller caller, @PathVariable String id, @RequestBody ProfileChanges changes) {
        profiles.save(changed(profiles.newest(id).document(), changes), caller);
        return settings();
    }

    private static Profile changed(Profile profile, ProfileChanges changes) {
        var result = profile;
        var faults = new ArrayList<Fault>();
        result = each(result, "settings", changes.settings, Choices::find, Choices.Row::choose, faults);
        result = each(result, "numbers", changes.numbers, Numbers::find, Numbers.Row::set, faults);
        result = each(result, "zones", changes.zones, ZoneSets::find, ZoneSets.Row::choose, faults);
        if (!faults.isEmpty()) throw new InvalidValue("changes", faults);
        if (changes.scope != null) {
            var scope = new EnumMap<ScopeTopic, ScopeTopic.Level>(result.scope());
            scope.putAll(changes.scope);
            result = result.withScope(scope);
        }
        if (changes.severities != null) {
            var severities = new TreeMap<Rule, Severity>();
            severities.putAll(result.severities());
            severities.putAll(changes.severities);
            result = result.withSeverities(severities);
        }
        return result;
    }

    /** How a row changes a profile. */
    private interface Change<R, V> {
        Profile of(R row, Profile profile, V to);
    }

    private static <R, V> Profile each(
            Profile profile,
            String kind,
            @Nullable Map<String, V> changes,
            Function<String, Optional<R>> find,
            Change<R, V> change,
            List<Fault> faults) {
        var result = profile;
        if (changes != null)
            for (var e : changes.entrySet()) {
                var row = find.apply(e.getKey());
                if (row.isEmpty()) faults.add(new Fault(kind, e.getKey(), "is none here"));
                else
                    try {
                        result = change.of(row.get(), result, e.getValue());
                    } catch (InvalidValue x) {
                        faults.addAll(x.faults());
                    }
            }
        return result;
    }
}

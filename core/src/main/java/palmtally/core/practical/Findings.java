package palmtally.core.practical;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Finding;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Step;

/** Collects the findings of one criterion at the profile's severities. */
final class Findings {
    private final Profile profile;
    private final List<Finding> all = new ArrayList<>();

    Findings(Profile profile) {
        this.profile = profile;
    }

    void add(
            Rule rule,
            @Nullable Step step,
            @Nullable Zone zone,
            @Nullable Side side,
            long atMs,
            String sentence,
            String remedy,
            List<String> events) {
        add(profile.severity(rule), rule, step, zone, side, atMs, sentence, remedy, events);
    }

    /** At most so much, whatever the profile says of the rule. */
    void atMost(
            Severity most,
            Rule rule,
            @Nullable Step step,
            @Nullable Zone zone,
            @Nullable Side side,
            long atMs,
            String sentence,
            String remedy,
            List<String> events) {
        var severity = profile.severity(rule);
        add(severity.compareTo(most) > 0 ? most : severity, rule, step, zone, side, atMs, sentence, remedy, events);
    }

    /** Harm, or touch without permission: critical whatever the profile says, unless it silences the rule. */
    void critical(
            Rule rule,
            @Nullable Step step,
            @Nullable Zone zone,
            @Nullable Side side,
            long atMs,
            String sentence,
            String remedy,
            List<String> events) {
        if (profile.severity(rule) != Severity.OFF)
            add(Severity.CRITICAL, rule, step, zone, side, atMs, sentence, remedy, events);
    }

    private void add(
            Severity severity,
            Rule rule,
            @Nullable Step step,
            @Nullable Zone zone,
            @Nullable Side side,
            long atMs,
            String sentence,
            String remedy,
            List<String> events) {
        if (severity != Severity.OFF)
            all.add(new Finding(
                    rule,
                    severity,
                    new Where(step == null ? null : step.id(), zone, side, atMs),
                    sentence,
                    remedy,
                    events));
    }

    List<Finding> all() {
        return all;
    }
}

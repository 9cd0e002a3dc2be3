package palmtally.core.sequence;

import static palmtally.core.finding.Spoken.mmss;
import static palmtally.core.finding.Spoken.number;

import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile;
import palmtally.core.technique.Dose;
import palmtally.core.technique.DoseTable;

/** Checks of how much is given, against the dose table (common practice, no source) and the time slot. */
final class DoseChecks {
    /** Below this share of its slot a plan leaves time unused (ours). */
    private static final double UNDER = 0.8;

    private DoseChecks() {}

    static final class Window implements Check {
        @Override
        public Rule rule() {
            return Rule.DOSE_WINDOW;
        }

        @Override
        public void look(Plan plan) {
            for (var step : plan.steps) {
                var row = DoseWindow.row(step);
                if (row.isEmpty()) continue;
                var window = DoseWindow.of(row.get(), plan.profile);
                if (row.get().ofTriggerPoints()
                        && plan.profile.dose().holdEnd() == Profile.HoldEnd.BY_BREATHS
                        && step.dose().kind() != Dose.Kind.BREATHS) {
                    breaths(plan, step);
                    continue;
                }
                double cap = DoseWindow.cap(row.get(), plan.profile);
                if (window.measure(step.dose()) > cap + 1e-9
                        || step.secondSide() != null && window.measure(step.secondSide()) > cap + 1e-9) continue;
                var first = window.clamp(step.dose());
                var second = step.secondSide() == null ? null : window.clamp(step.secondSide());
                if (first.equals(step.dose()) && java.util.Objects.equals(second, step.secondSide())) continue;
                var wrong = first.equals(step.dose()) && step.secondSide() != null ? step.secondSide() : step.dose();
                plan.report(
                        rule(),
                        Where.step(step.id()),
                        plan.number(step) + " gives " + number(window.measure(wrong)) + " s" + window.each()
                                + "; the dose table says " + window.words() + " ("
                                + row.get().advice() + ").",
                        "Bring the dose into the window.",
                        new Mend(
                                "Set to " + number(window.measure(first)) + " s" + window.each(),
                                s -> s.replacing(
                                        step.id(), x -> x.withDose(first).withSecondSide(second))));
            }
        }

        private void breaths(Plan plan, Step step) {
            int count = (int) Math.max(1, Math.min(6, Math.round(step.dose().totalSeconds() / Dose.SECONDS_A_BREATH)));
            plan.report(
                    rule(),
                    Where.step(step.id()),
                    plan.number(step) + " is measured in " + step.dose().kind()
                            + "; this school counts the client's breaths, because they slow the hand down.",
                    "Give the hold in breaths.",
                    new Mend(
                            "Set to " + count + (count == 1 ? " breath" : " breaths"),
                            s -> s.replacing(
                                    step.id(),
                                    x -> x.with(e -> {
                                        e.dose = Dose.breaths(count);
                                        e.secondSide = null;
                                        e.minimumSeconds = null;
                                        e.targetSeconds = null;
                                    }))));
        }
    }

    /** Never over the cap: a bound of safety, where the window is one of habit. */
    static final class Cap implements Check {
        @Override
        public Rule rule() {
            return Rule.DOSE_CAP;
        }

        @Override
        public void look(Plan plan) {
            for (var step : plan.steps) {
                var row = DoseWindow.row(step);
                if (row.isEmpty()) continue;
                var window = DoseWindow.of(row.get(), plan.profile);
                double cap = DoseWindow.cap(row.get(), plan.profile);
                double given = window.measure(step.dose());
                if (step.secondSide() != null) given = Math.max(given, window.measure(step.secondSide()));
                if (given <= cap + 1e-9) continue;
                var first = window.clamp(step.dose());
                var second = step.secondSide() == null ? null : window.clamp(step.secondSide());
                plan.report(
                        rule(),
                        new Where(step.id(), step.zones().get(0), null, null),
                        plan.number(step) + " goes on for " + number(given) + " s" + window.each() + "; never over "
                                + number(cap) + " s" + window.each() + " ("
                                + row.get().advice() + ").",
                        "Stop at the cap; look again another day.",
                        new Mend(
                                "Set to " + number(window.measure(first)) + " s" + window.each(),
                                s -> s.replacing(
                                        step.id(), x -> x.withDose(first).withSecondSide(second))));
            }
        }
    }

    static final class Rate implements Check {
        @Override
        public Rule rule() {
            return Rule.DOSE_RATE;
        }

        @Override
        public void look(Plan plan) {
            for (var step : plan.steps) {
                var row = DoseWindow.row(step).filter(DoseTable.Row::hasRate);
                var rate = step.dose().perSecond();
                if (row.isEmpty() || rate == null) continue;
                double low = plan.profile.dose().rateLow(row.get());
                double high = plan.profile.dose().rateHigh(row.get());
                if (rate >= low && rate <= high) continue;
                double to = Math.min(Math.max(rate, low), high);
                plan.report(
                        rule(),
                        Where.step(step.id()),
                        plan.number(step) + " runs at " + number(rate) + " cycles a second; "
                                + number(low) + " to "
                                + number(high) + " keep the tissue under the finger.",
                        "Keep to the rate of the dose table.",
                        new Mend(
                                "Set to " + number(to) + " a second",
                                s -> s.replacing(step.id(), x -> x.withDose(atRate(x.dose(), to)))));
            }
        }

        /** The same time at another rate, so that the mend of the rate does not break the window. */
        private static Dose atRate(Dose dose, double rate) {
            return Dose.cycles((int) Math.max(1, Math.floor(dose.totalSeconds() * rate + 1e-9)), rate);
        }
    }

    static final class Slot implements Check {
        @Override
        public Rule rule() {
            return Rule.DOSE_SLOT;
        }

        @Override
        public void look(Plan plan) {
            double total = plan.timeline.totalSeconds();
            double slot = plan.sequence.slotSeconds();
            if (total > slot + 1e-9)
                plan.report(
                        rule(),
                        Where.EVERYWHERE,
                        "The plan takes " + mmss(total) + " of " + mmss(slot) + ": " + mmss(total - slot)
                                + " too long, and what runs over is dropped on the second side.",
                        "Shorten or drop what matters least, or take a longer slot.",
                        null);
            else if (total < UNDER * slot) {
                var severity = plan.profile.severity(rule());
                plan.report(
                        rule(),
                        severity.compareTo(Severity.HINT) > 0 ? Severity.HINT : severity,
                        Where.EVERYWHERE,
                        "The plan takes " + mmss(total) + " of " + mmss(slot) + ": " + mmss(slot - total)
                                + " are left.",
                        "Give the treating steps more, or take a shorter slot.",
                        null);
            }
        }
    }
}

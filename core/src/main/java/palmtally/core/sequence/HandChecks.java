package palmtally.core.sequence;

import static palmtally.core.finding.Spoken.number;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import palmtally.core.body.Position;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.profile.Ways;
import palmtally.core.sequence.Timeline.Span;
import palmtally.core.technique.Tool;

/** Checks of what a plan does to the therapist's own hands and back (common practice, no source). */
final class HandChecks {
    private HandChecks() {}

    private static List<Span> handsOn(Plan plan) {
        return plan.timeline.spans().stream()
                .filter(s -> s.stint().step().depth() > 0
                        && !s.stint().step().library().stroke().passiveModality())
                .toList();
    }

    private static Mend swap(Plan plan, Set<String> ids, Tool to) {
        var names = plan.steps.stream()
                .filter(s -> ids.contains(s.id()))
                .map(s -> plan.number(s).toLowerCase(Locale.ROOT))
                .collect(Collectors.joining(", "));
        return new Mend("Use " + to.label() + " in " + names, s -> {
            var result = s;
            for (var id : ids) result = result.replacing(id, x -> x.with(e -> e.tool = to));
            return result;
        });
    }

    static final class Bare implements Check {
        @Override
        public Rule rule() {
            return Rule.HAND_BARE;
        }

        @Override
        public void look(Plan plan) {
            double row = 0;
            double worst = 0;
            double bare = 0;
            double all = 0;
            var inRow = new LinkedHashSet<String>();
            var worstRow = new LinkedHashSet<String>();
            var every = new LinkedHashSet<String>();
            for (var span : handsOn(plan)) {
                all += span.seconds();
                var step = span.stint().step();
                if (step.tool() == Tool.BARE_THUMB) {
                    row += span.seconds();
                    bare += span.seconds();
                    inRow.add(step.id());
                    every.add(step.id());
                    if (row > worst) {
                        worst = row;
                        worstRow = new LinkedHashSet<>(inRow);
                    }
                } else {
                    row = 0;
                    inRow.clear();
                }
            }
            var m = plan.profile.mechanics();
            if (worst > m.bareThumbRowSeconds() + 1e-9)
                plan.report(
                        rule(),
                        Where.step(worstRow.iterator().next()),
                        "The bare thumb works " + number(worst) + " s in a row; after "
                                + number(m.bareThumbRowSeconds()) + " s its joint pays for it.",
                        "Support the thumb, or swap to fist or forearm.",
                        swap(plan, worstRow, Tool.SUPPORTED_THUMB));
            else if (all > 0 && bare / all > m.bareThumbShare() + 1e-9)
                plan.report(
                        rule(),
                        Where.step(every.iterator().next()),
                        "The bare thumb does " + Math.round(100 * bare / all) + " % of the work; "
                                + Math.round(100 * m.bareThumbShare())
                                + " % is the most this school allows, because thumbs are what gives out first.",
                        "Support the thumb, or swap to fist or forearm.",
                        swap(plan, every, Tool.SUPPORTED_THUMB));
        }
    }

    static final class Load implements Check {
        @Override
        public Rule rule() {
            return Rule.HAND_LOAD;
        }

        @Override
        public void look(Plan plan) {
            double pointed = 0;
            double all = 0;
            var seconds = new LinkedHashMap<String, Double>();
            for (var span : handsOn(plan)) {
                all += span.seconds();
                if (!span.stint().step().tool().pointed()) continue;
                pointed += span.seconds();
                seconds.merge(span.stint().step().id(), span.seconds(), Double::sum);
            }
            double share = plan.profile.mechanics().pointedShare();
            if (all == 0 || pointed / all <= share + 1e-9) return;
            var swapped = new LinkedHashSet<String>();
            double left = pointed;
            var byLength = new ArrayList<>(seconds.entrySet());
            byLength.sort(java.util.Map.Entry.<String, Double>comparingByValue(Comparator.reverseOrder()));
            for (var e : byLength) {
                if (left / all <= share + 1e-9) break;
                swapped.add(e.getKey());
                left -= e.getValue();
            }
            plan.report(
                    rule(),
                    Where.step(byLength.get(0).getKey()),
                    "Thumbs and elbow point do " + Math.round(100 * pointed / all) + " % of the work; above "
                            + Math.round(100 * share) + " % a day of it wears the hands out.",
                    "Swap some of it to reinforced fingers, fist or forearm.",
                    swap(plan, swapped, Tool.REINFORCED_FINGERS));
        }
    }

    static final class Reach implements Check {
        @Override
        public Rule rule() {
            return Rule.REACH;
        }

        @Override
        public void look(Plan plan) {
            for (var step : plan.steps)
                if (step.tool().pointed() && step.stands() == Stands.ACROSS)
                    plan.report(
                            rule(),
                            Where.step(step.id()),
                            plan.number(step) + " brings the " + step.tool().label()
                                    + " in from across the table: the weight hangs on the arm and the back twists.",
                            "Walk round and work from the same side.",
                            new Mend(
                                    "Stand on the same side",
                                    s -> s.replacing(step.id(), x -> x.with(e -> e.stands = Stands.SAME_SIDE))));
        }
    }

    static final class Table implements Check {
        @Override
        public Rule rule() {
            return Rule.TABLE;
        }

        @Override
        public void look(Plan plan) {
            if (plan.profile.ways().onTable() == Ways.OnTable.NOT)
                for (var step : plan.steps)
                    if (step.stance() == Stance.ON_TABLE)
                        plan.report(
                                rule(),
                                Where.step(step.id()),
                                plan.number(step)
                                        + " is done sitting or kneeling on the table; this school keeps the therapist's feet on the floor.",
                                "Stand in horse stance, or sit on a stool.",
                                new Mend(
                                        "Stand in horse stance",
                                        s -> s.replacing(step.id(), x -> x.with(e -> e.stance = Stance.HORSE))));
            var table = plan.sequence.table();
            if (table == null || table == TableHeight.MIDDLE) return;
            var deep = plan.steps.stream().filter(s -> s.depth() >= plan.firm()).findFirst();
            var side = plan.steps.stream()
                    .filter(s -> s.position() == Position.SIDE_LEFT || s.position() == Position.SIDE_RIGHT)
                    .findFirst();
            var wrong = table == TableHeight.HIGH ? deep : side;
            if (wrong.isEmpty()) return;
            boolean conflict = deep.isPresent() && side.isPresent();
            var to = conflict ? TableHeight.MIDDLE : table == TableHeight.HIGH ? TableHeight.LOW : TableHeight.HIGH;
            plan.report(
                    rule(),
                    Where.step(wrong.get().id()),
                    plan.number(wrong.get())
                            + (table == TableHeight.HIGH
                                    ? " goes deep on a high table: the shoulders push where the weight should sink."
                                    : " works a side-lying client on a low table: the back bends to reach the top."),
                    "Set the table to suit the deepest work, or the side-lying client.",
                    new Mend("Set the table " + to, s -> s.onTable(to)));
        }
    }
}

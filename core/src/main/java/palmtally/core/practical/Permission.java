package palmtally.core.practical;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Spoken;
import palmtally.core.practical.event.Consent;
import palmtally.core.practical.event.ReviewAnswer.Said;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Stint;
import palmtally.core.sequence.check.ConsentBefore;
import palmtally.core.sequence.check.ConsentScope;

/**
 * Permission to touch sensitive zones. A yes covers the zones it was asked for, on skin or through the sheet as asked, until it is
 * withdrawn; asked for skin it covers the sheet too. Asked anew, the old yes stands until the answer, at most twenty seconds. A no
 * binds its zones and its scope alone; hip rotators go with the gluteals. Touch after a no or a withdrawal is critical; touch without
 * a yes is a question to the grader, and critical where permission was not asked. Touch that nobody watched is not judged.
 */
final class Permission {
    /** So long a hand may need to leave after a no, ms (ours). */
    private static final long LEAVING_MS = 2_000;
    /** So long a yes stands while it is asked for anew, ms. */
    private static final long ASKING_MS = 20_000;

    private static final String REMEDY =
            "Ask first: which zone, skin or through the sheet; a no or a change of mind is always fine.";

    private final Run run;
    private final Findings findings;
    private final Map<Zone, List<Run.Moment<Consent>>> heard = new HashMap<>();
    private final Map<String, List<Standing>> standings = new HashMap<>();
    private final Map<String, Question> questions = new LinkedHashMap<>();
    private final Set<String> reported = new HashSet<>();

    private Permission(Run run, Findings findings) {
        this.run = run;
        this.findings = findings;
        var touches = run.contacts().stream()
                .sorted(Comparator.comparingLong(Run.Touch::start))
                .toList();
        var on = new ArrayList<Run.Touch>();
        int next = 0;
        for (var moment : run.all(Consent.class)) {
            while (next < touches.size() && touches.get(next).start() <= moment.atMs()) on.add(touches.get(next++));
            on.removeIf(t -> t.end() <= moment.atMs());
            for (var zone : zones(moment, on))
                heard.computeIfAbsent(zone, z -> new ArrayList<>()).add(moment);
        }
    }

    /**
     * How things stand at a moment, for who asks ahead.
     *
     * @param word the last answer that stands, on skin or through the sheet as it was asked; or null
     * @param given whether it lets the hands work there as it is planned
     */
    record Given(Consent.@Nullable Answer word, boolean given) {}

    /** Whether permission to work on a zone has to be asked as a step plans it. */
    static boolean needed(Profile profile, Step step, Zone zone) {
        return profile.draping().sensitive().contains(zone)
                && !step.settles()
                && step.depth() > 0
                && step.sheet() != Sheet.COVERED;
    }

    static Given given(Run run, Zone zone, boolean skin, long at) {
        var all = new Permission(run, new Findings(run.practical().profile())).standings(zone, skin);
        var now = all.get(at(all, at));
        return new Given(now.answer == null ? null : now.answer.of().answer(), now.given(at));
    }

    /** Adds what is critical, and returns what only the grader can say. */
    static List<Question> judge(Run run, Findings findings) {
        var permission = new Permission(run, findings);
        var sensitive = run.practical().profile().draping().sensitive();
        for (var c : run.contacts())
            if (sensitive.contains(c.zone())
                    && c.end() > c.start()
                    && (c.seen() || c.step() == null || !c.step().settles())
                    && !(c.depth() != null && c.depth() == 0)
                    && (c.sheet() != Sheet.COVERED || c.seen())
                    && run.attended().length(c.start(), c.end()) > 0) permission.judge(c);
        return List.copyOf(permission.questions.values());
    }

    /**
     * Which zones a word of permission is about; where it names none, those of what is on and of the step that comes next.
     *
     * @param on what is touched at that moment
     */
    private Set<Zone> zones(Run.Moment<Consent> moment, List<Run.Touch> on) {
        var zones = EnumSet.noneOf(Zone.class);
        var named = moment.of().zone();
        if (named != null) zones.add(named);
        else {
            for (var t : on) zones.add(t.zone());
            run.next(moment.atMs()).ifPresent(d -> zones.addAll(d.step().zones()));
        }
        if (zones.contains(Zone.GLUTEALS)) zones.add(Zone.HIP_ROTATORS);
        return zones;
    }

    /**
     * How things stand with one zone from one word on, on skin or through the sheet.
     *
     * @param answer what was answered last, or null
     * @param askedAt since when it is asked anew, or −1
     */
    private record Standing(long from, Run.@Nullable Moment<Consent> answer, long askedAt) {
        static final Standing NOTHING = new Standing(0, null, -1);

        Standing after(Run.Moment<Consent> moment, boolean skin) {
            var said = moment.of();
            boolean mine = said.sheet() == null || skin == (said.sheet() == Sheet.OPEN);
            // Who may work on skin may work through the sheet.
            if (!mine && (skin || said.answer() != Consent.Answer.YES)) return this;
            return said.answer() == Consent.Answer.ASKED
                    ? new Standing(moment.atMs(), answer, askedAt < 0 ? moment.atMs() : askedAt)
                    : new Standing(moment.atMs(), moment, -1);
        }

        boolean refused() {
            return answer != null && answer.of().answer() != Consent.Answer.YES;
        }

        boolean given(long at) {
            return answer != null && !refused() && at < lapses();
        }

        /** When a yes that stands now ends because what was asked anew had no answer; or never. */
        long lapses() {
            return answer == null || refused() || askedAt < 0 ? Long.MAX_VALUE : askedAt + ASKING_MS;
        }
    }

    /** How things stood with a zone, word by word. */
    private List<Standing> standings(Zone zone, boolean skin) {
        return standings.computeIfAbsent(zone + (skin ? " skin" : ""), k -> {
            var all = new ArrayList<>(List.of(Standing.NOTHING));
            for (var word : heard.getOrDefault(zone, List.of()))
                all.add(all.get(all.size() - 1).after(word, skin));
            return all;
        });
    }

    /** Place of how things stood at a moment. */
    private static int at(List<Standing> all, long ms) {
        return Math.max(0, Sorted.first(all, s -> s.from > ms) - 1);
    }

    /** Walks the moments at which something changes while the hands are there. */
    private void judge(Run.Touch c) {
        var all = standings(c.zone(), c.sheet() == Sheet.OPEN);
        int i = at(all, c.start());
        long from = c.start();
        Run.@Nullable Moment<Consent> broken = null;
        while (from < c.end()) {
            var now = all.get(i);
            long until = Math.min(c.end(), i + 1 < all.size() ? all.get(i + 1).from : Long.MAX_VALUE);
            if (now.lapses() > from) until = Math.min(until, now.lapses());
            if (now.refused()) {
                if (broken == null) broken = now.answer;
                refused(c, Objects.requireNonNull(broken), until);
            } else {
                broken = null;
                if (!now.given(from) && run.attended().length(from, until) > 0) unknown(c, from, now);
            }
            from = until;
            while (i + 1 < all.size() && all.get(i + 1).from <= from) i++;
        }
    }

    private void refused(Run.Touch c, Run.Moment<Consent> no, long until) {
        boolean before = no.atMs() <= c.start();
        long leaving = before ? 0 : LEAVING_MS;
        if (run.attended().length(Math.max(c.start(), no.atMs()), until) <= leaving) return;
        var zone = c.zone().label();
        boolean withdrawn = no.of().answer() == Consent.Answer.WITHDRAWN;
        if (before && !withdrawn)
            critical(
                    c,
                    ConsentBefore.RULE,
                    c.start(),
                    zone + ": touched at " + Spoken.mmss(c.start() / 1000.0) + " after a no.",
                    no.id());
        else if (before)
            critical(
                    c,
                    ConsentScope.RULE,
                    c.start(),
                    zone + ": touched again at " + Spoken.mmss(c.start() / 1000.0) + " after permission was withdrawn.",
                    no.id());
        else
            critical(
                    c,
                    ConsentScope.RULE,
                    no.atMs(),
                    "Work on " + zone.toLowerCase(Locale.ROOT) + " went on after "
                            + (withdrawn ? "permission was withdrawn" : "a no") + " at "
                            + Spoken.mmss(no.atMs() / 1000.0) + ".",
                    no.id());
    }

    /** Nobody heard a yes: only the grader can say whether that is because none was asked for. */
    private void unknown(Run.Touch c, long at, Standing now) {
        boolean skin = c.sheet() == Sheet.OPEN;
        var key = "permission/" + c.zone() + (skin ? "" : "/through");
        var said = run.reviewed(key).orElse(null);
        if (questions.containsKey(key) || said != null && said != Said.NOT_ASKED) return;
        boolean through = skin && throughTheSheet(c.zone(), at);
        var where = c.zone().label() + ": touched at " + Spoken.mmss(at / 1000.0)
                + (skin ? " on skin" : " through the sheet");
        if (said == Said.NOT_ASKED) {
            critical(
                    c,
                    now.answer != null || through ? ConsentScope.RULE : ConsentBefore.RULE,
                    at,
                    where + ", and permission was not asked.",
                    null);
            return;
        }
        var why = now.answer != null
                ? ", twenty seconds after it was asked anew, and no answer was heard"
                : through ? ", and the permission heard was through the sheet" : ", and no permission was heard";
        questions.put(
                key,
                new Question(
                        key,
                        Criterion.DRAPING,
                        where + why + ".",
                        c.step() == null ? null : c.step().id(),
                        c.side(),
                        at,
                        List.of(Said.ASKED, Said.NOT_ASKED, Said.CANNOT_SAY)));
    }

    private boolean throughTheSheet(Zone zone, long at) {
        var all = standings(zone, false);
        return all.get(at(all, at)).given(at);
    }

    /** Once for a zone and side. */
    private void critical(Run.Touch c, Rule rule, long at, String sentence, @Nullable String word) {
        if (!reported.add(rule + " " + c.zone() + " " + c.side())) return;
        var events = new TreeSet<String>();
        events.add(c.event());
        if (word != null) events.add(word);
        findings.critical(
                rule,
                c.step(),
                c.zone(),
                Stint.halves(c.zone(), c.side()).size() == 1 ? c.side() : null,
                at,
                sentence,
                REMEDY,
                List.copyOf(events));
    }
}

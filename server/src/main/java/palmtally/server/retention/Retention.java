package palmtally.server.retention;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.retention.KeptFor;
import palmtally.server.audit.Audit;
import palmtally.server.people.Caller;
import palmtally.server.people.Retained;
import palmtally.server.problem.Refusal;
import palmtally.server.retention.RetentionMapper.KindMonths;
import palmtally.server.retention.RetentionMapper.NoticeRow;

/** Works off what is kept too long: shows it for a week, then removes it; what somebody holds back stays until they let it go. */
@Service
class Retention {
    private static final Logger log = LoggerFactory.getLogger(Retention.class);
    /** Of one kind at a time; the rest comes the next time. */
    private static final int MOST = 500;

    private static final int MOST_WORDS = 400;

    /** @param months or null for ever */
    record RetentionRule(
            String kind, String words, @Nullable Integer months) {}

    /** @param goesOn the day on which it goes, or null while somebody holds it back */
    record Going(
            String kind,
            String item,
            String name,
            LocalDate since,
            @Nullable LocalDate goesOn,
            @Nullable String heldBy,
            @Nullable String heldWhy) {}

    record RetentionView(List<RetentionRule> rules, List<Going> going, int noticeDays) {}

    private final RetentionMapper rows;
    private final Map<String, Retained> kinds;
    private final Audit audit;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Retention(RetentionMapper rows, List<Retained> kinds, Audit audit, TransactionTemplate transaction, Clock clock) {
        this.rows = rows;
        this.kinds = new TreeMap<>(kinds.stream().collect(Collectors.toMap(Retained::kind, k -> k)));
        this.audit = audit;
        this.transaction = transaction;
        this.clock = clock;
    }

    private Map<String, KeptFor> rules() {
        return rows.rules().stream().collect(Collectors.toMap(KindMonths::kind, r -> new KeptFor(r.months())));
    }

    RetentionView view() {
        var rules = rules();
        return new RetentionView(
                kinds.values().stream()
                        .map(k -> new RetentionRule(
                                k.kind(),
                                k.words(),
                                rules.getOrDefault(k.kind(), KeptFor.EVER).months()))
                        .toList(),
                rows.notices().stream()
                        .map(n -> new Going(
                                n.kind(),
                                n.item(),
                                n.name(),
                                n.since(),
                                n.heldBy() != null
                                        ? null
                                        : rules.getOrDefault(n.kind(), KeptFor.EVER)
                                                .goes(n.since(), n.shownOn()),
                                n.heldBy(),
                                n.heldWhy()))
                        .toList(),
                KeptFor.NOTICE_DAYS);
    }

    /**
     * Says how long what is kept, and shows at once what will go by it.
     *
     * @param months by kind; null for ever
     * @throws InvalidValue naming each kind that is none and each time that is none; nothing is changed then
     */
    RetentionView set(Caller lead, Map<String, @Nullable Integer> months) {
        var faults = new ArrayList<Fault>();
        months.forEach((kind, value) -> {
            if (!kinds.containsKey(kind)) faults.add(new Fault(kind, "", "is nothing that is kept"));
            else
                try {
                    new KeptFor(value);
                } catch (InvalidValue e) {
                    e.faults().forEach(f -> faults.add(new Fault(kind, f.value(), f.reason())));
                }
        });
        if (!faults.isEmpty()) throw new InvalidValue("retention", faults);
        transaction.executeWithoutResult(t -> months.forEach((kind, value) -> {
            if (value == null) rows.keepForEver(kind);
            else rows.keepFor(kind, value, lead.id(), clock.instant());
        }));
        workOff();
        return view();
    }

    /** Holds one back from going, with the reason; it stays until it is let go. */
    RetentionView hold(Caller lead, String kind, String item, @Nullable String why) {
        var said = why == null ? "" : why.strip();
        if (said.isEmpty() || said.length() > MOST_WORDS)
            throw new InvalidValue(
                    "retention",
                    new Fault(
                            "why",
                            said.isEmpty() ? "" : said.length() + " characters",
                            "must be 1 to " + MOST_WORDS + " characters"));
        var notice = notice(kind, item);
        rows.hold(kind, item, lead.id(), said, notice.shownOn());
        return view();
    }

    /** Lets one go that was held back: it is shown for a week again. */
    RetentionView letGo(String kind, String item) {
        notice(kind, item);
        rows.hold(kind, item, null, null, LocalDate.now(clock));
        workOff();
        return view();
    }

    private NoticeRow notice(String kind, String item) {
        return rows.notice(kind, item).orElseThrow(() -> Refusal.notFound("record that will go"));
    }

    @Scheduled(initialDelay = 5, fixedDelay = 360, timeUnit = TimeUnit.MINUTES)
    void workOff() {
        workOff(LocalDate.now(clock));
    }

    /** What is over by that day is shown or, where it was shown for a week, removed: each by itself, so that one that cannot go holds up no other. */
    void workOff(LocalDate today) {
        transaction.executeWithoutResult(t -> show(today));
        var rules = rules();
        Map<String, Integer> gone = new HashMap<>();
        for (var n : rows.notices()) {
            var goes = rules.getOrDefault(n.kind(), KeptFor.EVER).goes(n.since(), n.shownOn());
            if (n.heldBy() != null || goes == null || goes.isAfter(today)) continue;
            try {
                transaction.executeWithoutResult(t -> {
                    kinds.get(n.kind()).remove(n.item());
                    rows.forget(n.kind(), n.item());
                });
                gone.merge(n.kind(), 1, Integer::sum);
            } catch (RuntimeException e) {
                log.warn("of {} one could not be let go", n.kind(), e);
            }
        }
        // What went is not named: it is gone.
        gone.forEach((kind, n) -> audit.byItself("let go what was kept long enough", n + " of " + kind));
    }

    /** Notices as the rules of today want them: new ones, and none for what is kept after all. */
    private void show(LocalDate today) {
        rows.lock();
        var rules = rules();
        var due = new HashSet<String>();
        kinds.forEach((kind, of) -> {
            var day = rules.getOrDefault(kind, KeptFor.EVER).shownSince(today);
            if (day == null) return;
            for (var item : of.countingFrom(day, MOST)) {
                due.add(kind + "/" + item.id());
                rows.show(kind, item.id(), item.name(), item.since(), today);
            }
        });
        for (var n : rows.notices())
            if (!due.contains(n.kind() + "/" + n.item()) && n.heldBy() == null) rows.forget(n.kind(), n.item());
    }
}

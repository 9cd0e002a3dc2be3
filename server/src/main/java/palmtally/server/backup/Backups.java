package palmtally.server.backup;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.temporal.IsoFields;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import java.util.concurrent.locks.ReentrantLock;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import palmtally.formats.Json;
import palmtally.server.problem.Refusal;

/** The school's dumps: one a day by itself, each proven by restoring it, seven days and four weeks kept. */
@Service
class Backups {
    /**
     * A dump that is there.
     *
     * @param provenAt when it was restored beside the school and held the same rows
     */
    record KeptDump(String file, long bytes, Instant provenAt, String words) {}

    /**
     * @param folder where they are, or null where this server keeps none
     * @param failed what went wrong at the last try, or null
     */
    record BackupsView(
            @Nullable String folder,
            List<KeptDump> kept,
            @Nullable String failed) {}

    private static final Logger log = LoggerFactory.getLogger(Backups.class);
    private static final DateTimeFormatter STAMP =
            DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss").withZone(ZoneOffset.UTC);
    private static final int DAYS = 7;
    private static final int WEEKS = 4;

    private final @Nullable Path folder;
    private final Dumps dumps;
    private final Clock clock;
    private final ReentrantLock one = new ReentrantLock();
    private final AtomicReference<@Nullable String> failed = new AtomicReference<>();

    Backups(@Value("${palm.backups}") String folder, Dumps dumps, Clock clock) {
        this.folder = folder.isBlank() ? null : Path.of(folder);
        try {
            // There from the start: what is asked of its disk is asked of a folder that is there.
            if (this.folder != null) Files.createDirectories(this.folder);
        } catch (IOException e) {
            log.error("no backups can be kept in {}: {}", folder, e.getMessage());
        }
        this.dumps = dumps;
        this.clock = clock;
    }

    BackupsView view() {
        return new BackupsView(folder == null ? null : folder.toString(), kept(), failed.get());
    }

    /** @throws Refusal 409 where this server keeps none or makes one at this moment, 503 where it could not be made */
    BackupsView now() {
        if (folder == null)
            throw Refusal.conflict("no-folder", "This server has no folder for its dumps: set PALM_BACKUPS.");
        if (!one.tryLock()) throw Refusal.conflict("at-work", "One is made at this moment.");
        try {
            make(folder);
        } catch (Dumps.Failed e) {
            throw Refusal.busy(e.getMessage());
        } finally {
            one.unlock();
        }
        return view();
    }

    @Scheduled(initialDelay = 10, fixedDelay = 60, timeUnit = TimeUnit.MINUTES)
    void daily() {
        if (folder == null || !one.tryLock()) return;
        try {
            var last = kept().stream().map(KeptDump::provenAt).max(Comparator.naturalOrder());
            if (last.isPresent() && last.get().isAfter(clock.instant().minus(Duration.ofHours(23)))) return;
            make(folder);
        } catch (Dumps.Failed e) {
            log.error("the daily dump was not made: {}", e.getMessage());
        } finally {
            one.unlock();
        }
    }

    private void make(Path into) {
        try {
            var at = clock.instant();
            var file = into.resolve("school-" + STAMP.format(at) + ".dump");
            var there = dumps.dump(file);
            var said = Json.MAPPER.writeValueAsString(
                    new KeptDump(file.getFileName().toString(), Files.size(file), at, there.words()));
            var note = note(file);
            Files.deleteIfExists(note);
            Files.createFile(note, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
            Files.writeString(note, said);
            failed.set(null);
            log.info("kept {} in {}", there.words(), file);
            thinOut(into);
        } catch (Dumps.Failed e) {
            failed.set(e.getMessage());
            throw e;
        } catch (IOException e) {
            failed.set(e.getMessage());
            throw new Dumps.Failed("The dump could not be kept: " + e.getMessage(), e);
        }
    }

    private static Path note(Path dump) {
        return dump.resolveSibling(dump.getFileName().toString().replaceFirst("\\.dump$", ".json"));
    }

    /** The newest first. */
    private List<KeptDump> kept() {
        if (folder == null || !Files.isDirectory(folder)) return List.of();
        var kept = new ArrayList<KeptDump>();
        try (var files = Files.list(folder)) {
            for (var file : files.filter(f -> f.getFileName().toString().matches("school-\\d{8}-\\d{6}\\.json"))
                    .toList()) kept.add(Json.MAPPER.readValue(Files.readString(file), KeptDump.class));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        kept.sort(Comparator.comparing(KeptDump::provenAt).reversed());
        return kept;
    }

    /** Keeps the newest of each of the last seven days and of the last four weeks; what somebody else put there is left alone. */
    private void thinOut(Path into) throws IOException {
        var days = new HashSet<LocalDate>();
        var weeks = new HashSet<Integer>();
        for (var k : kept()) {
            var day = LocalDate.ofInstant(k.provenAt, clock.getZone());
            int week = day.get(IsoFields.WEEK_BASED_YEAR) * 100 + day.get(IsoFields.WEEK_OF_WEEK_BASED_YEAR);
            boolean ofDay = days.size() < DAYS && days.add(day);
            boolean ofWeek = weeks.size() < WEEKS && weeks.add(week);
            if (ofDay || ofWeek) continue;
            var dump = into.resolve(k.file);
            Files.deleteIfExists(dump);
            Files.deleteIfExists(note(dump));
        }
    }
}

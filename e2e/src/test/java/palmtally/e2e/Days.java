package palmtally.e2e;

import static org.junit.platform.engine.discovery.ClassNameFilter.excludeClassNamePatterns;
import static org.junit.platform.engine.discovery.ClassNameFilter.includeClassNamePatterns;
import static org.junit.platform.engine.discovery.DiscoverySelectors.selectClass;
import static org.junit.platform.engine.discovery.DiscoverySelectors.selectPackage;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.ClassOrderer;
import org.junit.platform.launcher.core.LauncherDiscoveryRequestBuilder;
import org.junit.platform.launcher.core.LauncherFactory;
import org.junit.platform.launcher.listeners.SummaryGeneratingListener;
import org.junit.platform.launcher.listeners.TestExecutionSummary;

/**
 * Tests on other days: seven week days × four times of day × five weeks of the term, in the time zone of this process. Each moment has an
 * app and a database of its own and runs the server tests that meet a clock, and one class of browser tests in turn. {@code palm days}
 * starts it with a clock, for the app, the browser and the database alike, that follows a file.
 *
 * <p>Arguments: the file of the clock, the file of the moments that were green, how many moments to try, then {@code server} to leave the
 * browser out.
 */
final class Days {
    private static final LocalDate MONDAY = LocalDate.of(2026, 11, 30);

    private static final List<LocalTime> TIMES =
            List.of(LocalTime.of(0, 10), LocalTime.of(9, 30), LocalTime.of(19, 30), LocalTime.of(23, 50));
    private static final List<Integer> WEEKS = List.of(1, 9, 10, 11, 15);

    /** The clock is nothing to these. */
    private static final String TIMELESS =
            ".*\\.(DoorTest|AccessTest|DumpsTest|DumpFirstTest|ArchitectureTest|OpenApiTest|SessionsTest|WholeBodyTest|SequenceTest"
                    + "|TechniqueTest|DraftTest|SettingTest|OnlookerTest|EventLogTest|EventLogHealthTest|HandsetTest|ClassScreenTest|TapCostTest)";

    private static final int SEEN_AFTER_MS = 1500;

    /** While the clock is the true one. */
    private static final ZonedDateTime START = ZonedDateTime.now();

    private static final long START_NANOS = System.nanoTime();

    private static final List<Class<?>> BROWSER = List.of(
            TermTest.class,
            ReviewTest.class,
            TrackTest.class,
            LabTest.class,
            ObservationsTest.class,
            JourneyTest.class,
            EditorTest.class,
            FloorTest.class,
            ShowTest.class);

    private record Moment(DayOfWeek day, LocalTime time, int week) {
        ZonedDateTime in(ZoneId zone) {
            return MONDAY.plusDays(day.ordinal()).atTime(time).atZone(zone);
        }

        String name(ZoneId zone) {
            return day + " " + time + " week " + week + " " + zone;
        }
    }

    private Days() {}

    public static void main(String[] args) throws IOException, InterruptedException {
        var clock = Path.of(args[0]);
        var green = Path.of(args[1]);
        int many = Integer.parseInt(args[2]);
        boolean browser = args.length < 4 || !args[3].equals("server");
        var zone = ZoneId.systemDefault();
        var tried = Files.exists(green) ? Files.readAllLines(green) : List.<String>of();
        int bad = 0;
        int n = 0;
        for (var moment : moments()) {
            var name = moment.name(zone);
            if (tried.contains(name)) continue;
            if (n == many) break;
            set(clock, moment.in(zone));
            // The demo school's term began so many days ago.
            System.setProperty("palm.demo-day", Integer.toString((moment.week - 1) * 7 + 3));
            var summary = run(browser ? BROWSER.get(n % BROWSER.size()) : null);
            n++;
            System.out.printf(
                    "%s: %d tests, %d red, %d s%n",
                    name,
                    summary.getTestsFoundCount() - summary.getTestsSkippedCount(),
                    summary.getTotalFailureCount(),
                    (summary.getTimeFinished() - summary.getTimeStarted()) / 1000);
            if (summary.getTotalFailureCount() == 0) {
                Files.writeString(green, name + "\n", StandardOpenOption.CREATE, StandardOpenOption.APPEND);
                continue;
            }
            bad++;
            for (var failure : summary.getFailures()) {
                System.out.println("  " + failure.getTestIdentifier().getUniqueId());
                failure.getException().printStackTrace(System.out);
            }
        }
        System.out.printf("%d moments tried in %s, %d red%n", n, zone, bad);
        System.exit(bad == 0 ? 0 : 1);
    }

    /** All of them, in an order that tries what is far apart first; the same at every call. */
    private static List<Moment> moments() {
        var all = new ArrayList<Moment>();
        for (var week : WEEKS)
            for (var time : TIMES) for (var day : DayOfWeek.values()) all.add(new Moment(day, time, week));
        Collections.shuffle(all, new Random(7));
        return all;
    }

    /** Says how far the clock is to be from the true one, and waits until it is: each process looks at the file about once a second. */
    private static void set(Path clock, ZonedDateTime at) throws IOException, InterruptedException {
        var now = START.plusNanos(System.nanoTime() - START_NANOS);
        Files.writeString(clock, "%+ds%n".formatted(Duration.between(now, at).toSeconds()));
        for (int i = 0; Duration.between(ZonedDateTime.now(), at).abs().toSeconds() > 10; i++) {
            if (i == 200)
                throw new IllegalStateException("the clock says " + ZonedDateTime.now() + ", it should be " + at);
            Thread.sleep(100);
        }
        Thread.sleep(SEEN_AFTER_MS);
    }

    private static TestExecutionSummary run(Class<?> browser) {
        var request = LauncherDiscoveryRequestBuilder.request()
                .selectors(selectPackage("palmtally.server"))
                .filters(includeClassNamePatterns(".*Test"), excludeClassNamePatterns(TIMELESS))
                // As the build does.
                .configurationParameter(
                        "junit.jupiter.testclass.order.default", ClassOrderer.ClassName.class.getName());
        if (browser != null) request.selectors(selectClass(browser));
        var listener = new SummaryGeneratingListener();
        try (var session = LauncherFactory.openSession()) {
            session.getLauncher().execute(request.build(), listener);
        }
        return listener.getSummary();
    }
}

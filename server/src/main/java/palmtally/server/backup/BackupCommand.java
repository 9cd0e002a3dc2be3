package palmtally.server.backup;

import ch.qos.logback.classic.Level;
import java.nio.file.Path;
import java.time.Clock;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** {@code backup FILE}, {@code restore FILE}, {@code export DIR}, {@code import DIR} and {@code undo} without a running server; says what it did. */
public final class BackupCommand {
    private BackupCommand() {}

    public static void main(String[] words) {
        System.exit(run(words, Clock.systemUTC()));
    }

    private static void quiet() {
        if (LoggerFactory.getLogger(Logger.ROOT_LOGGER_NAME) instanceof ch.qos.logback.classic.Logger all)
            all.setLevel(Level.WARN);
    }

    static int run(String[] words, Clock clock) {
        quiet();
        var env = System.getenv();
        var dumps = new Dumps(
                env.getOrDefault("DB_URL", ""),
                env.getOrDefault("DB_USER", ""),
                env.getOrDefault("DB_PASSWORD", ""),
                Path.of(env.getOrDefault("PALM_PG_BIN", "")));
        try {
            switch (words.length == 0 ? "" : words[0]) {
                case "backup" ->
                    System.out.println("kept " + dumps.dump(Path.of(words[1])).words() + "\n" + words[1]);
                case "restore" ->
                    System.out.println("restored "
                            + dumps.restore(Path.of(words[1]), clock.instant()).words()
                            + "\nThe school that was there before is kept: ./palm restore --undo goes back to it.");
                case "undo" ->
                    System.out.println(
                            "gone back to " + dumps.undo(clock.instant()).words());
                case "export" ->
                    System.out.println("exported "
                            + dumps.export(Path.of(words[1]), clock.instant(), System.err::println)
                                    .words()
                            + "\n" + words[1]);
                case "import" ->
                    System.out.println("imported "
                            + dumps.take(
                                            Path.of(words[1]),
                                            words.length > 2 && words[2].equals("--edited"),
                                            clock.instant(),
                                            System.err::println)
                                    .words()
                            + "\nThe school that was there before is kept: ./palm restore --undo goes back to it.");
                default -> {
                    System.err.println("backup FILE, restore FILE, export DIR, import DIR [--edited] or undo");
                    return 2;
                }
            }
            return 0;
        } catch (Dumps.Failed e) {
            System.err.println("palm: " + e.getMessage());
            return 5;
        }
    }
}

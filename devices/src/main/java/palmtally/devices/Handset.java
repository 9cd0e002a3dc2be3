package palmtally.devices;

import java.io.IOException;
import java.io.PrintStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Arrays;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A simulated handset: joins a practical by its code and plays a client, until the practical is over. It speaks the same two
 * addresses as the page a phone opens: {@code GET /api/handsets/CODE} and {@code POST /api/handsets/CODE/reports}.
 */
public final class Handset {
    private static final String USAGE = """
            handset ADDRESS CODE [steady|tender|ticklish|silent] [--seed N] [--speed N]
              ADDRESS  where the school answers, such as http://localhost:8080
              CODE     what the table shows under Handset
              --seed   another run of the same client; 1 unless it is said
              --speed  so many times as fast; 1 unless it is said""";
    /** Longest practical, seconds. */
    private static final double LONGEST = 12 * 3600;

    private final URI base;
    private final HttpClient client = HttpClient.newHttpClient();
    private int seq;

    Handset(String address, String code) {
        base = URI.create(address + "/api/handsets/" + code);
    }

    /** Whether the practical goes on. */
    boolean on() throws IOException, InterruptedException {
        return send(HttpRequest.newBuilder(base).build()) == 204;
    }

    /** Says one thing. @return whether the practical goes on */
    boolean say(Client.Said said) throws IOException, InterruptedException {
        seq++;
        var what = said.number() != null ? "\"number\":" + said.number() : "\"word\":\"" + said.word() + "\"";
        var body = "{\"id\":\"" + UUID.randomUUID() + "\",\"seq\":" + seq + "," + what + "}";
        var request = HttpRequest.newBuilder(URI.create(base + "/reports"))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build();
        return send(request) == 204;
    }

    private int send(HttpRequest request) throws IOException, InterruptedException {
        return client.send(request, HttpResponse.BodyHandlers.discarding()).statusCode();
    }

    /** @return exit code: 0 when the practical is over, 2 for words that cannot be meant, 3 where nobody answers */
    public static int run(String[] args, PrintStream out) throws InterruptedException {
        long seed = 1;
        double speed = 1;
        var words = new java.util.ArrayList<String>();
        try {
            for (int i = 0; i < args.length; i++)
                switch (args[i]) {
                    case "--seed" -> seed = Long.parseLong(args[++i]);
                    case "--speed" -> speed = Double.parseDouble(args[++i]);
                    default -> words.add(args[i]);
                }
        } catch (NumberFormatException | ArrayIndexOutOfBoundsException e) {
            out.println(USAGE);
            return 2;
        }
        var who = words.size() < 2 || words.size() > 3 ? null : client(words.size() == 3 ? words.get(2) : "steady");
        if (who == null || !(speed > 0)) {
            out.println(USAGE);
            return 2;
        }
        try {
            var handset = new Handset(words.get(0), words.get(1));
            if (!handset.on()) {
                out.println("There is no practical with the code " + words.get(1) + ", or it is over.");
                return 0;
            }
            out.println("A client, " + who + ", lies on the table.");
            for (var said : who.over(LONGEST, seed)) {
                Thread.sleep(Math.round(1000 * said.after() / speed));
                if (!handset.say(said)) break;
                out.println("says " + (said.number() != null ? said.number() : said.word()));
            }
            out.println("It is over.");
            return 0;
        } catch (IOException | IllegalArgumentException e) {
            out.println(
                    "Nobody answers at " + words.get(0) + ". Start the school first, and give the address it prints.");
            return 3;
        }
    }

    private static @Nullable Client client(String name) {
        return Arrays.stream(Client.values())
                .filter(c -> c.toString().equals(name))
                .findFirst()
                .orElse(null);
    }

    public static void main(String[] args) throws InterruptedException {
        System.exit(run(args, System.out));
    }
}

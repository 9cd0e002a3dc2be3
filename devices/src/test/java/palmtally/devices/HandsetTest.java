package palmtally.devices;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class HandsetTest {
    private HttpServer school;
    private final List<String> heard = new CopyOnWriteArrayList<>();
    private int left = 3;

    /** A school that lets the handset say three things and is over then. */
    @BeforeEach
    void open() throws IOException {
        school = HttpServer.create(new InetSocketAddress("127.0.0.1", 0), 0);
        school.createContext("/api/handsets/q7xk/reports", e -> {
            heard.add(new String(e.getRequestBody().readAllBytes(), StandardCharsets.UTF_8));
            e.sendResponseHeaders(left-- > 0 ? 204 : 404, -1);
            e.close();
        });
        school.createContext("/api/handsets/q7xk", e -> {
            e.sendResponseHeaders(204, -1);
            e.close();
        });
        school.start();
    }

    @AfterEach
    void close() {
        school.stop(0);
    }

    private String address() {
        return "http://127.0.0.1:" + school.getAddress().getPort();
    }

    private record Ran(int code, String out) {}

    private static Ran run(String... args) throws InterruptedException {
        var out = new ByteArrayOutputStream();
        int code = Handset.run(args, new PrintStream(out, true, StandardCharsets.UTF_8));
        return new Ran(code, out.toString(StandardCharsets.UTF_8));
    }

    @Test
    void plays_along_until_the_practical_is_over() throws Exception {
        var ran = run(address(), "q7xk", "tender", "--speed", "100000");
        assertThat(ran.code).isZero();
        assertThat(ran.out).startsWith("A client, tender, lies on the table.").contains("It is over.");
        assertThat(heard)
                .hasSize(4)
                .allMatch(s -> s.matches("\\{\"id\":\"[0-9a-f-]{36}\",\"seq\":\\d+,"
                        + "(\"number\":\\d+|\"word\":\"(too-much|stop)\")}"));
        assertThat(heard.get(3)).contains("\"seq\":4,");
    }

    @Test
    void says_what_is_wrong_with_its_words_and_where_nobody_answers() throws Exception {
        assertThat(run().code).isEqualTo(2);
        assertThat(run(address(), "q7xk", "loud").code).isEqualTo(2);
        assertThat(run(address(), "q7xk", "--speed", "fast").code).isEqualTo(2);
        assertThat(run(address(), "none").out).contains("no practical with the code none");
        assertThat(run("http://127.0.0.1:1", "q7xk")).satisfies(r -> {
            assertThat(r.code).isEqualTo(3);
            assertThat(r.out).contains("Nobody answers at http://127.0.0.1:1");
        });
    }

    @ParameterizedTest
    @EnumSource(Client.class)
    void a_client_says_the_same_for_the_same_seed_and_nothing_but_0_to_10_or_a_word(Client client) {
        var said = client.over(3600, 7);
        assertThat(said).isNotEmpty().isEqualTo(client.over(3600, 7)).isNotEqualTo(client.over(3600, 8));
        for (var s : said) {
            assertThat((s.number() == null) == (s.word() == null)).isFalse();
            if (s.number() != null) assertThat(s.number()).isBetween(0, 10);
            assertThat(s.after()).isPositive();
        }
    }
}

package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.microsoft.playwright.options.AriaRole;
import java.net.ConnectException;
import java.net.Socket;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import palmtally.server.App;
import palmtally.server.Visitor;

/** The school on an address of its own, over https with a certificate made here: what phones and the projector's computer meet. */
@ExtendWith(App.class)
class LanTest {
    private static final String ADDRESS = "127.0.0.2";

    @TempDir
    private Path folder;

    /** As the start command makes it. */
    private Map<String, Object> certificate() throws Exception {
        var store = folder.resolve("lan.p12").toString();
        var made = new ProcessBuilder(List.of(
                        Path.of(System.getProperty("java.home"), "bin", "keytool")
                                .toString(),
                        "-genkeypair",
                        "-alias",
                        "palm",
                        "-keyalg",
                        "EC",
                        "-groupname",
                        "secp256r1",
                        "-storetype",
                        "PKCS12",
                        "-keystore",
                        store,
                        "-storepass",
                        "only-for-this-test",
                        "-dname",
                        "CN=Palm Tally at " + ADDRESS,
                        "-ext",
                        "san=ip:" + ADDRESS))
                .inheritIO()
                .start();
        assertThat(made.waitFor()).isZero();
        return Map.of(
                "server.address",
                ADDRESS,
                "server.ssl.key-store",
                store,
                "server.ssl.key-store-type",
                "PKCS12",
                "server.ssl.key-store-password",
                "only-for-this-test");
    }

    @Test
    void a_phone_joins_over_https_and_what_is_private_still_asks_for_a_sign_in(App.Running app) throws Exception {
        var teacher = Visitor.as(app.url(), "nadia");
        var shown = teacher.post("/api/sequences/calves/demonstrations", "{}").json();
        var lan = App.start(app.database(), false, certificate());
        try (var browser = new Browser()) {
            var url = "https://" + ADDRESS + ":" + lan.port();
            var phone = browser.trusting().newPage();
            browser.watching(phone, "lan", () -> {
                phone.navigate(url + "/class/" + shown.get("screen").asString());
                assertThat(phone.getByRole(AriaRole.HEADING)).hasText("Agree and settle");
                teacher.post(
                        "/api/demonstrations/" + shown.get("id").asString() + "/marks",
                        "{\"id\":\"a\",\"what\":\"started\",\"index\":2,\"atSeconds\":1}");
                assertThat(phone.getByRole(AriaRole.HEADING)).hasText("Knead the hamstrings");
                // What a browser grants to a secure page only.
                assertThat(phone.evaluate("() => isSecureContext && !!navigator.wakeLock && !!navigator.serviceWorker"))
                        .isEqualTo(true);
                assertThat(phone.evaluate("async () => (await fetch('/api/people')).status"))
                        .isEqualTo(401);
                assertThat(phone.evaluate(
                                "async id => (await fetch('/api/demonstrations/' + id)).status",
                                shown.get("id").asString()))
                        .isEqualTo(401);
                Browser.signIn(phone, url, "olle");
                var session = phone.context().cookies().stream()
                        .filter(c -> c.name.equals("SESSION"))
                        .findFirst()
                        .orElseThrow();
                assertThat(session.secure).isTrue();
                assertThat(session.httpOnly).isTrue();
            });
            // Nowhere but where it was told to be.
            assertThatThrownBy(() -> new Socket("127.0.0.1", lan.port())).isInstanceOf(ConnectException.class);
        } finally {
            lan.context().close();
        }
    }
}

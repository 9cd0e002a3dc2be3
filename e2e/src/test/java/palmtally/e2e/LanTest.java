package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.microsoft.playwright.Page;
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
    private static final String PASSWORD = "only-for-this-test";

    @TempDir
    private Path folder;

    private void run(String... words) throws Exception {
        var made = new ProcessBuilder(words).redirectErrorStream(true).start();
        var said = new String(made.getInputStream().readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
        assertThat(made.waitFor()).as(said).isZero();
    }

    private void keytool(String... words) throws Exception {
        var all = new java.util.ArrayList<String>();
        all.add(Path.of(System.getProperty("java.home"), "bin", "keytool").toString());
        all.addAll(List.of(words));
        all.addAll(List.of("-storetype", "PKCS12", "-storepass", PASSWORD));
        run(all.toArray(String[]::new));
    }

    private String in(String name) {
        return folder.resolve(name).toString();
    }

    /** As the start command makes it: signed by an authority of the school's own. */
    private Map<String, Object> certificate() throws Exception {
        keytool(
                "-genkeypair",
                "-alias",
                "authority",
                "-keyalg",
                "EC",
                "-groupname",
                "secp256r1",
                "-validity",
                "3650",
                "-keystore",
                in("authority.p12"),
                "-dname",
                "CN=Palm Tally of this school",
                "-ext",
                "bc:critical=ca:true,pathlen:0",
                "-ext",
                "ku:critical=keyCertSign,cRLSign");
        keytool(
                "-exportcert",
                "-rfc",
                "-alias",
                "authority",
                "-keystore",
                in("authority.p12"),
                "-file",
                in("authority.crt"));
        keytool(
                "-genkeypair",
                "-alias",
                "palm",
                "-keyalg",
                "EC",
                "-groupname",
                "secp256r1",
                "-validity",
                "365",
                "-keystore",
                in("lan.p12"),
                "-dname",
                "CN=Palm Tally at " + ADDRESS);
        keytool("-certreq", "-alias", "palm", "-keystore", in("lan.p12"), "-file", in("csr"));
        keytool(
                "-gencert",
                "-rfc",
                "-alias",
                "authority",
                "-keystore",
                in("authority.p12"),
                "-infile",
                in("csr"),
                "-outfile",
                in("crt"),
                "-validity",
                "365",
                "-ext",
                "san=ip:" + ADDRESS,
                "-ext",
                "eku=serverAuth",
                "-ext",
                "ku:critical=digitalSignature");
        keytool(
                "-importcert",
                "-noprompt",
                "-alias",
                "authority",
                "-keystore",
                in("lan.p12"),
                "-file",
                in("authority.crt"));
        keytool("-importcert", "-noprompt", "-alias", "palm", "-keystore", in("lan.p12"), "-file", in("crt"));
        return Map.of(
                "server.address",
                ADDRESS,
                "server.ssl.key-store",
                in("lan.p12"),
                "server.ssl.key-store-type",
                "PKCS12",
                "server.ssl.key-store-password",
                PASSWORD,
                "server.ssl.key-alias",
                "palm",
                "palm.authority",
                in("authority.crt"));
    }

    @Test
    void a_phone_on_which_the_authority_is_installed_goes_on_grading_with_the_network_down(App.Running app)
            throws Exception {
        var lan = App.start(app.database(), false, certificate());
        var url = "https://" + ADDRESS + ":" + lan.port();
        try {
            // One that clicked through: the screen says that it cannot work offline, and where the mend is.
            try (var browser = new Browser()) {
                var phone = browser.trusting().newPage();
                browser.watching(phone, "lan-untrusted", () -> {
                    Browser.signIn(phone, url, "olle");
                    phone.navigate(url + "/grade");
                    assertThat(phone.getByText("its browser does not know the school’s certificate"))
                            .isVisible();
                    phone.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Install it once"))
                            .click();
                    assertThat(phone.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Get the file")))
                            .hasAttribute("href", "/authority.crt");
                    // Also once the page has asked whether there is one.
                    assertThat(phone.evaluate(
                                    "async () => (await (await fetch('/authority.crt')).text()).slice(0, 27)"))
                            .isEqualTo("-----BEGIN CERTIFICATE-----");
                    phone.waitForTimeout(500);
                    assertThat(phone.getByText("has no signer of its own")).hasCount(0);
                    var rules = new ScreenRules(phone);
                    rules.atEverySize("install");
                    assertThat(rules.faults()).isEmpty();
                });
            }
            // Installed as a person would: into the store that the browser of this machine reads.
            var home = folder.resolve("home");
            var store = home.resolve(".pki/nssdb");
            java.nio.file.Files.createDirectories(store);
            run("certutil", "-N", "-d", "sql:" + store, "--empty-password");
            var asked = Visitor.at(app.url()).get("/authority.crt");
            assertThat(asked.status()).isEqualTo(404);
            run("certutil", "-A", "-d", "sql:" + store, "-n", "school", "-t", "C,,", "-i", in("authority.crt"));
            try (var browser = new Browser(Map.of("HOME", home.toString()))) {
                var context = browser.window(false);
                var phone = context.newPage();
                browser.watching(phone, "lan-trusted", () -> {
                    Browser.signIn(phone, url, "nadia");
                    var teacher = Visitor.as(app.url(), "nadia");
                    var id = teacher.practical("Lena Brook", "calves");
                    phone.navigate(url + "/floor");
                    phone.evaluate("() => navigator.serviceWorker.ready.then(() => true)");
                    // Heard once more with the worker at work, so that it is kept.
                    phone.reload();
                    assertThat(phone.getByText("Lena Brook").first()).isVisible();
                    phone.waitForTimeout(1000);
                    assertThat(phone.getByText("cannot open the app with the network down"))
                            .hasCount(0);
                    context.setOffline(true);
                    phone.reload();
                    assertThat(phone.getByText("Lena Brook").first()).isVisible();
                    phone.navigate(url + "/grade/" + id);
                    phone.getByText("Lena Brook").first().waitFor();
                    var before = app.database().count("select count(*) from event where practical_id = '" + id + "'");
                    phone.keyboard().press("s");
                    phone.keyboard().press("j");
                    assertThat(phone.getByText("not stored yet").first()).isVisible();
                    context.setOffline(false);
                    phone.waitForCondition(
                            () -> app.database().count("select count(*) from event where practical_id = '" + id + "'")
                                    > before);
                });
            }
        } finally {
            lan.context().close();
        }
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

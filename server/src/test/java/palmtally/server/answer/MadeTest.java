package palmtally.server.answer;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MadeTest {
    /** What was stored is not answered with an error because its address has a sign in it that addresses write otherwise. */
    @ParameterizedTest
    @CsvSource({
        "/api/profiles/by-seconds/file, /api/profiles/by-seconds/file",
        "/api/profiles/by-s econds/file, /api/profiles/by-s%20econds/file",
        "/api/profiles/a%b<c>/file, /api/profiles/a%25b%3Cc%3E/file"
    })
    void says_where_it_is_in_signs_that_an_address_has(String path, String address) {
        var made = Made.at(path, "it");
        assertThat(made.getStatusCode().value()).isEqualTo(201);
        assertThat(String.valueOf(made.getHeaders().getLocation())).isEqualTo(address);
    }
}

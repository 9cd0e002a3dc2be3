package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.formats.Json;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.node.ObjectNode;

/** The document that the web's types are made from says what the server does. {@code ./palm types} writes it anew. */
@ExtendWith(App.class)
class OpenApiTest {
    private static final Path FILE = Path.of("..", "docs", "openapi.json");

    @Test
    void the_document_in_docs_is_the_servers_own(App.Running app) throws IOException {
        var document = (ObjectNode)
                Visitor.as(app.url(), "nadia").get("/api/openapi.json").json();
        document.remove("servers");
        var sorted = Json.MAPPER
                .rebuild()
                .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
                .build();
        var tree = sorted.treeToValue(document, java.util.TreeMap.class);
        var text = sorted.writerWithDefaultPrettyPrinter().writeValueAsString(tree) + "\n";
        if (System.getenv("PALM_WRITE_OPENAPI") != null) Files.writeString(FILE, text);
        assertThat(Json.MAPPER.readTree(Files.readString(FILE)))
                .as("docs/openapi.json is stale: run ./palm types")
                .isEqualTo(document);
    }
}

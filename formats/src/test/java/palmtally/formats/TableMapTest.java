package palmtally.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;
import palmtally.core.picture.Build;
import palmtally.core.picture.StructureMap;
import palmtally.core.picture.TableMap;

/** The body that the app carries along, so that it is there without a network, is that of core. {@code PALM_WRITE_SCHEMAS=1} writes it anew. */
class TableMapTest {
    private static final Path PARTS = Path.of("..", "web", "src", "parts");

    @ParameterizedTest
    @CsvSource({"MIDDLE,tableMaps.json", "HEAVY,tableMapsHeavy.json"})
    void the_body_that_ships_with_the_app_is_that_of_core(Build build, String name) throws Exception {
        var shipped = PARTS.resolve(name);
        var text = Json.MAPPER.writeValueAsString(TableMap.all(build)) + "\n";
        if (System.getenv("PALM_WRITE_SCHEMAS") != null) Files.writeString(shipped, text);
        assertThat(Files.readString(shipped)).isEqualTo(text);
        var maps = Json.MAPPER.readTree(text);
        assertThat(maps).hasSize(5);
        assertThat(maps.get(0).get("position").asString()).isEqualTo("prone");
        assertThat(maps.get(0).get("zones").size())
                .isEqualTo(Arrays.stream(Zone.values())
                        .mapToInt(z -> z.paired() ? 2 : 1)
                        .sum());
        assertThat(maps.get(0).get("zones").get(0).get("behind").asBoolean()).isTrue();
        assertThat(text.length()).isLessThan(100_000);
    }

    /** Read when a table's figure is first looked at closely. */
    @Test
    void the_structures_that_ship_with_the_app_are_those_of_core() throws Exception {
        var shipped = PARTS.resolve("structureMaps.json");
        var text = Json.MAPPER.writeValueAsString(StructureMap.all(Build.MIDDLE)) + "\n";
        if (System.getenv("PALM_WRITE_SCHEMAS") != null) Files.writeString(shipped, text);
        assertThat(Files.readString(shipped)).isEqualTo(text);
        assertThat(text.length()).isLessThan(100_000);
        var named = new TreeSet<String>();
        for (var map : Json.MAPPER.readTree(text))
            for (var line : map.get("lines")) named.add(line.get("structure").asString());
        assertThat(named.size()).as("structures that can be touched").isGreaterThan(Structure.values().length * 9 / 10);
    }
}

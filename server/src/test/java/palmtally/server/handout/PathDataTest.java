package palmtally.server.handout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.apache.batik.parser.AWTPathProducer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.core.picture.Shape;
import palmtally.core.picture.StepPicture;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Timeline;
import palmtally.formats.Documents;

/** The paths of pictures are SVG: read by a library of that standard (Apache Batik 1.17) they are what is drawn on paper. */
class PathDataTest {
    private static List<double[]> segments(java.awt.Shape shape) {
        var all = new ArrayList<double[]>();
        for (var i = shape.getPathIterator(null); !i.isDone(); i.next()) {
            double[] at = new double[7];
            at[6] = i.currentSegment(at);
            if (at[6] == PathIterator.SEG_CLOSE) java.util.Arrays.fill(at, 0, 6, 0);
            all.add(at);
        }
        return all;
    }

    private static java.awt.Shape byBatik(String path) {
        try {
            return AWTPathProducer.createShape(new StringReader(path), PathIterator.WIND_NON_ZERO);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"calves", "feet", "forearms", "hip", "jaw", "neck", "shoulders", "side-neck"})
    void every_path_of_every_step_is_read_as_a_library_of_svg_reads_it(String name) throws Exception {
        String text;
        try (var in = PathDataTest.class.getResourceAsStream("/demo/sequences/" + name + ".json")) {
            text = new String(java.util.Objects.requireNonNull(in).readAllBytes(), StandardCharsets.UTF_8);
        }
        var sequence = Documents.readSequence(text);
        int read = 0;
        for (var span : Timeline.of(sequence, Profile.bySeconds()).spans()) {
            var picture = StepPicture.of(span);
            var paths = Stream.of(
                            picture.shapes().stream(),
                            picture.table().stream(),
                            picture.hands().stream().flatMap(h -> h.shapes().stream()))
                    .flatMap(s -> s)
                    .map(Shape::path)
                    .toList();
            for (var path : paths) {
                var theirs = segments(byBatik(path));
                var ours = segments(PathData.path(path));
                assertThat(ours).hasSameSizeAs(theirs);
                for (int i = 0; i < ours.size(); i++)
                    for (int j = 0; j < 7; j++) assertThat(ours.get(i)[j]).isCloseTo(theirs.get(i)[j], within(.001));
                read++;
            }
        }
        assertThat(read).isGreaterThan(500);
    }

    @Test
    void of_a_path_the_parts_that_touch_a_frame_are_kept() {
        var path = PathData.path("M1,1C2,1 2,2 1,2Z M20,0L30,0 M-5,3L15,3 M0,11L9,11");

        var kept = PathData.within(path, new Rectangle2D.Double(0, 0, 10, 10));

        var expected = segments(PathData.path("M1,1C2,1 2,2 1,2Z M-5,3L15,3"));
        assertThat(segments(kept)).usingRecursiveComparison().isEqualTo(expected);
    }

    @Test
    void what_pictures_do_not_have_is_refused() {
        assertThatThrownBy(() -> PathData.path("M0,0A1,1 0 0 0 2,2"))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("command A");
    }
}

package palmtally.server.handout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;

import org.junit.jupiter.api.Test;
import org.mockito.ArgumentCaptor;

class WarmPdfRendererTest {
    @Test
    void prints_a_handout_of_usual_length_in_each_density() {
        var renderer = mock(PdfRenderer.class);

        new WarmPdfRenderer(renderer).print();

        var printed = ArgumentCaptor.forClass(Document.class);
        verify(renderer, times(Density.values().length)).print(printed.capture(), eq(Paper.A4));
        for (var document : printed.getAllValues())
            assertThat(document.drawings()).hasSizeGreaterThan(20);
    }
}

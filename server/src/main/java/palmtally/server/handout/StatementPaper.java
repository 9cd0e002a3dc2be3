package palmtally.server.handout;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.text.Bidi;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdfwriter.compress.CompressParameters;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import palmtally.core.finding.Criterion;
import palmtally.core.statement.Letter;
import palmtally.core.statement.Statement;

/** A statement of results on paper. */
@Component
public class StatementPaper {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.UK);

    private final PdfRenderer renderer;
    private final Head head;

    StatementPaper(PdfRenderer renderer, Head head) {
        this.renderer = renderer;
        this.head = head;
    }

    /**
     * Initials under something.
     *
     * @param drawing name of the drawing, or null where they are typed
     */
    record MarkView(@Nullable String drawing, String typed, String text) {
        static final MarkView NONE = new MarkView(null, "", "–");
    }

    /** What is seen of a region at once: a cell a criterion, in their order; empty where that was seen another day. */
    record CompetencyRow(String region, List<String> cells, String seenOn, String grader, MarkView mark) {}

    record ResultView(String on, String sequence, String mean, String result, String grader, MarkView mark) {}

    record SignedView(String name, MarkView mark) {}

    record ParagraphView(List<String> lines, boolean rightToLeft) {}

    record StatedHours(String kind, String hours, String asked) {}

    /**
     * @param code the check code that stands on it
     * @param drawn the lines of initials that were drawn
     * @param size of the paper, a4 or letter
     */
    public byte[] print(Statement s, String code, Map<Statement.Signed, List<List<Double>>> drawn, String size) {
        var document = new Document("statement", s.about().title(), "What " + s.school() + " states of " + s.student());
        var rows = new ArrayList<CompetencyRow>();
        var regions = new LinkedHashMap<String, List<Statement.CompetencyLine>>();
        for (var c : s.competencies())
            regions.computeIfAbsent(c.region(), k -> new ArrayList<>()).add(c);
        regions.forEach((region, lines) -> rows.addAll(rows(document, region, lines, drawn)));
        var pdf = renderer.print(
                document.with("s", s)
                        .with("head", head.of(s.school()))
                        .with("paragraphs", s.text() == null ? List.of() : paragraphs(s.text()))
                        .with("code", code)
                        .with("on", day(s.on()))
                        .with(
                                "criteria",
                                Arrays.stream(Criterion.values())
                                        .map(Criterion::label)
                                        .toList())
                        .with("rows", rows)
                        .with(
                                "results",
                                s.results().stream()
                                        .map(r -> new ResultView(
                                                day(r.on()),
                                                r.sequence(),
                                                whole(r.mean()),
                                                r.result(),
                                                r.grader(),
                                                mark(document, r.signed(), drawn)))
                                        .toList())
                        .with(
                                "hours",
                                s.hours().stream()
                                        .map(h -> new StatedHours(
                                                h.kind(), tenth(h.hours()), h.asked() == 0 ? "–" : tenth(h.asked())))
                                        .toList())
                        .with(
                                "signed",
                                s.signed().stream()
                                        .map(g -> new SignedView(g.name(), mark(document, g, drawn)))
                                        .toList()),
                Paper.of(size));
        return bearing(code, pdf);
    }

    /** Characters that would not stand on paper, each once, at most ten. */
    public static List<String> unprintable(String text) {
        return PdfRenderer.unprintable(text).stream().limit(10).toList();
    }

    /** A paragraph of a letter runs as its first letter does. */
    private static List<ParagraphView> paragraphs(String text) {
        return Letter.paragraphs(text).stream()
                .map(lines -> new ParagraphView(
                        lines,
                        !new Bidi(String.join(" ", lines), Bidi.DIRECTION_DEFAULT_LEFT_TO_RIGHT).baseIsLeftToRight()))
                .toList();
    }

    /** The same with its code among the keywords, where it is found without reading the pages. */
    private static byte[] bearing(String code, byte[] pdf) {
        try (var document = Loader.loadPDF(pdf)) {
            document.getDocumentInformation().setKeywords(code);
            var out = new ByteArrayOutputStream();
            document.save(out, CompressParameters.NO_COMPRESSION);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Lines of a region that were seen the same day, by the same grader and signed alike, are one row. */
    private static List<CompetencyRow> rows(
            Document document,
            String region,
            List<Statement.CompetencyLine> lines,
            Map<Statement.Signed, List<List<Double>>> drawn) {
        record Seen(@Nullable LocalDate on, @Nullable String grader, Statement.@Nullable Signed signed) {}
        var together = new LinkedHashMap<Seen, Map<String, String>>();
        for (var l : lines)
            together.computeIfAbsent(new Seen(l.seenOn(), l.grader(), l.signed()), k -> new HashMap<>())
                    .put(l.criterion(), l.state() + " " + whole(l.level()));
        var rows = new ArrayList<CompetencyRow>();
        together.forEach((seen, cells) -> rows.add(new CompetencyRow(
                rows.isEmpty() ? region : "",
                Arrays.stream(Criterion.values())
                        .map(c -> cells.getOrDefault(c.label(), ""))
                        .toList(),
                day(seen.on),
                seen.grader == null ? "–" : seen.grader,
                mark(document, seen.signed, drawn))));
        return rows;
    }

    private static MarkView mark(
            Document document, Statement.@Nullable Signed signed, Map<Statement.Signed, List<List<Double>>> drawn) {
        if (signed == null) return MarkView.NONE;
        var lines = drawn.get(signed);
        return new MarkView(
                lines == null ? null : document.draws(new InitialsDrawing(lines)),
                signed.initials(),
                (lines == null ? signed.initials() + " " : "") + day(signed.on()));
    }

    private static String whole(@Nullable Integer value) {
        return value == null ? "–" : value.toString();
    }

    private static String tenth(double value) {
        return BigDecimal.valueOf(value).setScale(1, RoundingMode.HALF_UP).toPlainString();
    }

    private static String day(@Nullable LocalDate day) {
        return day == null ? "–" : DAY.format(day);
    }
}

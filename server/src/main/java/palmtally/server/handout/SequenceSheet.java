package palmtally.server.handout;

import static palmtally.server.handout.Press.escape;

import java.util.Base64;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import palmtally.core.body.Zone;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Saying;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Timeline;
import palmtally.core.sequence.check.Checks;
import palmtally.core.sequence.detail.DetailField;
import palmtally.core.technique.ScopeTopic;

/** A sequence for students: the strip, the steps, what to mind, and room for notes. Every grey also differs by place or letter. */
final class SequenceSheet {
    private static final double NAME = 26;

    private final Sequence sequence;
    private final Profile profile;
    private final Timeline timeline;
    private final Paper paper;
    private final Function<String, Optional<byte[]>> pictures;

    /** @param pictures the JPEG of a picture by its id */
    SequenceSheet(Sequence sequence, Profile profile, Paper paper, Function<String, Optional<byte[]>> pictures) {
        this.sequence = sequence;
        this.profile = profile;
        this.timeline = Timeline.of(sequence, profile);
        this.paper = paper;
        this.pictures = pictures;
    }

    String html(String school, int version) {
        return "<h1>" + escape(sequence.name()) + "</h1><p class=\"soft\">" + escape(school) + " · "
                + escape(sequence.region().label()) + " · version " + version + " · " + clock(timeline.totalSeconds())
                + " for a client, both sides · slot " + clock(sequence.slotSeconds()) + "</p>"
                + (sequence.forWhom().isEmpty()
                        ? ""
                        : "<p>For: "
                                + escape(sequence.forWhom().stream()
                                        .map(w -> w.label())
                                        .collect(Collectors.joining(", ")))
                                + "</p>")
                + (sequence.note().isBlank() ? "" : "<p>" + escape(sequence.note()) + "</p>")
                + stops() + strip() + steps() + cautions() + notes();
    }

    /** A sequence that is not to be shown as it is says so on paper too. */
    private String stops() {
        var stops = Checks.run(sequence, profile).findings().stream()
                .filter(f -> f.severity() == Severity.STOP)
                .toList();
        if (stops.isEmpty()) return "";
        var out = new StringBuilder("<div class=\"box\"><p><b>Not to be shown as it is.</b></p>");
        stops.forEach(f -> out.append("<p>")
                .append(escape(f.sentence()))
                .append(" ")
                .append(escape(f.remedy()))
                .append("</p>"));
        return out.append("</div>").toString();
    }

    static String clock(double seconds) {
        long s = Math.round(seconds);
        return s / 60 + ":" + String.format(Locale.ROOT, "%02d", s % 60);
    }

    // ---- the strip: time from left to right, one lane a criterion -------------------------------------------------

    private record Lane(String name, double top, double height) {}

    private static final Lane PRESSURE = new Lane("P Pressure", 0, 11);
    private static final Lane ORDER = new Lane("O Order", 11, 7);
    private static final Lane MECHANICS = new Lane("M Mechanics", 18, 5);
    private static final Lane COMMUNICATION = new Lane("C Communication", 23, 5);
    private static final Lane DRAPING = new Lane("D Draping", 28, 5);
    private static final double HEIGHT = 33;

    private String strip() {
        var out = new StringBuilder("<div class=\"strip\" style=\"height:" + HEIGHT + "mm\">");
        for (var lane : List.of(PRESSURE, ORDER, MECHANICS, COMMUNICATION, DRAPING)) {
            box(out, "lane", 0, lane.top, paper.inner(), lane.height - 0.1, "");
            box(out, "name", 1, lane.top + 0.8, NAME - 2, lane.height - 1, lane.name);
        }
        var steps = sequence.steps();
        for (var span : timeline.spans()) {
            var step = span.stint().step();
            double x = x(span.start());
            double width = Math.max(0.4, x(span.end()) - x - 0.25);
            if (step.depth() > 0) {
                double tall = (PRESSURE.height - 1.5) * step.depth() / 5;
                box(out, "press", x, PRESSURE.top + PRESSURE.height - 0.5 - tall, width, tall, "");
            }
            box(
                    out,
                    "work",
                    x,
                    ORDER.top + 0.6,
                    width,
                    ORDER.height - 1.6,
                    width > 3 ? "" + (steps.indexOf(step) + 1) : "");
            box(
                    out,
                    step.tool().pointed() ? "press" : "open",
                    x,
                    MECHANICS.top + (step.tool().pointed() ? 0.6 : 2.4),
                    width,
                    step.tool().pointed() ? 3.4 : 1.6,
                    "");
            for (var saying : step.say())
                box(
                        out,
                        "say",
                        x(Math.min(span.start() + saying.atSeconds(), span.end())),
                        COMMUNICATION.top + 0.8,
                        0.7,
                        COMMUNICATION.height - 1.6,
                        "");
            if (!span.open().isEmpty())
                box(
                        out,
                        "open",
                        x(span.begin()),
                        DRAPING.top + 0.8,
                        Math.max(0.4, x(span.end()) - x(span.begin())),
                        3.2,
                        "");
        }
        out.append(
                "</div><p class=\"small soft\">Pressure: height is depth, 0 to 5. Order: number of the step. Mechanics: tall and dark is a"
                        + " pointed tool. Communication: a mark where something is said. Draping: where the sheet is open. Second side after the first.</p>");
        return out.toString();
    }

    private double x(double second) {
        double total = Math.max(1, timeline.totalSeconds());
        return NAME + (paper.inner() - NAME - 1) * Math.min(second, total) / total;
    }

    private static void box(
            StringBuilder out, String kind, double x, double y, double width, double height, String text) {
        out.append(String.format(
                Locale.ROOT,
                "<div class=\"%s\" style=\"left:%.2fmm;top:%.2fmm;width:%.2fmm;height:%.2fmm\">%s</div>",
                kind,
                x,
                y,
                width,
                height,
                escape(text)));
    }

    // ---- the steps ------------------------------------------------------------------------------------------------

    private String steps() {
        var out = new StringBuilder(
                "<h2>Steps</h2><table><thead><tr><th style=\"width:6mm\">No.</th><th style=\"width:50mm\">What</th><th style=\"width:33mm\">Where</th>"
                        + "<th style=\"width:20mm\">Hand</th><th style=\"width:10mm\">Depth</th><th style=\"width:24mm\">Dose</th>"
                        + "<th style=\"width:15mm\">Sheet</th><th>Notes</th></tr></thead><tbody>");
        int number = 0;
        for (var block : sequence.blocks()) {
            out.append("<tr><td colspan=\"8\"><b>")
                    .append(escape(block.name()))
                    .append("</b> <span class=\"small soft\">")
                    .append(block.order() == Block.Order.IN_ORDER ? "in order" : "in any order")
                    .append(block.repeat() == Block.Repeat.EACH_SIDE ? ", on each side" : "")
                    .append(
                            block.drape() == null
                                    ? ""
                                    : ", sheet: " + escape(block.drape().label()))
                    .append("</span></td></tr>");
            for (var step : block.steps()) row(out, ++number, step);
        }
        return out.append("</tbody></table>").toString();
    }

    private void row(StringBuilder out, int number, Step step) {
        var more = more(step);
        out.append(more.isEmpty() ? "<tr>" : "<tr class=\"above\">")
                .append("<td class=\"n\">")
                .append(number)
                .append("</td><td><b>")
                .append(escape(step.name()))
                .append("</b>");
        if (!step.name().equals(step.technique().name()))
            out.append("<br/><span class=\"small\">")
                    .append(escape(step.technique().name()))
                    .append("</span>");
        picture(out, step);
        out.append("</td><td>")
                .append(escape(zones(step.zones())))
                .append("<br/><span class=\"small\">")
                .append(side(step.side()))
                .append(", ")
                .append(word(step.position()))
                .append("</span></td><td>")
                .append(escape(step.handWords()))
                .append("<br/><span class=\"small\">")
                .append(word(step.stance()))
                .append("</span></td><td class=\"n\">")
                .append(step.depth())
                .append("</td><td>")
                .append(escape(step.dose().words()));
        if (step.shownInClass() < step.dose().totalSeconds() - 0.5)
            out.append("<br/><span class=\"small\" style=\"white-space:nowrap\">in class ")
                    .append(clock(step.shownInClass()))
                    .append(",<br/>on a client ")
                    .append(clock(step.dose().totalSeconds()))
                    .append("</span>");
        out.append("</td><td>").append(sheet(step)).append("</td><td></td></tr>");
        if (!more.isEmpty())
            out.append("<tr><td></td><td colspan=\"6\" class=\"small\">")
                    .append(more)
                    .append("</td><td></td></tr>");
    }

    /** What else is said of a step and what is said to the client, over the width of the sheet. */
    private String more(Step step) {
        var details = step.details().lines(sequence::techniqueName).stream()
                .filter(l -> l.field() != DetailField.PICTURE)
                .map(l -> "<b>" + escape(l.label()) + "</b> " + escape(l.words()))
                .toList();
        var said = step.say().stream().map(s -> escape(said(s))).toList();
        return Stream.of(String.join(" &#160;·&#160; ", details), String.join(" ", said))
                .filter(l -> !l.isEmpty())
                .collect(Collectors.joining("<br/>"));
    }

    private void picture(StringBuilder out, Step step) {
        var id = step.details().picture();
        if (id == null) return;
        out.append("<br/>");
        pictures.apply(id)
                .ifPresentOrElse(
                        jpeg -> out.append("<img style=\"width:46mm\" alt=\"\" src=\"")
                                .append(Press.JPEG)
                                .append(Base64.getEncoder().encodeToString(jpeg))
                                .append("\"/>"),
                        () -> out.append("<span class=\"small\">Its picture is not here.</span>"));
    }

    private static String said(Saying s) {
        var kind = s.kind().toString().replace('-', ' ');
        return s.words() == null || s.words().isBlank() ? "Say: " + kind + "." : "“" + s.words() + "”";
    }

    private static String zones(List<Zone> zones) {
        return zones.stream().map(Zone::label).collect(Collectors.joining(", "));
    }

    private static String side(Sides side) {
        return side == Sides.EACH ? "each side" : side == Sides.BOTH ? "both at once" : side.toString();
    }

    private static String word(Object value) {
        return value.toString().replace('-', ' ');
    }

    private static String sheet(Step step) {
        return step.sheet() == Sheet.OPEN ? "open" : step.sheet() == Sheet.THROUGH ? "through it" : "covered";
    }

    // ---- what to mind ---------------------------------------------------------------------------------------------

    private String cautions() {
        Set<String> lines = new LinkedHashSet<>();
        var topics = new LinkedHashSet<ScopeTopic>();
        for (var step : sequence.steps()) {
            topics.addAll(step.topics());
            for (var zone : step.zones())
                zone.ceiling()
                        .ifPresent(c -> lines.add(zone.label() + ": no deeper than "
                                + profile.pressure().ceiling(zone) + " (" + c.why() + ")"
                                + (c.broadOnly() ? ", no pointed tool" : "") + "."));
            var caution = step.technique().caution();
            if (caution != null) lines.add(step.technique().name() + ": " + caution);
        }
        for (var topic : topics)
            lines.add(topic.label() + ": " + topic.caution() + " This school: "
                    + profile.scope(topic).label() + ".");
        permission(List.of(sequence), profile).ifPresent(lines::add);
        lines.add("Any hot, swollen, inflamed, numb or newly injured area: no deep work; ask, and refer.");
        lines.add("A shooting, numb or tingling report stops the stroke.");
        var out = new StringBuilder("<div class=\"box\"><h2 style=\"margin-top:0\">To mind</h2>");
        lines.forEach(l -> out.append("<p>").append(escape(l)).append("</p>"));
        return out.append("<p><b>Usual cautions for teaching, not medical advice. ")
                .append(escape(ScopeTopic.WHO_DECIDES))
                .append("</b></p></div>")
                .toString();
    }

    /** The line about sensitive zones, where there are any. */
    static Optional<String> permission(Collection<Sequence> sequences, Profile profile) {
        var sensitive = sequences.stream()
                .flatMap(s -> s.steps().stream())
                .flatMap(s -> s.zones().stream())
                .filter(profile.draping().sensitive()::contains)
                .map(Zone::label)
                .distinct()
                .collect(Collectors.joining(", "));
        return sensitive.isEmpty()
                ? Optional.empty()
                : Optional.of("Ask before, say with the sheet or without, and stop when permission is withdrawn: "
                        + sensitive + ".");
    }

    private static String notes() {
        var out = new StringBuilder("<div style=\"page-break-inside: avoid\"><h2>Notes</h2>");
        for (int i = 0; i < 6; i++) out.append("<div class=\"rule\"></div>");
        return out.append("</div>").toString();
    }
}

package palmtally.server.handout;

import java.util.ArrayList;
import java.util.Base64;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Zone;
import palmtally.core.finding.Finding;
import palmtally.core.finding.Severity;
import palmtally.core.picture.Build;
import palmtally.core.picture.Picture;
import palmtally.core.picture.StepPicture;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Saying;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Timeline;
import palmtally.core.sequence.check.Checks;
import palmtally.core.sequence.detail.Detail.InWords;
import palmtally.core.sequence.detail.DetailField;
import palmtally.core.technique.ScopeTopic;

/** A sequence for students: the strip, each step as a picture and in words, what to mind, and room for notes. */
final class SequenceHandout {
    /** How many steps stand side by side. */
    private static final int IN_WORDS = 2;

    private static final int AS_CARDS = 3;
    private static final int IN_ORDER = 5;

    private final Sequence sequence;
    private final Profile profile;
    private final Density density;
    private final Timeline timeline;
    private final Function<String, Optional<byte[]>> photos;
    private final Build build;
    private final Paths paths = new Paths();

    /** @param photos the JPEG of a school's own picture by its id */
    SequenceHandout(
            Sequence sequence,
            Profile profile,
            Density density,
            Build build,
            Function<String, Optional<byte[]>> photos) {
        this.build = build;
        this.sequence = sequence;
        this.profile = profile;
        this.density = density;
        this.timeline = Timeline.of(sequence, profile);
        this.photos = photos;
    }

    /**
     * A step.
     *
     * @param block what the block that begins with it is called and how it goes, or empty
     * @param drawing name of its picture
     * @param spoken the picture in words
     * @param technique where the step is not called by it, else empty
     * @param inClass how long a class sees it, or empty where it sees all of it
     * @param photo the school's own picture as the page carries it, or null
     * @param photoMissing whether it has one that is not here
     */
    record Card(
            int number,
            String block,
            String name,
            String drawing,
            String spoken,
            String technique,
            String where,
            String lies,
            String hand,
            String stance,
            int depth,
            String dose,
            String inClass,
            String sheet,
            List<InWords> details,
            String said,
            @Nullable String photo,
            boolean photoMissing) {}

    Document document(String school, int version) {
        var document = new Document(
                "sequence",
                sequence.name(),
                sequence.region().label() + ", " + sequence.steps().size() + " steps, " + clock(timeline.totalSeconds())
                        + " for a client");
        return document.with("school", school)
                .with("version", version)
                .with("region", sequence.region().label())
                .with("total", clock(timeline.totalSeconds()))
                .with("slot", clock(sequence.slotSeconds()))
                .with("forWhom", sequence.forWhom().stream().map(w -> w.label()).collect(Collectors.joining(", ")))
                .with("note", sequence.note())
                .with("stops", stops())
                .with("density", density.toString())
                .with("strip", document.draws(new StripDrawing(sequence, timeline)))
                .with("rows", rows(document))
                .with("cautions", cautions());
    }

    /** A sequence that is not to be shown as it is says so on paper too. */
    private List<Finding> stops() {
        return Checks.run(sequence, profile).findings().stream()
                .filter(f -> f.severity() == Severity.STOP)
                .toList();
    }

    static String clock(double seconds) {
        long s = Math.round(seconds);
        return s / 60 + ":" + String.format(Locale.ROOT, "%02d", s % 60);
    }

    /** The cards, so many side by side, on through all blocks. */
    private List<List<Card>> rows(Document document) {
        int side = switch (density) {
            case WORDS -> IN_WORDS;
            case CARDS -> AS_CARDS;
            case ORDER -> IN_ORDER;
        };
        var cards = new ArrayList<Card>();
        for (var block : sequence.blocks()) {
            var about = block.name() + ", " + about(block);
            for (var step : block.steps()) {
                cards.add(card(document, cards.size() + 1, about, step));
                about = "";
            }
        }
        var rows = new ArrayList<List<Card>>();
        for (int i = 0; i < cards.size(); i += side) rows.add(cards.subList(i, Math.min(cards.size(), i + side)));
        return rows;
    }

    private static String about(Block block) {
        return (block.order() == Block.Order.IN_ORDER ? "in order" : "in any order")
                + (block.repeat() == Block.Repeat.EACH_SIDE ? ", on each side" : "")
                + (block.drape() == null ? "" : ", sheet: " + block.drape().label());
    }

    private Card card(Document document, int number, String block, Step step) {
        var picture = picture(step);
        var photo = step.details().picture() == null
                ? Optional.<byte[]>empty()
                : photos.apply(step.details().picture());
        boolean shorter = step.shownInClass() < step.dose().totalSeconds() - .5;
        var hand = step.handWords();
        return new Card(
                number,
                block,
                step.name(),
                document.draws(new StepDrawing(picture, density != Density.ORDER, paths)),
                step.name() + ": " + hand + ", " + zones(step.zones()) + ", " + side(step.side()) + ", "
                        + String.join(", ", picture.facts().words()),
                step.name().equals(step.technique().name())
                        ? ""
                        : step.technique().name(),
                zones(step.zones()),
                side(step.side()) + ", " + word(step.position()),
                hand,
                word(step.stance()),
                step.depth(),
                step.dose().words(),
                shorter
                        ? "in class " + clock(step.shownInClass()) + ", on a client "
                                + clock(step.dose().totalSeconds())
                        : "",
                sheet(step),
                step.details().lines(sequence::techniqueName).stream()
                        .filter(l -> l.field() != DetailField.PICTURE)
                        .toList(),
                step.say().stream().map(SequenceHandout::said).collect(Collectors.joining(" ")),
                photo.map(jpeg -> PdfRenderer.JPEG + Base64.getEncoder().encodeToString(jpeg))
                        .orElse(null),
                step.details().picture() != null && photo.isEmpty());
    }

    /** As it is done first. */
    private Picture picture(Step step) {
        return timeline.spans().stream()
                .filter(s -> s.stint().step().id().equals(step.id()))
                .findFirst()
                .map(s -> StepPicture.of(s, build))
                .orElseThrow(() -> new IllegalStateException("step " + step.name() + " is never done"));
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

    private Set<String> cautions() {
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
        topics.forEach(topic -> lines.add(caution(topic, profile)));
        permission(List.of(sequence), profile).ifPresent(lines::add);
        lines.add("Any hot, swollen, inflamed, numb or newly injured area: no deep work; ask, and refer.");
        lines.add("A shooting, numb or tingling report stops the stroke.");
        return lines;
    }

    /** What a topic needs, and what the school lets its students do. */
    static String caution(ScopeTopic topic, Profile profile) {
        return topic.label() + ": " + topic.caution() + " This school: "
                + profile.scope(topic).label() + ".";
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
}

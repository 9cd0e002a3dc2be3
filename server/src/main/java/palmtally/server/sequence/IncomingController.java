package palmtally.server.sequence;

import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.sequence.Difference;
import palmtally.core.sequence.Sequence;
import palmtally.core.technique.Technique;
import palmtally.formats.Documents;
import palmtally.formats.FormatException;
import palmtally.formats.StepTable;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.technique.Library;

/** Sequences in and out of files: what would change is shown before it changes, and all of a file is taken or nothing. */
@RestController
class IncomingController {
    /** What a file is. */
    enum FileKind {
        SEQUENCE,
        STEPS;

        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** What a file would do to a sequence. */
    enum Effect {
        NEW,
        CHANGED,
        SAME;

        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    record IncomingFile(@Nullable FileKind kind, @Nullable String text) {}

    /** @param brings techniques that the school does not have yet, and takes with it */
    record IncomingLine(String id, String name, Effect effect, int steps, List<String> changes, List<String> brings) {}

    private final Sequences sequences;
    private final Library library;

    IncomingController(Sequences sequences, Library library) {
        this.sequences = sequences;
        this.library = library;
    }

    /** What would change, without changing it. */
    @Allow(Permission.STAFF)
    @PostMapping("/api/sequences/incoming/preview")
    List<IncomingLine> preview(@RequestBody IncomingFile file) throws FormatException {
        return read(file).stream().map(this::line).toList();
    }

    /** Takes every sequence of the file, or none. */
    @Allow(Permission.PLANNER)
    @PostMapping("/api/sequences/incoming")
    List<IncomingLine> take(@Me Caller caller, @RequestBody IncomingFile file) throws FormatException {
        var incoming = read(file);
        var lines = incoming.stream().map(this::line).toList();
        sequences.takeAll(incoming, caller);
        return lines;
    }

    @Allow(Permission.STAFF)
    @GetMapping(path = "/api/sequences/{id}/steps", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> steps(@PathVariable String id) {
        return ResponseEntity.ok()
                .header(
                        "Content-Disposition",
                        "attachment; filename=\"" + id.replaceAll("[^A-Za-z0-9-]", "-") + ".steps.csv\"")
                .body(StepTable.write(List.of(sequences.newest(id).document())));
    }

    private List<Sequence> read(IncomingFile file) throws FormatException {
        if (file.text == null || file.kind == null)
            throw new InvalidValue("file", new Fault(file.text == null ? "text" : "kind", "", "is missing"));
        return file.kind == FileKind.STEPS
                ? StepTable.read(file.text, library.techniques())
                : List.of(Documents.readSequence(file.text));
    }

    private IncomingLine line(Sequence s) {
        var now = sequences.find(s.id());
        var changes = now.map(v -> Difference.between(v.document(), s)).orElse(List.of());
        var effect = now.isEmpty() ? Effect.NEW : changes.isEmpty() ? Effect.SAME : Effect.CHANGED;
        return new IncomingLine(
                s.id(),
                s.name(),
                effect,
                s.steps().size(),
                changes,
                library.unknown(s.techniques()).stream().map(Technique::name).toList());
    }
}

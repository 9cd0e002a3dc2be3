package palmtally.server.practical;

import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.practical.event.ClientWord;
import palmtally.core.practical.event.Event;
import palmtally.core.practical.event.Observation;
import palmtally.core.practical.event.Report;
import palmtally.core.practical.event.SafetyStop;
import palmtally.server.people.Caller;
import palmtally.server.people.Passwords;
import palmtally.server.problem.Refusal;

/** The phone of the one on the table: says a number or a word, unseen by the therapist, and learns nothing. */
@Service
public class Handsets {
    /** What is said without a number. */
    public enum Word {
        TOO_MUCH,
        TICKLES,
        COLD,
        STOP;

        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /**
     * Something the client says.
     *
     * @param id made by the phone; sent twice it is stored once
     * @param seq counts up
     * @param agoMs how long ago it was touched, where the network was down meanwhile
     * @param number 0–10, or null with a word
     */
    public record Said(
            @Nullable String id,
            @Nullable Long seq,
            @Nullable Long agoMs,
            @Nullable Integer number,
            @Nullable Word word) {}

    record Row(String code, UUID practicalId) {}

    @Mapper
    interface Rows {
        @Insert("insert into handset (code, practical_id) values (#{code}, #{practical}) on conflict do nothing")
        void add(String code, UUID practical);

        @Select("select code, practical_id from handset where practical_id = #{practical}")
        Optional<Row> of(UUID practical);

        @Select("select code, practical_id from handset where code = #{code}")
        Optional<Row> byCode(String code);
    }

    private static final int CODE_LENGTH = 6;
    /** A practical that was begun longer ago is over, whether or not somebody has said so. */
    private static final Duration LONGEST = Duration.ofHours(12);

    private final Rows rows;
    private final Records records;
    private final Capture capture;
    private final Clock clock;

    Handsets(Rows rows, Records records, Capture capture, Clock clock) {
        this.rows = rows;
        this.records = records;
        this.capture = capture;
        this.clock = clock;
    }

    /** The code of a practical's handset: made when it is first asked for. */
    public String code(Caller caller, UUID practical) {
        var row = records.row(practical);
        records.mustWrite(caller, row);
        if (row.finished()) throw Refusal.conflict("finished", "This practical is over; its handset is not in use.");
        var there = rows.of(practical);
        for (int i = 0; there.isEmpty() && i < 20; i++) {
            rows.add(Passwords.word(CODE_LENGTH), practical);
            there = rows.of(practical);
        }
        return there.orElseThrow().code();
    }

    /** @throws Refusal 404 unless the code belongs to a practical that goes on */
    void mustBeOn(String code) {
        on(code);
    }

    private PracticalRows.Row on(String code) {
        var found = rows.byCode(code.toLowerCase(Locale.ROOT)).orElseThrow(() -> Refusal.notFound("handset"));
        var row = records.row(found.practicalId());
        if (row.finished() || row.startedAt().isBefore(clock.instant().minus(LONGEST)))
            throw Refusal.notFound("handset");
        return row;
    }

    /** Writes down what the client says; sent again it is there already, whatever moment it is said to be of. */
    void say(String code, Said said) {
        var row = on(code);
        if (said.id != null && capture.has(row.id(), "handset-" + said.id)) return;
        var faults = new ArrayList<Fault>();
        if (said.id == null || said.id.isBlank() || said.id.length() > 40)
            faults.add(new Fault("id", String.valueOf(said.id), "must be 1 to 40 characters"));
        if (said.seq == null || said.seq < 0)
            faults.add(new Fault("seq", String.valueOf(said.seq), "must be 0 or more"));
        if ((said.number == null) == (said.word == null))
            faults.add(new Fault("number", String.valueOf(said.number), "must be there, or a word instead"));
        if (said.number != null && (said.number < 0 || said.number > 10))
            faults.add(new Fault("number", said.number.toString(), "must be 0 to 10"));
        if (said.agoMs != null && said.agoMs < 0)
            faults.add(new Fault("agoMs", said.agoMs.toString(), "must be 0 or more"));
        if (!faults.isEmpty()) throw new InvalidValue("handset", faults);
        var now = clock.instant();
        long at = Duration.between(row.startedAt(), now).toMillis() - (said.agoMs == null ? 0 : said.agoMs);
        capture.appendUnseen(
                row.id(),
                new Event(
                        "handset-" + said.id,
                        "handset-" + code.toLowerCase(Locale.ROOT),
                        said.seq == null ? 0 : said.seq,
                        Math.max(0, at),
                        now,
                        heard(said, capture.tooMuch(row))));
    }

    private static Observation heard(Said said, int tooMuch) {
        if (said.number != null) return new Report(said.number, null, Report.Source.HANDSET, null);
        return switch (said.word == null ? Word.STOP : said.word) {
            case TOO_MUCH -> new Report(tooMuch, "too much", Report.Source.HANDSET, null);
            case STOP -> new SafetyStop(null, true);
            case TICKLES -> new ClientWord(ClientWord.Word.TICKLES);
            case COLD -> new ClientWord(ClientWord.Word.COLD);
        };
    }
}

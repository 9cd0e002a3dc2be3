package palmtally.server.demonstration;

import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.picture.BodyLook;
import palmtally.core.picture.Picture;
import palmtally.formats.Json;
import palmtally.server.demonstration.DemonstrationView.ClassLiveView;
import palmtally.server.demonstration.DemonstrationView.ShownView;
import palmtally.server.demonstration.RoundView.ClassRoundView;
import palmtally.server.demonstration.RoundView.RoundLiveView;
import palmtally.server.live.Audience;
import palmtally.server.people.School;
import palmtally.server.problem.Refusal;

/** What a class looks at without a sign-in: the demonstration of one who shows, and nothing of anybody's record. */
@Service
public class ClassScreens implements Audience {
    /**
     * @param bodyLook how the school has the body drawn
     * @param shown what is demonstrated, or null
     * @param live how it stands, or null with it
     * @param round the practice round that is on, or null
     * @param roundLive how that stands, or null with it
     */
    public record ScreenView(
            String code,
            BodyLook bodyLook,
            @Nullable ShownView shown,
            @Nullable ClassLiveView live,
            @Nullable ClassRoundView round,
            @Nullable RoundLiveView roundLive) {}

    private final ScreenRows rows;
    private final Demonstrations demonstrations;
    private final Rounds rounds;
    private final School school;

    ClassScreens(ScreenRows rows, Demonstrations demonstrations, Rounds rounds, School school) {
        this.school = school;
        this.rows = rows;
        this.demonstrations = demonstrations;
        this.rounds = rounds;
    }

    @Override
    public String channel() {
        return ScreenRows.CHANNEL;
    }

    /** The screen at an address. */
    public ScreenView screen(String code) {
        var row = row(code);
        var look = school.bodyLook();
        if (row.roundId() != null) {
            var round = rounds.standing(row.roundId(), null);
            return new ScreenView(row.code(), look, null, null, ClassRoundView.of(round), RoundLiveView.of(round));
        }
        if (row.demonstrationId() == null) return new ScreenView(row.code(), look, null, null, null, null);
        var standing = demonstrations.standing(row.demonstrationId());
        return new ScreenView(row.code(), look, ShownView.of(standing), ClassLiveView.of(standing), null, null);
    }

    /** How it stands; what is demonstrated or practised is asked for once and not with every step. */
    @Override
    public String state(String code) {
        var row = row(code);
        return Json.MAPPER.writeValueAsString(
                row.roundId() != null
                        ? Map.of("roundLive", RoundLiveView.of(rounds.standing(row.roundId(), null)))
                        : row.demonstrationId() == null
                                ? Map.of()
                                : Map.of("live", ClassLiveView.of(demonstrations.standing(row.demonstrationId()))));
    }

    /** Whether a picture belongs to what the screen shows now. */
    boolean shows(String code, String picture) {
        var row = row(code);
        return row.demonstrationId() != null
                && demonstrations.standing(row.demonstrationId()).moments().stream()
                        .anyMatch(m ->
                                picture.equals(m.span().stint().step().details().picture()));
    }

    /** A step of what the screen shows now, as it is seen from above the table. */
    Picture picture(String code, String index) {
        var shown = row(code).demonstrationId();
        if (shown == null) throw Refusal.notFound("step on this screen");
        return Demonstrations.picture(
                demonstrations.standing(shown), index, school.bodyLook().build());
    }

    /** The code as it is kept. */
    String known(String code) {
        return row(code).code();
    }

    private ScreenRows.Row row(String code) {
        return rows.byCode(code.toLowerCase(Locale.ROOT)).orElseThrow(() -> Refusal.notFound("class screen"));
    }
}

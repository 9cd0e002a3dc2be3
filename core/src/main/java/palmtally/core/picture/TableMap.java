package palmtally.core.picture;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Position;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;

/**
 * The client on the table, drawn small: where each zone is and what the sheet covers, for whoever picks a region or writes down a touch.
 * The same body as in the picture of a step, in whole millimetres.
 *
 * @param body the outline, as one path
 * @param zones in the order in which they lie over one another, the last on top
 * @param linen the sheet, piece by piece
 */
public record TableMap(Position position, String body, List<ZonePath> zones, List<LinenPath> linen) {
    /** Who is half reclined is drawn as on the back. */
    static final List<Position> DRAWN =
            List.of(Position.PRONE, Position.SUPINE, Position.SIDE_LEFT, Position.SIDE_RIGHT, Position.SEATED);

    /** @param behind whether it is on the far side, as the back of the neck of who lies on the back: shown while it is worked */
    public record ZonePath(Zone zone, Side side, boolean behind, String path) {}

    /** What the sheet opens as one. */
    public record LinenPath(DrapeUnit unit, Side side, String path) {}

    public static TableMap of(Position position, Build build) {
        var figure = new Figure(position, true, Set.of(), Side.RIGHT, build, StepPicture.STATURE);
        var zones = new ArrayList<ZonePath>();
        for (var zone : Zone.values())
            for (var side : zone.paired() ? List.of(Side.LEFT, Side.RIGHT) : List.of(Side.RIGHT)) {
                boolean seen = !figure.below(side) && ZoneArea.of(zone).visible(figure, side);
                var area = ZoneArea.of(zone).seen(figure, side);
                zones.add(new ZonePath(
                        zone,
                        zone.paired() ? side : Side.MIDLINE,
                        !seen,
                        Path.coarse(List.of(area.edge(figure, side)))));
            }
        zones.sort((a, b) -> Boolean.compare(b.behind, a.behind));
        return new TableMap(
                position,
                Path.coarse(StepPicture.outlines(figure)),
                zones,
                (position == Position.SEATED ? List.<Linen.Piece>of() : Linen.pieces(figure))
                        .stream()
                                .map(p -> new LinenPath(p.unit(), p.side(), Path.coarse(List.of(p.edge()))))
                                .toList());
    }

    /** As a client lies on a table, or sits and is seen from behind. */
    public static List<TableMap> all(Build build) {
        return DRAWN.stream().map(p -> of(p, build)).toList();
    }
}

package palmtally.core.picture;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.hipparchus.util.FastMath;
import palmtally.core.body.Position;
import palmtally.core.body.Side;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;

/**
 * Where each structure runs on a client who lies on the table, on the body of a {@link TableMap}: for whoever writes down which one was
 * touched.
 *
 * @param lines those on the side that is seen, the deep ones last
 */
public record StructureMap(Position position, List<Line> lines) {
    /**
     * @param breadth of the whole, at its broadest, millimetres
     * @param deep whether more than skin lies over it
     * @param path its course from origin to insertion, as path data in whole millimetres
     */
    public record Line(Structure structure, Side side, int breadth, boolean deep, String path) {}

    public static StructureMap of(Position position, Build build) {
        var figure = new Figure(position, true, Set.of(), Side.RIGHT, build, StepPicture.STATURE);
        var lines = new ArrayList<Line>();
        for (boolean deep : new boolean[] {false, true})
            for (var structure : Structure.values()) {
                if (structure.atTheSurface() == deep || structure.course().size() < 2) continue;
                boolean paired = structure.zones().stream().anyMatch(Zone::paired);
                for (var side : paired ? List.of(Side.LEFT, Side.RIGHT) : List.of(Side.RIGHT)) {
                    if (figure.below(side) || !new Course(structure, side, figure).seen()) continue;
                    lines.add(new Line(
                            structure,
                            paired ? side : Side.MIDLINE,
                            (int) FastMath.round(2 * structure.breadth() * figure.millimetres()),
                            deep,
                            structure.course().stream()
                                    .map(l -> figure.beside(l, side))
                                    .map(p -> FastMath.round(p.x()) + "," + FastMath.round(p.y()))
                                    .collect(Collectors.joining("L", "M", ""))));
                }
            }
        return new StructureMap(position, lines);
    }

    /** As a client lies on a table, or sits and is seen from behind. */
    public static List<StructureMap> all(Build build) {
        return TableMap.DRAWN.stream().map(p -> of(p, build)).toList();
    }
}

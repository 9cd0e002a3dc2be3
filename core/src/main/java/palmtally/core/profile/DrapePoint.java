package palmtally.core.profile;

import palmtally.core.Texts;

/** One thing that a grader looks at when the sheet is moved (common practice, no source). */
public enum DrapePoint {
    BLANKET_ASIDE("The blanket is folded aside first", "blanket in the way", DrapingFault.OTHER),
    AT_THE_WAIST("The sheet is tucked at the waist, not at the hip", "tucked at the hip", DrapingFault.LOOSE),
    EDGE_SEEN(
            "Scooped and laid between the legs, so that its edge and the hollow of the knee are seen",
            "edge not seen",
            DrapingFault.OTHER),
    WITH_THE_LEGS(
            "The inside hand under the knee lifts with the legs, facing the head",
            "lifted with the back",
            DrapingFault.OTHER),
    AS_HIGH_AS_NEEDED("Lifted only as high as the sheet needs", "leg lifted too high", DrapingFault.LIFTED_TOO_HIGH),
    UP_TO_THE_HIP(
            "The outside hand draws it under the thigh and up to the hip", "not drawn to the hip", DrapingFault.OTHER),
    LAID_DOWN("The leg is laid down", "leg dropped", DrapingFault.OTHER),
    FAN_FOLDED("The edge is folded like a fan to where it shall end", "edge not folded", DrapingFault.OTHER),
    PINCHED("Pinched an inch below the knee, and the pinch kept", "pinch lost", DrapingFault.LOOSE),
    THREADED("Threaded under and slid up to the hip", "not threaded through", DrapingFault.OTHER),
    GATHERED(
            "Gathered and tightened before a bent or lifted leg, drawn down again after",
            "not gathered",
            DrapingFault.NOT_SECURED),
    ROLLED_UNDER("Its edges are rolled under, never over", "edge rolled over", DrapingFault.NOT_SECURED),
    ONE_SIDE("One side only", "both sides bare", DrapingFault.LEFT_OPEN),
    PUSHED_BY_STROKE("A stroke pushes the edge on", "edge not pushed on", DrapingFault.OTHER),
    DRAWN_BY_HAND("A hand draws the edge on", "edge not drawn on", DrapingFault.OTHER),
    HELD_TAUT("One hand holds the sheet taut", "sheet slack", DrapingFault.LOOSE),
    FAR_ARM_FIRST(
            "The far arm is slid out over the sheet, then the near one", "arms not over the sheet", DrapingFault.OTHER),
    DOWN_A_LITTLE("Drawn down a little, no further", "drawn too far down", DrapingFault.OTHER),
    ARMS_SNUG("The arms lie snug at the sides and hold it", "arm not snug", DrapingFault.NOT_SECURED),
    CHEST_DRAPE_LAID(
            "A chest drape is laid over, and the sheet drawn from under it",
            "no chest drape",
            DrapingFault.NOT_SECURED),
    CHEST_DRAPE_TIGHT("The chest drape is tucked tight", "chest drape loose", DrapingFault.LOOSE),
    TO_THE_HIPS("The sheet is folded down to the hips in one movement", "not folded to the hips", DrapingFault.OTHER),
    TUCKED_IN("Tucked in at both sides", "loose tuck", DrapingFault.LOOSE),
    ARM_OUT("The arm is slid out over the sheet", "arm not over the sheet", DrapingFault.OTHER),
    SIDE_CLOSED("The side is tucked in again under the arm", "side open", DrapingFault.LOOSE),
    FRONT_AND_BACK("Tucked at the front and at the back", "open at the back", DrapingFault.LOOSE),
    LEG_WRAPPED("The upper leg is wrapped and lies on its pillow", "upper leg not wrapped", DrapingFault.NOT_SECURED),
    CLOTHES_AS_THEY_ARE("Clothes stay as they are", "clothes moved aside", DrapingFault.LEFT_OPEN),
    OWN_TOWEL("One client, one towel", "towel of another", DrapingFault.OTHER),
    COVERED_WHEN_DONE("Covered when it is done", "left open", DrapingFault.LEFT_OPEN),
    COVERED_AT_END(
            "Covered at the end with the same movement as the last stroke",
            "not covered at the end",
            DrapingFault.NOT_COVERED_AT_END);

    private final String words;

    private final String word = Texts.word(this);
    private final String missed;
    private final DrapingFault fault;

    DrapePoint(String words, String missed, DrapingFault fault) {
        this.words = words;
        this.missed = missed;
        this.fault = fault;
    }

    /** How it is done. */
    public String words() {
        return words;
    }

    /** What it is called where it was missed. */
    public String missed() {
        return missed;
    }

    /** What it counts as where it was missed. */
    public DrapingFault fault() {
        return fault;
    }

    @Override
    public String toString() {
        return word;
    }
}

package palmtally.core.technique;

/**
 * Units that books of the trade use, in those of the core: millimetres and newtons. Exact factors of NIST Special Publication 811
 * (2008), appendix B.8: 1 lbf = 4.448 221 615 260 5 N, 1 kgf = 9.806 65 N, 1 in = 25.4 mm.
 */
public final class Units {
    private static final double NEWTON_A_POUND_FORCE = 4.4482216152605;
    private static final double NEWTON_A_KILOGRAM_FORCE = 9.80665;
    private static final double MILLIMETRES_AN_INCH = 25.4;

    private Units() {}

    /** @return mm */
    public static double inches(double inches) {
        return inches * MILLIMETRES_AN_INCH;
    }

    /** @return N */
    public static double poundsForce(double pounds) {
        return pounds * NEWTON_A_POUND_FORCE;
    }

    /** @return N */
    public static double kilogramsForce(double kilograms) {
        return kilograms * NEWTON_A_KILOGRAM_FORCE;
    }
}

package palmtally.core.finding;

/** Times and amounts as people read them. */
public final class Spoken {
    private Spoken() {}

    /** Minutes and seconds, rounded to the nearest second: 75.4 is {@code 1:15}. */
    public static String mmss(double seconds) {
        long s = Math.round(Math.abs(seconds));
        return (seconds < -0.5 ? "−" : "") + s / 60 + ":" + (s % 60 < 10 ? "0" : "") + s % 60;
    }

    /** Up to two decimals without trailing zeros. */
    public static String number(double value) {
        return java.math.BigDecimal.valueOf(Math.round(value * 100))
                .movePointLeft(2)
                .stripTrailingZeros()
                .toPlainString();
    }
}

package palmtally.core.finding;

import org.hipparchus.util.FastMath;

/** Times and amounts as people read them. */
public final class Spoken {
    private Spoken() {}

    /** Minutes and seconds, rounded to the nearest second: 75.4 is {@code 1:15}. */
    public static String mmss(double seconds) {
        long s = FastMath.round(Math.abs(seconds));
        return (seconds < -0.5 ? "−" : "") + s / 60 + ":" + (s % 60 < 10 ? "0" : "") + s % 60;
    }

    /** Up to two decimals without trailing zeros. */
    public static String number(double value) {
        long hundredths = FastMath.round(value * 100);
        long rest = Math.abs(hundredths) % 100;
        var whole = (hundredths < 0 ? "-" : "") + Math.abs(hundredths) / 100;
        if (rest == 0) return whole;
        return whole + (rest < 10 ? ".0" : ".") + (rest % 10 == 0 ? rest / 10 : rest);
    }

    /** A probability as people read it: never better than it is, never 0 % and never 100 %. */
    public static String percent(double p) {
        double n = Math.floor(100 * p + 1e-9);
        return n < 1 ? "under 1 %" : n > 99 ? "over 99 %" : FastMath.round(n) + " %";
    }

    /** A number with its noun: "1 report", "2 reports". */
    public static String counted(int n, String noun) {
        return counted(n, noun, noun + "s");
    }

    /** A number with its noun: "1 reply", "2 replies". */
    public static String counted(int n, String noun, String nouns) {
        return n + " " + (n == 1 ? noun : nouns);
    }

    /** A value under its limit in whole numbers; with what tells them apart where rounding would make them equal. */
    public static String below(double value, double limit) {
        return FastMath.round(value) < limit
                ? String.valueOf(FastMath.round(value))
                : number(Math.floor(value * 100) / 100);
    }
}

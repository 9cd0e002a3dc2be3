package palmtally.core.practical.event;

/** One cycle of a stroke, tapped in its rhythm. */
public record RateTap() implements Observation {
    @Override
    public boolean judges() {
        return true;
    }
}

package palmtally.core.practical.event;

/**
 * The front foot is lifted for a moment.
 *
 * @param clear the balance held
 */
public record BalanceTest(boolean clear) implements Observation {
    @Override
    public boolean judges() {
        return true;
    }
}

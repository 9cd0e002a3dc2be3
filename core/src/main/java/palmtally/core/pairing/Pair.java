package palmtally.core.pairing;

/** Two people; who is named first does not matter. */
public record Pair(String one, String other) {
    public Pair {
        if (one.compareTo(other) > 0) {
            var first = other;
            other = one;
            one = first;
        }
    }
}

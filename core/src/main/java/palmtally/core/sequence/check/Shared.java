package palmtally.core.sequence.check;

import palmtally.core.sequence.Step;

/** What two steps must have in common for one to prepare, or to follow, the other. */
public enum Shared {
    NOTHING,
    REGION,
    ZONE;

    public boolean by(Step a, Step b) {
        return switch (this) {
            case NOTHING -> true;
            case REGION -> a.zones().stream().anyMatch(x -> b.zones().stream().anyMatch(y -> x.region() == y.region()));
            case ZONE -> a.zones().stream().anyMatch(b.zones()::contains);
        };
    }
}

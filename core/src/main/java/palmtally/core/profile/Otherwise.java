package palmtally.core.profile;

import palmtally.core.body.Zone;
import palmtally.core.technique.DoseTable;

/** What a number is where a school says nothing of its own. */
enum Otherwise {
    /** There is none: the profile holds the number itself. */
    HELD,
    SITE_CEILING,
    DOSE_LEAST,
    DOSE_MOST,
    RATE_LOW,
    RATE_HIGH;

    /** Infinite where there is no bound and 0 where there is no rate: a school has no such number then. */
    double of(Profile profile, Object key) {
        return switch (this) {
            case HELD -> throw new IllegalStateException("held by the profile itself");
            case SITE_CEILING -> profile.pressure().usualCeiling((Zone) key);
            case DOSE_LEAST -> ((DoseTable.Row) key).least();
            case DOSE_MOST -> ((DoseTable.Row) key).most();
            case RATE_LOW -> ((DoseTable.Row) key).rateLow();
            case RATE_HIGH -> ((DoseTable.Row) key).rateHigh();
        };
    }

    /** Whether a school may set one for a key. */
    boolean has(Object key) {
        return switch (this) {
            case HELD, SITE_CEILING, DOSE_LEAST -> true;
            case DOSE_MOST -> !Double.isInfinite(((DoseTable.Row) key).most());
            case RATE_LOW, RATE_HIGH -> ((DoseTable.Row) key).hasRate();
        };
    }
}

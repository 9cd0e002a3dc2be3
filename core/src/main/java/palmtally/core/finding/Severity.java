package palmtally.core.finding;

import java.util.Locale;

/** How grave a finding is; {@code OFF} silences a rule, {@code CRITICAL} occurs in practicals only. */
public enum Severity {
    OFF,
    HINT,
    WARN,
    STOP,
    CRITICAL;

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT);
    }
}

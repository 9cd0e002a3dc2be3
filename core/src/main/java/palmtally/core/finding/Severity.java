package palmtally.core.finding;

import palmtally.core.Texts;

/** How grave a finding is; {@code OFF} silences a rule, {@code CRITICAL} occurs in practicals only. */
public enum Severity {
    OFF,
    HINT,
    WARN,
    STOP,
    CRITICAL;

    private final String word = Texts.word(this);

    @Override
    public String toString() {
        return word;
    }
}

package palmtally.server.demonstration;

import org.jspecify.annotations.Nullable;

/**
 * How far a new school has come on its way to a first showing.
 *
 * @param term its term was given a name
 * @param people there is a student in a term
 * @param sequence id of the sequence that was written last, null while there is none
 * @param shown something was shown: a presenter that was opened and never started showed nothing
 */
record FirstSteps(boolean term, boolean people, @Nullable String sequence, boolean shown) {}

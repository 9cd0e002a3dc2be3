package palmtally.core.sequence;

import palmtally.core.finding.Rule;

/** One rule about plans. Severity and silence are the profile's; a check only finds. */
interface Check {
    Rule rule();

    void look(Plan plan);
}

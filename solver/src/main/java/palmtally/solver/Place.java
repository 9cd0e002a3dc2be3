package palmtally.solver;

/** A start and a table. */
record Place(int begins, int table) {}

package palmtally.solver;

/** A grader or a client of a practical, or nobody. */
record Person(String id) {
    static final Person NOBODY = new Person("");

    boolean somebody() {
        return this != NOBODY;
    }
}

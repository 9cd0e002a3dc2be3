package palmtally.core.profile;

/** Where a school looks for a number or an either/or. */
public enum Group {
    ORDER("Order, warm-up and sides"),
    DOSE("Dose and holds"),
    PRESSURE("Pressure"),
    SITES("How deep each site"),
    DRAPING("Sheet and permission"),
    MECHANICS("Therapist's body"),
    COMMUNICATION("Words"),
    BETWEEN("Time between steps"),
    MARKING("Marks and outcome"),
    TRACKING("Track"),
    TERM("Term"),
    HOURS("Attendance and hours");

    private final String label;

    Group(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}

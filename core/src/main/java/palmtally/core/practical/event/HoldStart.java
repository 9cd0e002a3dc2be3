package palmtally.core.practical.event;

/** A hold begins. */
public record HoldStart() implements Observation {
    @Override
    public boolean judges() {
        return true;
    }

    @Override
    public void apply(Course course) {
        course.hold();
    }
}

package palmtally.core.practical.event;

/** The hold ends. */
public record HoldStop() implements Observation {
    @Override
    public boolean judges() {
        return true;
    }

    @Override
    public void apply(Course course) {
        course.letGo();
    }
}

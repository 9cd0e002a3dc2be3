package palmtally.core.profile;

/** One side that can be taken where teachers disagree, with its words. */
public interface Choice {
    String label();
}

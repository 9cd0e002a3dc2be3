package palmtally.core;

/** One side that can be taken where teachers disagree, with its words. */
public interface Choice {
    String label();
}

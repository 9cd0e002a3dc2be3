package palmtally.core.picture;

/**
 * One shape.
 *
 * @param path as SVG has it, in millimetres
 */
public record Shape(Role role, String path) {}

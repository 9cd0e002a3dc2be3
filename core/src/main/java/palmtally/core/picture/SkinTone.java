package palmtally.core.picture;

import java.util.Locale;

/** The tone of the skin that is drawn, from the lightest to the darkest. Its colours are the page's; paper is grey. */
public enum SkinTone {
    LIGHT,
    SAND,
    TAN,
    BROWN,
    DARK;

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT);
    }
}

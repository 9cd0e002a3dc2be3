package palmtally.server.handout;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;

/** What is printed: a template under {@code resources/paper}, what it is filled with, and what is drawn in it. */
final class Document {
    private final String template;
    private final String title;
    private final String about;
    private final Map<String, Object> values = new HashMap<>();
    private final Map<String, Drawing> drawings = new LinkedHashMap<>();

    /**
     * @param template name of the file, without its ending
     * @param about what it is, in a sentence, for who does not see it
     */
    Document(String template, String title, String about) {
        this.template = template;
        this.title = title;
        this.about = about;
    }

    Document with(String name, Object value) {
        values.put(name, value);
        return this;
    }

    /** Keeps a drawing, and says under which name the template places it. */
    String draws(Drawing drawing) {
        var name = "d" + drawings.size();
        drawings.put(name, drawing);
        return name;
    }

    String template() {
        return template;
    }

    String title() {
        return title;
    }

    String about() {
        return about;
    }

    Map<String, Object> values() {
        return values;
    }

    Map<String, Drawing> drawings() {
        return drawings;
    }
}

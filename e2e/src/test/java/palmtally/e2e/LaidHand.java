package palmtally.e2e;

import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.regex.Pattern;

/** Five fingers on a screen of glass: laid down once, then tapping about where they lie, as fingers that are not looked at do. */
final class LaidHand {
    /** Left hand from above, little finger to thumb; pixels from the corner of the part it lies on, where that is wide enough. */
    private static final Map<String, double[]> LIES = Map.of(
            "draping", new double[] {110, 250},
            "communication", new double[] {230, 170},
            "mechanics", new double[] {350, 140},
            "order", new double[] {470, 180},
            "pressure", new double[] {600, 330});
    /** How far from its place a finger comes down, at most: well over a third of the way to the next. */
    private static final double ASTRAY = 45;
    /** What is that wide has room for a hand as it lies; on less it lies narrower, and goes less astray. */
    private static final double WIDE = 700;

    private final Page page;
    private final CDPSession touch;
    private final Random random = new Random(20_261_126);

    /** Makes the screen of the page one that tells ten fingers apart; to be called before it is opened. */
    LaidHand(Page page) {
        this.page = page;
        touch = page.context().newCDPSession(page);
        var ten = new JsonObject();
        ten.addProperty("enabled", true);
        ten.addProperty("maxTouchPoints", 10);
        touch.send("Emulation.setTouchEmulationEnabled", ten);
    }

    Locator area() {
        return page.getByRole(
                com.microsoft.playwright.options.AriaRole.REGION, new Page.GetByRoleOptions().setName("Laid hand"));
    }

    /** Lays all five fingers down and lifts them. */
    void lay() {
        send(LIES.keySet().stream().map(this::place).toList());
    }

    /** Taps with a finger while none is opened. */
    void tap(String finger) {
        var at = place(finger);
        send(List.of(new double[] {astray(at[0]), astray(at[1])}));
    }

    private double[] place(String finger) {
        var box = area().boundingBox();
        var at = LIES.get(finger);
        return new double[] {box.x + at[0] * narrow(), box.y + at[1]};
    }

    private double narrow() {
        return Math.min(1, area().boundingBox().width / WIDE);
    }

    /** Taps what stands at this label, with the finger that has it, about the middle of its row. */
    void pick(String label) {
        var cell = area().locator("[data-under]")
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("^\\s*" + label + "\\s*\\d*\\s*$")))
                .first();
        var box = cell.boundingBox();
        double finger = LIES.keySet().stream()
                .mapToDouble(f -> place(f)[0])
                .filter(x -> x > box.x && x < box.x + box.width)
                .findFirst()
                .orElseThrow();
        double middle = box.y + box.height / 2;
        send(List.of(new double[] {astray(finger), middle + (random.nextDouble() - 0.5) * box.height / 2}));
    }

    private double astray(double at) {
        return at + (random.nextDouble() * 2 - 1) * ASTRAY * narrow();
    }

    private void send(List<double[]> points) {
        var down = new JsonArray();
        for (int i = 0; i < points.size(); i++) {
            var p = new JsonObject();
            p.addProperty("x", points.get(i)[0]);
            p.addProperty("y", points.get(i)[1]);
            p.addProperty("id", i);
            down.add(p);
            dispatch("touchStart", down);
        }
        dispatch("touchEnd", new JsonArray());
    }

    private void dispatch(String type, JsonArray points) {
        var event = new JsonObject();
        event.addProperty("type", type);
        event.add("touchPoints", points);
        touch.send("Input.dispatchTouchEvent", event);
    }
}

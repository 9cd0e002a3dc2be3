package palmtally.e2e;

import com.deque.html.axecore.args.AxeRunOptions;
import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.LoadState;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What holds on a page at any size, by day and by night; what does not is kept by its name. */
final class ScreenRules {
    private static final List<String> TAGS = List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa");
    /** A phone, a tablet upright and on its side, beside the desk that all else is looked at on. */
    static final List<int[]> SIZES = List.of(new int[] {390, 844}, new int[] {820, 1180}, new int[] {1024, 768});

    static final int[] DESK = {1280, 800};

    /** Controls people press, and how large each is. A label makes its own switch larger. */
    private static final String SMALL = """
            () => [...document.querySelectorAll('button, a[href], select, textarea, input:not([type=checkbox]):not(.sr), summary, [role=link], [role=slider]')]
              .filter(e => e.offsetParent !== null || e instanceof SVGElement)
              .map(e => { const f = e.closest('.v-field') ?? e; const r = f.getBoundingClientRect();
                          return { name: e.getAttribute('aria-label') ?? e.innerText ?? e.tagName, w: r.width, h: r.height } })
              .filter(x => x.w > 0 && x.h > 0 && (x.w < 43.5 || x.h < 43.5))
              .map(x => `${x.name} ${Math.round(x.w)}×${Math.round(x.h)}`)""";
    /** Words that do not fit their control, cards that are slivers, and pages wider than the window. */
    private static final String CUT = """
            () => [...[...document.querySelectorAll('button, .push, h1, h2, .cue')]
                .filter(e => e.scrollWidth > e.clientWidth + 1 && e.clientWidth > 0)
                .map(e => `${e.innerText} is cut: ${e.scrollWidth} in ${e.clientWidth}`),
              ...[...document.querySelectorAll('section.card, aside.card, form.card')]
                .filter(e => e.clientWidth > 0 && e.clientWidth < 240)
                .map(e => `${e.innerText.slice(0, 30)} is squeezed: ${e.clientWidth} wide`),
              ...[...document.querySelectorAll('.sr')]
                .filter(e => { let s = e.parentElement; while (s && !/auto|scroll/.test(getComputedStyle(s).overflowY)) s = s.parentElement
                               return s && s !== document.documentElement && e.offsetParent && !s.contains(e.offsetParent) })
                .map(e => `${e.innerText} lengthens the page out of a list that scrolls`),
              ...(document.documentElement.scrollWidth > window.innerWidth ? [`page is ${document.documentElement.scrollWidth} wide`] : [])]""";

    private final Page page;
    private final Map<String, Object> faults = new LinkedHashMap<>();

    ScreenRules(Page page) {
        this.page = page;
    }

    /** What was found, by the screen and the rule. */
    Map<String, Object> faults() {
        return faults;
    }

    /** At the desk and at every other size, by day and by night. */
    void atEverySize(String name) {
        look(name);
        for (var size : SIZES) at(size, name);
        sized(DESK);
        turn(true);
        for (var size : SIZES) {
            sized(size);
            contrast(name + " at " + size[0] + "×" + size[1]);
        }
        sized(DESK);
        turn(false);
    }

    /** At a size, as the page stands now. */
    void at(int[] size, String name) {
        sized(size);
        var there = name + " at " + size[0] + "×" + size[1];
        violations(axe().withTags(TAGS), there);
        room(there);
    }

    void sized(int... size) {
        page.setViewportSize(size[0], size[1]);
        // What is drawn by its own size draws itself anew in the frame after.
        page.evaluate("() => new Promise(r => requestAnimationFrame(() => requestAnimationFrame(() => r())))");
    }

    /** Night or day, as if another window of the same browser had turned it: not every page has the button. */
    private void turn(boolean night) {
        page.evaluate("""
                night => { localStorage.setItem('palm-night', night)
                           dispatchEvent(new StorageEvent('storage', { key: 'palm-night', newValue: night, storageArea: localStorage })) }""", String.valueOf(night));
        page.waitForTimeout(150);
    }

    /** By night only the colours are others. */
    private void contrast(String name) {
        violations(axe().withRules(List.of("color-contrast")), name + ", by night");
    }

    void settle() {
        page.waitForLoadState(LoadState.NETWORKIDLE);
        page.locator("h1").first().waitFor();
    }

    void look(String name) {
        violations(axe().withTags(TAGS), name);
        room(name);
        turn(true);
        contrast(name);
        turn(false);
    }

    /** Violations alone, in the page itself: there are no frames, and another page for each look takes longer than the look. */
    private AxeBuilder axe() {
        var options = new AxeRunOptions();
        options.setResultTypes(List.of("violations"));
        return new AxeBuilder(page).setLegacyMode(true).options(options);
    }

    private void violations(AxeBuilder asked, String name) {
        var axe = asked.analyze().getViolations();
        if (!axe.isEmpty())
            faults.put(
                    name + " axe",
                    axe.stream()
                            .map(r -> r.getId() + " " + r.getNodes().get(0).getHtml() + " "
                                    + r.getNodes().get(0).getFailureSummary())
                            .toList());
    }

    @SuppressWarnings("unchecked")
    void room(String name) {
        var small = (List<String>) page.evaluate(SMALL);
        if (!small.isEmpty()) faults.put(name + " small", small);
        var cut = (List<String>) page.evaluate(CUT);
        if (!cut.isEmpty()) faults.put(name + " cut", cut);
    }
}

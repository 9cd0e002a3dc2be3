package palmtally.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;

/** How somebody works the page: with a finger, or with the keyboard alone. */
interface Hand {
    void press(Locator target);

    void choose(Locator select, String label);

    void type(Locator field, String text);

    /** A key of the left or right hand where there is a keyboard; by touch the same thing is pressed on the page. */
    boolean keyboard();

    /** Fingers only. */
    record Touch(Page page) implements Hand {
        @Override
        public void press(Locator target) {
            target.tap();
        }

        @Override
        public void choose(Locator select, String label) {
            select.tap();
            select.selectOption(new com.microsoft.playwright.options.SelectOption().setLabel(label));
        }

        @Override
        public void type(Locator field, String text) {
            field.tap();
            page.keyboard().insertText(text);
        }

        @Override
        public boolean keyboard() {
            return false;
        }
    }

    /** Tab, Enter, arrows and letters; the pointer is never used. */
    record Keys(Page page) implements Hand {
        private static final int MOST_TABS = 220;

        private void tabTo(Locator target) {
            target.waitFor();
            for (int i = 0; i < MOST_TABS; i++) {
                if ((boolean) target.evaluate("e => document.activeElement === e")) return;
                // Of a list of tabs one is a stop, and arrows go along it.
                boolean beside = (boolean) target.evaluate(
                        "e => e.role === 'tab' && e.closest('[role=tablist]').contains(document.activeElement)");
                page.keyboard().press(beside ? "ArrowRight" : "Tab");
            }
            throw new AssertionError("Tab never reaches " + target);
        }

        @Override
        public void press(Locator target) {
            tabTo(target);
            page.keyboard().press("Enter");
        }

        @Override
        public void choose(Locator select, String label) {
            tabTo(select);
            page.keyboard().type(label);
        }

        @Override
        public void type(Locator field, String text) {
            tabTo(field);
            page.keyboard().type(text);
        }

        @Override
        public boolean keyboard() {
            return true;
        }
    }
}

package palmtally.e2e;

import com.microsoft.playwright.Page;
import java.util.List;

/** Hears what a page asks its core, and what that says, as long as the page lives. */
final class CoreHeard {
    private CoreHeard() {}

    private static final String LISTENS = """
            (() => {
              window.coreAsked = []
              window.coreSaid = []
              window.coreOpen = 0
              const Plain = Worker
              window.Worker = class extends Plain {
                constructor(...of) {
                  super(...of)
                  this.addEventListener('message', (e) => {
                    if (e.data.id === undefined) return
                    coreOpen--
                    coreSaid.push(JSON.stringify(e.data.said ?? e.data.failed ?? null))
                  })
                }
                postMessage(question, ...more) {
                  super.postMessage(question, ...more)
                  coreOpen++
                  coreAsked.push(JSON.stringify(question))
                }
              }
            })()
            """;

    /** From the next time on that it is opened. */
    static void in(Page page) {
        page.addInitScript(LISTENS);
    }

    /** Waits until the core is there, was asked something, and has answered all that it was asked. */
    static void settled(Page page) {
        page.waitForFunction("() => coreSaid.length > 0 && coreOpen === 0");
    }

    @SuppressWarnings("unchecked")
    static List<String> asked(Page page) {
        return (List<String>) page.evaluate("() => coreAsked");
    }

    @SuppressWarnings("unchecked")
    static List<String> said(Page page) {
        return (List<String>) page.evaluate("() => coreSaid");
    }
}

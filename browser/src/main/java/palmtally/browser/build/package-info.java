/** What the compiler is told while the page's module is made; nothing of it is in the module. */
@NullMarked
package palmtally.browser.build;

import org.jspecify.annotations.NullMarked;

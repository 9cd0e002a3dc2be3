package palmtally.browser.regex;

import org.jspecify.annotations.Nullable;

/** What a pattern found. */
public interface MatchResult {
    int start();

    int start(int group);

    int end();

    int end(int group);

    String group();

    @Nullable
    String group(int group);

    int groupCount();
}

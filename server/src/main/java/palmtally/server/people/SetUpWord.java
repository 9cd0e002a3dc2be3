package palmtally.server.people;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/** The word that makes whoever started an empty school its lead, and nobody else who happens to reach it first. */
@Component
class SetUpWord {
    private static final Logger log = LoggerFactory.getLogger(SetUpWord.class);
    private static final int LENGTH = 8;

    private final String word;
    private final boolean made;
    private final School school;

    /** @param given by the start command, which prints it; where it is blank one is made and written to the log */
    SetUpWord(@Value("${palm.setup-word:}") String given, School school) {
        this.made = given.isBlank();
        this.word = made ? Passwords.word(LENGTH) : given.strip();
        this.school = school;
    }

    @EventListener(ApplicationReadyEvent.class)
    void say() {
        if (made && school.empty()) log.warn("this school is empty; its first visit asks for the word {}", word);
    }

    /** @throws InvalidValue where it is not that word */
    void must(@Nullable String typed) {
        var right = word.toLowerCase(Locale.ROOT).getBytes(StandardCharsets.UTF_8);
        var tried = (typed == null ? "" : typed.strip().toLowerCase(Locale.ROOT)).getBytes(StandardCharsets.UTF_8);
        if (!MessageDigest.isEqual(right, tried))
            throw new InvalidValue(
                    "school", new Fault("word", "", "is not the word that was printed where this school was started"));
    }
}

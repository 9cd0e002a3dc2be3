package palmtally.core.practical;

import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Position;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.profile.MechanicsFault;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sheet;
import palmtally.core.technique.Tool;

/**
 * What an event carries. Every field is null unless its kind has it.
 *
 * @param step id of a step of the plan
 * @param depth observed, 0–5
 * @param number a report 0–10, the number of an interview question 1–4, or a measured value
 * @param clear of a reply: clear, not vague; of a balance test: balanced
 * @param faults what a look found; empty for a clean one
 * @param asked of a look: the app asked for it, so it is a sample
 * @param after of a measure: taken after the work, not before
 * @param on of attend: eyes on this table from now, or no longer; of a break: it begins, or it is over
 * @param ref of undo: id of the event that is taken back
 */
public record EventData(
        @Nullable String step,
        @Nullable Side side,
        @Nullable Zone zone,
        @Nullable Tool tool,
        @Nullable Integer depth,
        @Nullable Sheet sheet,
        @Nullable DrapeUnit unit,
        @Nullable Drape drape,
        @Nullable ConsentAnswer answer,
        @Nullable SayKind saying,
        @Nullable Style style,
        @Nullable Integer number,
        @Nullable String text,
        @Nullable Source source,
        @Nullable Boolean clear,
        @Nullable Boolean followedUp,
        @Nullable Response response,
        @Nullable List<MechanicsFault> faults,
        @Nullable Boolean asked,
        @Nullable Lubricant dressing,
        @Nullable Position position,
        @Nullable Measured measured,
        @Nullable Boolean after,
        @Nullable Boolean on,
        @Nullable String ref) {
    /** What happens to the sheet. */
    public enum Drape {
        OPEN,
        COVER,
        LOOSE,
        LEFT_OPEN,
        LIFTED_TOO_HIGH,
        SECURED,
        NOT_SECURED,
        NOT_COVERED_AT_END;

        @Override
        public String toString() {
            return name().toLowerCase().replace('_', '-');
        }
    }

    /** What becomes of a request for permission. */
    public enum ConsentAnswer {
        ASKED,
        YES,
        NO,
        WITHDRAWN;

        @Override
        public String toString() {
            return name().toLowerCase();
        }
    }

    /** How a question is put. */
    public enum Style {
        OPEN,
        CHOICE,
        CLOSED;

        @Override
        public String toString() {
            return name().toLowerCase();
        }
    }

    /** Where a report comes from. */
    public enum Source {
        SPOKEN,
        HANDSET;

        @Override
        public String toString() {
            return name().toLowerCase();
        }
    }

    /** What the therapist does about a report. */
    public enum Response {
        EASED,
        BROADER,
        SLOWER,
        STOPPED,
        NONE;

        @Override
        public String toString() {
            return name().toLowerCase();
        }
    }

    /** What is measured before and after. */
    public enum Measured {
        PAIN,
        RANGE;

        @Override
        public String toString() {
            return name().toLowerCase();
        }
    }

    public EventData {
        faults = faults == null ? null : List.copyOf(faults);
    }

    /** Data with no field set. */
    public static final EventData NONE = new Builder().build();

    public static Builder with() {
        return new Builder();
    }

    /** Sets the few fields an event has. */
    public static final class Builder {
        private @Nullable String step;
        private @Nullable Side side;
        private @Nullable Zone zone;
        private @Nullable Tool tool;
        private @Nullable Integer depth;
        private @Nullable Sheet sheet;
        private @Nullable DrapeUnit unit;
        private @Nullable Drape drape;
        private @Nullable ConsentAnswer answer;
        private @Nullable SayKind saying;
        private @Nullable Style style;
        private @Nullable Integer number;
        private @Nullable String text;
        private @Nullable Source source;
        private @Nullable Boolean clear;
        private @Nullable Boolean followedUp;
        private @Nullable Response response;
        private @Nullable List<MechanicsFault> faults;
        private @Nullable Boolean asked;
        private @Nullable Lubricant dressing;
        private @Nullable Position position;
        private @Nullable Measured measured;
        private @Nullable Boolean after;
        private @Nullable Boolean on;
        private @Nullable String ref;

        public Builder step(String step) {
            this.step = step;
            return this;
        }

        public Builder side(Side side) {
            this.side = side;
            return this;
        }

        public Builder zone(Zone zone) {
            this.zone = zone;
            return this;
        }

        public Builder tool(Tool tool) {
            this.tool = tool;
            return this;
        }

        public Builder depth(int depth) {
            this.depth = depth;
            return this;
        }

        public Builder sheet(Sheet sheet) {
            this.sheet = sheet;
            return this;
        }

        public Builder unit(DrapeUnit unit) {
            this.unit = unit;
            return this;
        }

        public Builder drape(Drape drape) {
            this.drape = drape;
            return this;
        }

        public Builder answer(ConsentAnswer answer) {
            this.answer = answer;
            return this;
        }

        public Builder saying(SayKind saying) {
            this.saying = saying;
            return this;
        }

        public Builder style(Style style) {
            this.style = style;
            return this;
        }

        public Builder number(int number) {
            this.number = number;
            return this;
        }

        public Builder text(String text) {
            this.text = text;
            return this;
        }

        public Builder source(Source source) {
            this.source = source;
            return this;
        }

        public Builder clear(boolean clear) {
            this.clear = clear;
            return this;
        }

        public Builder followedUp(boolean followedUp) {
            this.followedUp = followedUp;
            return this;
        }

        public Builder response(Response response) {
            this.response = response;
            return this;
        }

        public Builder faults(List<MechanicsFault> faults) {
            this.faults = faults;
            return this;
        }

        public Builder asked(boolean asked) {
            this.asked = asked;
            return this;
        }

        public Builder dressing(Lubricant dressing) {
            this.dressing = dressing;
            return this;
        }

        public Builder position(Position position) {
            this.position = position;
            return this;
        }

        public Builder measured(Measured measured) {
            this.measured = measured;
            return this;
        }

        public Builder after(boolean after) {
            this.after = after;
            return this;
        }

        public Builder on(boolean on) {
            this.on = on;
            return this;
        }

        public Builder ref(String ref) {
            this.ref = ref;
            return this;
        }

        public EventData build() {
            return new EventData(
                    step,
                    side,
                    zone,
                    tool,
                    depth,
                    sheet,
                    unit,
                    drape,
                    answer,
                    saying,
                    style,
                    number,
                    text,
                    source,
                    clear,
                    followedUp,
                    response,
                    faults,
                    asked,
                    dressing,
                    position,
                    measured,
                    after,
                    on,
                    ref);
        }
    }
}

package palmtally.core.practical;

import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** The fields that an event's data can have; {@link EventKind} says which kind has which. */
public enum Detail {
    STEP("step", EventData::step),
    SIDE("side", EventData::side),
    ZONE("zone", EventData::zone),
    TOOL("tool", EventData::tool),
    DEPTH("depth", EventData::depth),
    SHEET("sheet", EventData::sheet),
    UNIT("unit", EventData::unit),
    DRAPE("drape", EventData::drape),
    ANSWER("answer", EventData::answer),
    SAYING("saying", EventData::saying),
    STYLE("style", EventData::style),
    NUMBER("number", EventData::number),
    TEXT("text", EventData::text),
    SOURCE("source", EventData::source),
    CLEAR("clear", EventData::clear),
    FOLLOWED_UP("followedUp", EventData::followedUp),
    RESPONSE("response", EventData::response),
    FAULTS("faults", EventData::faults),
    ASKED("asked", EventData::asked),
    DRESSING("dressing", EventData::dressing),
    POSITION("position", EventData::position),
    MEASURED("measured", EventData::measured),
    AFTER("after", EventData::after),
    ON("on", EventData::on),
    REF("ref", EventData::ref);

    private final String field;
    private final Function<EventData, @Nullable Object> value;

    Detail(String field, Function<EventData, @Nullable Object> value) {
        this.field = field;
        this.value = value;
    }

    public String field() {
        return field;
    }

    @Nullable
    Object of(EventData data) {
        return value.apply(data);
    }
}

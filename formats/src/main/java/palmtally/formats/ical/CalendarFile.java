package palmtally.formats.ical;

import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.time.temporal.Temporal;
import java.time.zone.ZoneOffsetTransition;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.data.CalendarOutputter;
import net.fortuna.ical4j.data.ParserException;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.ComponentList;
import net.fortuna.ical4j.model.ParameterList;
import net.fortuna.ical4j.model.Property;
import net.fortuna.ical4j.model.PropertyList;
import net.fortuna.ical4j.model.component.CalendarComponent;
import net.fortuna.ical4j.model.component.Daylight;
import net.fortuna.ical4j.model.component.Observance;
import net.fortuna.ical4j.model.component.Standard;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.component.VTimeZone;
import net.fortuna.ical4j.model.parameter.TzId;
import net.fortuna.ical4j.model.parameter.Value;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtEnd;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.DtStart;
import net.fortuna.ical4j.model.property.Location;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Summary;
import net.fortuna.ical4j.model.property.TzOffsetFrom;
import net.fortuna.ical4j.model.property.TzOffsetTo;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.XProperty;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import net.fortuna.ical4j.util.CompatibilityHints;
import palmtally.core.InvalidValue.Fault;
import palmtally.formats.FormatException;

/**
 * A calendar as a file, by RFC 5545: lines end in CR LF and are at most 75 octets long, times stand by the zone of the calendar, whose
 * offsets stand with it.
 */
public final class CalendarFile {
    /** A file that is longer is none of a school's calendar. */
    public static final int MOST_CHARACTERS = 4_000_000;

    /** More entries than this are none either. */
    public static final int MOST_ENTRIES = 20_000;

    private static final int DEEPEST = 8;
    private static final Pattern FOLD = Pattern.compile("\r?\n[ \t]");

    /** Octets of a line without its end (RFC 5545, 3.1). */
    private static final int LINE = 75;

    private static final int UNFOLDED = Integer.MAX_VALUE / 4;

    static {
        // What other programs write is read as far as it can be; nothing is fetched for it.
        System.setProperty("net.fortuna.ical4j.timezone.update.enabled", "false");
        System.setProperty("net.fortuna.ical4j.timezone.cache.impl", "net.fortuna.ical4j.util.MapTimeZoneCache");
        CompatibilityHints.setHintEnabled(CompatibilityHints.KEY_RELAXED_UNFOLDING, true);
        CompatibilityHints.setHintEnabled(CompatibilityHints.KEY_RELAXED_PARSING, true);
        CompatibilityHints.setHintEnabled(CompatibilityHints.KEY_RELAXED_VALIDATION, true);
    }

    private CalendarFile() {}

    /**
     * @param name what the calendar is called
     * @param zone by whose clock the entries are
     * @param stamp when the file is made
     */
    public static String write(String name, ZoneId zone, Instant stamp, List<CalendarEntry> entries) {
        var components = new ArrayList<CalendarComponent>();
        var timed = entries.stream().filter(e -> !e.allDay()).toList();
        if (!timed.isEmpty()) components.add(zone(zone, timed));
        for (var e : entries) components.add(event(e, zone, stamp));
        var head = List.<Property>of(
                new ProdId("-//Palm Tally//Calendar//EN"),
                ImmutableVersion.VERSION_2_0,
                ImmutableCalScale.GREGORIAN,
                new XProperty("X-WR-CALNAME", name),
                new XProperty("REFRESH-INTERVAL", new ParameterList(List.of(Value.DURATION)), "PT1H"));
        var calendar = new Calendar(new PropertyList(head), new ComponentList<>(components));
        var text = new StringWriter();
        try {
            new CalendarOutputter(false, UNFOLDED).output(calendar, text);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        return folded(text.toString());
    }

    /** Folds by octets and never within a character; the library counts characters. */
    private static String folded(String text) {
        var out = new StringBuilder(text.length() + text.length() / 16);
        for (var line : text.split("\r\n", -1)) {
            int octets = 0;
            for (int i = 0; i < line.length(); ) {
                int point = line.codePointAt(i);
                int wide = Character.toString(point).getBytes(StandardCharsets.UTF_8).length;
                if (octets + wide > LINE) {
                    out.append("\r\n ");
                    octets = 1;
                }
                out.appendCodePoint(point);
                octets += wide;
                i += Character.charCount(point);
            }
            out.append("\r\n");
        }
        // What was split at its last end has an empty line behind it.
        out.setLength(out.length() - 2);
        return out.toString();
    }

    private static VEvent event(CalendarEntry e, ZoneId zone, Instant stamp) {
        var properties = new ArrayList<Property>();
        properties.add(new Uid(e.uid()));
        properties.add(new DtStamp(stamp));
        if (e.allDay()) {
            properties.add(new DtStart<>(dates(), e.begins().toLocalDate()));
            properties.add(new DtEnd<>(dates(), e.ends().toLocalDate()));
        } else {
            properties.add(new DtStart<>(in(zone), e.begins()));
            properties.add(new DtEnd<>(in(zone), e.ends()));
        }
        properties.add(new Summary(e.title()));
        if (!e.place().isEmpty()) properties.add(new Location(e.place()));
        if (!e.text().isEmpty()) properties.add(new Description(e.text()));
        return new VEvent(new PropertyList(properties));
    }

    private static ParameterList dates() {
        return new ParameterList(List.of(Value.DATE));
    }

    private static ParameterList in(ZoneId zone) {
        return new ParameterList(List.of(new TzId(zone.getId())));
    }

    /** The offsets of a zone for as long as the entries go, each with when it begins. */
    private static VTimeZone zone(ZoneId zone, List<CalendarEntry> timed) {
        var rules = zone.getRules();
        var first = timed.stream()
                .map(CalendarEntry::begins)
                .min(LocalDateTime::compareTo)
                .orElseThrow()
                .atZone(zone)
                .toInstant();
        var last = timed.stream()
                .map(CalendarEntry::ends)
                .max(LocalDateTime::compareTo)
                .orElseThrow()
                .atZone(zone)
                .toInstant();
        var observances = new ArrayList<Observance>();
        var before = rules.previousTransition(first.plusSeconds(1));
        observances.add(
                before == null
                        ? observance(
                                rules.isDaylightSavings(first),
                                LocalDateTime.of(1970, 1, 1, 0, 0),
                                rules.getOffset(first),
                                rules.getOffset(first))
                        : observance(zone, before));
        for (var next = rules.nextTransition(first);
                next != null && !next.getInstant().isAfter(last);
                next = rules.nextTransition(next.getInstant())) observances.add(observance(zone, next));
        return new VTimeZone(
                new PropertyList(List.of(new net.fortuna.ical4j.model.property.TzId(zone.getId()))),
                new ComponentList<>(observances));
    }

    private static Observance observance(ZoneId zone, ZoneOffsetTransition t) {
        return observance(
                zone.getRules().isDaylightSavings(t.getInstant()),
                t.getDateTimeBefore(),
                t.getOffsetBefore(),
                t.getOffsetAfter());
    }

    private static Observance observance(boolean daylight, LocalDateTime begins, ZoneOffset from, ZoneOffset to) {
        var properties = new PropertyList(List.of(new DtStart<>(begins), new TzOffsetFrom(from), new TzOffsetTo(to)));
        return daylight ? new Daylight(properties) : new Standard(properties);
    }

    /**
     * Reads a calendar of any program: what is at a time or on days, as it first is where it comes again.
     *
     * @param zone by whose clock the entries are told; a time without a zone is by this one
     * @throws FormatException where it is no calendar
     */
    public static List<CalendarEntry> read(String text, ZoneId zone) throws FormatException {
        if (text.length() > MOST_CHARACTERS)
            throw refused("text", text.length() + " characters", "must be at most " + MOST_CHARACTERS);
        if (deepest(text) > DEEPEST) throw refused("text", begin(text), "is nested deeper than any calendar");
        Calendar calendar;
        try {
            calendar = new CalendarBuilder().build(new StringReader(text));
        } catch (IOException | ParserException | RuntimeException e) {
            throw refused("text", begin(text), "is no calendar file (iCalendar, .ics)");
        }
        List<VEvent> events = calendar.getComponents(Component.VEVENT);
        if (events.size() > MOST_ENTRIES)
            throw refused("text", events.size() + " entries", "must be at most " + MOST_ENTRIES);
        var entries = new ArrayList<CalendarEntry>();
        for (var event : events) {
            var uid = value(event, Property.UID);
            var begins = event.getProperty(Property.DTSTART).orElse(null);
            if (uid.isBlank() || begins == null) continue;
            try {
                entries.add(entry(event, uid, zone));
            } catch (RuntimeException e) {
                throw refused(begin(uid), begins.getValue(), "is a time that cannot be read");
            }
        }
        return List.copyOf(entries);
    }

    /** How deep components stand in components: the parser goes down by itself. */
    private static int deepest(String text) {
        int depth = 0;
        int deepest = 0;
        for (var line : FOLD.matcher(text).replaceAll("").split("[\r\n]+")) {
            if (line.regionMatches(true, 0, "BEGIN:", 0, 6)) deepest = Math.max(deepest, ++depth);
            else if (line.regionMatches(true, 0, "END:", 0, 4)) depth--;
        }
        return deepest;
    }

    private static CalendarEntry entry(VEvent event, String uid, ZoneId zone) {
        Temporal start = event.getDateTimeStart().getDate();
        boolean allDay = start instanceof LocalDate;
        var begins = local(start, zone);
        var end = event.getEndDate(true).map(e -> local(e.getDate(), zone));
        return new CalendarEntry(
                uid,
                value(event, Property.SUMMARY),
                begins,
                end.filter(e -> !e.isBefore(begins)).orElse(allDay ? begins.plusDays(1) : begins),
                allDay,
                value(event, Property.LOCATION),
                value(event, Property.DESCRIPTION),
                value(event, Property.STATUS).equalsIgnoreCase("CANCELLED"));
    }

    private static LocalDateTime local(Temporal at, ZoneId zone) {
        if (at instanceof LocalDate day) return day.atStartOfDay();
        if (at instanceof LocalDateTime there) return there;
        if (at instanceof ZonedDateTime there)
            return there.withZoneSameInstant(zone).toLocalDateTime();
        if (at instanceof OffsetDateTime there)
            return there.atZoneSameInstant(zone).toLocalDateTime();
        return LocalDateTime.ofInstant(Instant.from(at), zone);
    }

    private static String value(VEvent event, String property) {
        return event.getProperty(property).map(Property::getValue).orElse("");
    }

    private static FormatException refused(String field, String value, String problem) {
        return new FormatException(List.of(new Fault(field, value, problem)));
    }

    private static String begin(String text) {
        return text.length() <= 60 ? text : text.substring(0, 60) + "…";
    }
}

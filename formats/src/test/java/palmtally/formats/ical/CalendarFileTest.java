package palmtally.formats.ical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Date;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.formats.FormatException;

/** Our calendars are read by a library that shares no code with ours (biweekly), and what that one writes is read by us. */
class CalendarFileTest {
    private static final Instant STAMP = Instant.parse("2026-12-01T18:00:00Z");

    private static List<CalendarEntry> weekly(ZoneId zone) {
        var entries = new ArrayList<CalendarEntry>();
        for (int week = 0; week < 60; week++)
            entries.add(CalendarEntry.at(
                    "lab-" + week,
                    "Lab " + week,
                    LocalDateTime.of(2026, 1, 6, 18, 30).plusWeeks(week),
                    150,
                    "Loft",
                    "Neck"));
        return entries;
    }

    /**
     * Every lab of more than a year is at the moment that java.time says, on both sides of each change of the clocks. (That library takes every
     * daylight saving for a whole hour, so that Lord Howe is asked below.)
     */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "Europe/Oslo",
                "America/St_Johns",
                "America/Sao_Paulo",
                "Asia/Kathmandu",
                "Pacific/Auckland",
                "Africa/Casablanca",
                "UTC"
            })
    void another_library_reads_every_moment_as_it_is_meant(String name) {
        var zone = ZoneId.of(name);
        var entries = weekly(zone);
        var read = Biweekly.parse(CalendarFile.write("Harbour", zone, STAMP, entries))
                .first();
        assertThat(read.getEvents()).hasSize(60);
        for (int i = 0; i < entries.size(); i++) {
            var event = read.getEvents().get(i);
            assertThat(event.getUid().getValue()).isEqualTo("lab-" + i);
            assertThat(event.getDateStart().getValue().toInstant())
                    .isEqualTo(entries.get(i).begins().atZone(zone).toInstant());
            assertThat(Duration.between(
                            event.getDateStart().getValue().toInstant(),
                            event.getDateEnd().getValue().toInstant()))
                    .isEqualTo(Duration.ofMinutes(150));
        }
        assertThat(read.validate(biweekly.ICalVersion.V2_0).isEmpty()).isTrue();
    }

    /** The same where only the offsets in the file say what the zone is, also where the clocks change by half an hour. */
    @ParameterizedTest
    @ValueSource(
            strings = {"Europe/Oslo", "America/St_Johns", "Asia/Kathmandu", "Australia/Lord_Howe", "Africa/Casablanca"})
    void the_offsets_in_the_file_are_those_of_the_zone(String name) throws FormatException {
        var zone = ZoneId.of(name);
        var entries = weekly(zone);
        var text = CalendarFile.write("Harbour", zone, STAMP, entries).replace(name, "Of the quay");
        var read = CalendarFile.read(text, ZoneId.of("UTC"));
        for (int i = 0; i < entries.size(); i++)
            assertThat(read.get(i).begins().toInstant(java.time.ZoneOffset.UTC))
                    .isEqualTo(entries.get(i).begins().atZone(zone).toInstant());
    }

    @Test
    void what_we_write_we_read() throws FormatException {
        var oslo = ZoneId.of("Europe/Oslo");
        var entries = new ArrayList<>(weekly(oslo));
        entries.add(CalendarEntry.on("end", "Term ends", LocalDate.of(2026, 12, 18), "Hours are due"));
        assertThat(CalendarFile.read(CalendarFile.write("Harbour", oslo, STAMP, entries), oslo))
                .isEqualTo(entries);
        assertThat(CalendarFile.write("Nothing", oslo, STAMP, List.of())).endsWith("END:VCALENDAR\r\n");
    }

    @Test
    void an_all_day_entry_is_a_date_and_ends_before_the_next() {
        var text = CalendarFile.write(
                "Harbour",
                ZoneId.of("Pacific/Auckland"),
                STAMP,
                List.of(CalendarEntry.on("end", "Term ends", LocalDate.of(2026, 12, 18), "")));
        assertThat(text)
                .contains("DTSTART;VALUE=DATE:20261218\r\n")
                .contains("DTEND;VALUE=DATE:20261219\r\n")
                .doesNotContain("VTIMEZONE");
        var event = Biweekly.parse(text).first().getEvents().get(0);
        assertThat(event.getDateStart().getValue().hasTime()).isFalse();
        assertThat(event.getDateStart().getValue().getRawComponents().toString())
                .contains("2026")
                .contains("18");
    }

    /** RFC 5545, 3.1: lines end in CR LF, are at most 75 octets, and no character is cut; 3.3.11: what is escaped in text. */
    @Test
    void lines_are_folded_by_octets_and_text_is_what_it_was() throws FormatException {
        var oslo = ZoneId.of("Europe/Oslo");
        var hard =
                "Commas, semicolons; back\\slashes and\nnew lines: “quoted” — naïve Ångström 漢字漢字漢字漢字漢字漢字漢字漢字漢字漢字 🐚🐚🐚🐚🐚🐚🐚🐚🐚🐚🐚🐚🐚🐚🐚🐚🐚🐚🐚🐚";
        var entry =
                CalendarEntry.at("x", hard.replace("\n", " "), LocalDateTime.of(2026, 7, 1, 9, 0), 20, "Quay; 2", hard);
        var text = CalendarFile.write(hard.replace("\n", " "), oslo, STAMP, List.of(entry));
        assertThat(text.replace("\r\n", "")).doesNotContain("\r").doesNotContain("\n");
        for (var line : text.split("\r\n"))
            assertThat(line.getBytes(StandardCharsets.UTF_8).length).isLessThanOrEqualTo(75);
        // A character that was cut is none.
        assertThat(new String(text.getBytes(StandardCharsets.UTF_8), StandardCharsets.UTF_8))
                .isEqualTo(text);
        var event = Biweekly.parse(text).first().getEvents().get(0);
        assertThat(event.getDescription().getValue()).isEqualTo(hard);
        assertThat(event.getSummary().getValue()).isEqualTo(entry.title());
        assertThat(event.getLocation().getValue()).isEqualTo("Quay; 2");
        assertThat(CalendarFile.read(text, oslo)).containsExactly(entry);
    }

    /** Another program writes in UTC, in a zone of its own, without one, all day, and with a duration for an end. */
    @Test
    void what_another_library_writes_is_read() throws FormatException {
        var oslo = ZoneId.of("Europe/Oslo");
        var calendar = new ICalendar();
        var summer = event("a", "2026-07-01T16:30:00Z");
        summer.setDuration(biweekly.util.Duration.builder().minutes(90).build());
        summer.setSummary("Lab, moved");
        summer.setLocation("Quay");
        calendar.addEvent(summer);
        var day = new VEvent();
        day.setUid("b");
        day.setDateStart(new biweekly.util.ICalDate(Date.from(Instant.parse("2026-07-02T00:00:00Z")), false));
        calendar.addEvent(day);
        var text = Biweekly.write(calendar).go();
        assertThat(CalendarFile.read(text, oslo)).first().satisfies(e -> {
            assertThat(e.begins()).isEqualTo(LocalDateTime.of(2026, 7, 1, 18, 30));
            assertThat(e.ends()).isEqualTo(LocalDateTime.of(2026, 7, 1, 20, 0));
            assertThat(e.title()).isEqualTo("Lab, moved");
            assertThat(e.place()).isEqualTo("Quay");
        });
    }

    private static VEvent event(String uid, String at) {
        var event = new VEvent();
        event.setUid(uid);
        event.setDateStart(Date.from(Instant.parse(at)));
        return event;
    }

    /** RFC 5545, 3.6.5, its example of New York since 2007, and a time of 3.3.5 form 3 (from memory). */
    @Test
    void a_zone_that_is_defined_in_the_file_is_taken_from_there() throws FormatException {
        var text = """
                BEGIN:VCALENDAR
                VERSION:2.0
                PRODID:-//Another//Program//EN
                BEGIN:VTIMEZONE
                TZID:Harbour Standard Time
                BEGIN:STANDARD
                DTSTART:20071104T020000
                RRULE:FREQ=YEARLY;BYDAY=1SU;BYMONTH=11
                TZOFFSETFROM:-0400
                TZOFFSETTO:-0500
                TZNAME:EST
                END:STANDARD
                BEGIN:DAYLIGHT
                DTSTART:20070311T020000
                RRULE:FREQ=YEARLY;BYDAY=2SU;BYMONTH=3
                TZOFFSETFROM:-0500
                TZOFFSETTO:-0400
                TZNAME:EDT
                END:DAYLIGHT
                END:VTIMEZONE
                BEGIN:VEVENT
                UID:winter
                DTSTAMP:20261201T000000Z
                DTSTART;TZID=Harbour Standard Time:20270114T180000
                DTEND;TZID=Harbour Standard Time:20270114T200000
                SUMMARY:Lab
                END:VEVENT
                BEGIN:VEVENT
                UID:summer
                DTSTAMP:20261201T000000Z
                DTSTART;TZID=Harbour Standard Time:20270714T180000
                SUMMARY:Lab
                STATUS:CANCELLED
                END:VEVENT
                BEGIN:VEVENT
                UID:floating
                DTSTAMP:20261201T000000Z
                DTSTART:20270714T180000
                END:VEVENT
                END:VCALENDAR
                """;
        for (var ends : List.of("\r\n", "\n")) {
            var read = CalendarFile.read(text.replace("\n", ends), ZoneId.of("UTC"));
            assertThat(read).hasSize(3);
            assertThat(read.get(0).begins()).isEqualTo(LocalDateTime.of(2027, 1, 14, 23, 0));
            assertThat(read.get(0).ends()).isEqualTo(LocalDateTime.of(2027, 1, 15, 1, 0));
            assertThat(read.get(1).begins()).isEqualTo(LocalDateTime.of(2027, 7, 14, 22, 0));
            assertThat(read.get(1).cancelled()).isTrue();
            assertThat(read.get(2).begins()).isEqualTo(LocalDateTime.of(2027, 7, 14, 18, 0));
        }
    }

    /** RFC 5545, 3.1: "a long line can be split between any two characters" by CR LF and a blank; tabs do as well. */
    @Test
    void folded_lines_of_others_are_whole_again() throws FormatException {
        var read = CalendarFile.read(
                "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\nBEGIN:VEVENT\r\nUID:a\r\nDTSTAMP:20261201T000000Z\r\nDTST\r\n ART:2027"
                        + "0714T180000Z\r\nSUMMARY:This is a lo\r\n ng description\r\n\t that exists on a long line.\r\n"
                        + "END:VEVENT\r\nEND:VCALENDAR\r\n",
                ZoneId.of("UTC"));
        assertThat(read.get(0).title()).isEqualTo("This is a long description that exists on a long line.");
        assertThat(read.get(0).begins()).isEqualTo(LocalDateTime.of(2027, 7, 14, 18, 0));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "hello",
                "BEGIN:VCALENDAR\r\n",
                "BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nEND:VCALENDAR\r\n",
                "{\"kind\":\"term\"}",
                "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\nBEGIN:VEVENT\r\nUID:a\r\nDTSTART:yesterday\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n"
            })
    void what_is_no_calendar_is_refused_and_says_so(String text) {
        assertThatThrownBy(() -> CalendarFile.read(text, ZoneId.of("UTC")))
                .isInstanceOfSatisfying(
                        FormatException.class,
                        e -> assertThat(e.faults().get(0).reason())
                                .contains("calendar")
                                .contains(".ics"));
    }

    @Test
    void what_is_nested_without_end_is_refused() {
        for (var one : List.of("BEGIN:VEVENT\r\n", "begin:x-a\n", "BEG\r\n IN:VEVENT\r\n"))
            assertThatThrownBy(() -> CalendarFile.read("BEGIN:VCALENDAR\r\n" + one.repeat(100_000), ZoneId.of("UTC")))
                    .isInstanceOfSatisfying(
                            FormatException.class,
                            e -> assertThat(e.faults().get(0).reason())
                                    .isEqualTo("is nested deeper than any calendar"));
    }

    /** What has no name or no time is no entry; an entry that ends before it begins ends when it begins. */
    @Test
    void entries_that_are_none_are_left_out() throws FormatException {
        var head = "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\nBEGIN:VEVENT\r\n";
        var foot = "END:VEVENT\r\nEND:VCALENDAR\r\n";
        assertThat(CalendarFile.read(head + "SUMMARY:no uid\r\nDTSTART:20270714T180000Z\r\n" + foot, ZoneId.of("UTC")))
                .isEmpty();
        assertThat(CalendarFile.read(head + "UID:a\r\nSUMMARY:no time\r\n" + foot, ZoneId.of("UTC")))
                .isEmpty();
        var back = CalendarFile.read(
                head + "UID:a\r\nDTSTART:20270714T180000Z\r\nDTEND:20270714T170000Z\r\n" + foot, ZoneId.of("UTC"));
        assertThat(back.get(0).ends()).isEqualTo(back.get(0).begins());
        // One that comes again for ever is read as it first is, at once.
        var forever = CalendarFile.read(
                head + "UID:a\r\nDTSTART:20270714T180000Z\r\nRRULE:FREQ=SECONDLY\r\n" + foot, ZoneId.of("UTC"));
        assertThat(forever).hasSize(1);
    }
}

package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.core.body.Region;
import palmtally.core.competency.Competency;
import palmtally.core.competency.Evidence;
import palmtally.core.competency.Gate;
import palmtally.core.competency.Pace;
import palmtally.core.finding.Criterion;
import palmtally.core.practical.Excerpt;
import palmtally.core.practical.Scores;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Step;
import palmtally.formats.Documents;
import palmtally.formats.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Track over HTTP: every number from its events, what is next, the end of a term, and a student who leaves. */
@ExtendWith(App.class)
class TrackTest {
    private App.Running app;
    private Visitor nadia;
    private Visitor lead;

    @BeforeEach
    void signIn(App.Running running) {
        app = running;
        nadia = Visitor.as(app.url(), "nadia");
        lead = Visitor.as(app.url(), "lead");
    }

    /** A schema that another uses by its id, as it stands in the documents. */
    private static @Nullable String schema(String id) {
        if (!id.startsWith("urn:palm-tally:")) return null;
        try {
            return Files.readString(Path.of("..", "docs", "formats", id.split(":")[2] + ".schema.json"));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String path(String id) {
        return "/api/practicals/" + id;
    }

    /** A term that began so many weeks ago, with one student. */
    private record Class(Clock clock, Visitor lead, String term, String student, String signIn, String password) {
        private static int made;

        static Class begun(App.Running app, Visitor lead, int weeksAgo) {
            var name = "Track " + ++made;
            var starts = LocalDate.now(app.clock()).minusWeeks(weeksAgo);
            String term = "";
            for (var t : lead.post(
                            "/api/school/terms",
                            "{\"name\":\"" + name + "\",\"cohort\":\"" + name + "\",\"startsOn\":\"" + starts
                                    + "\",\"weeks\":15}")
                    .json())
                if (t.get("name").asString().equals(name)) term = t.get("id").asString();
            var student = lead.post(
                            "/api/school/terms/" + term + "/class",
                            Json.MAPPER
                                    .createObjectNode()
                                    .put("text", "Sorna Track" + made)
                                    .toString())
                    .json()
                    .get(0);
            return new Class(
                    app.clock(),
                    lead,
                    term,
                    student.get("id").asString(),
                    student.get("signIn").asString(),
                    student.get("password").asString());
        }

        /** A run of the demo as if it had been seen so long ago, every criterion awarded this value. */
        String seen(String record, Duration ago, int value, boolean released) {
            var file = (ObjectNode) Json.MAPPER.readTree(record);
            var first = clock.instant().minus(ago);
            for (var e : file.get("events"))
                ((ObjectNode) e)
                        .put("wall", first.plusMillis(e.get("atMs").asLong()).toString());
            var read = lead.post("/api/terms/" + term + "/students/" + student + "/practicals/file", file.toString());
            assertThat(read.status()).as(read.text()).isEqualTo(201);
            var id = read.json().get("id").asString();
            award(id, value, released);
            return id;
        }

        /** One that ended before anything was seen, and was awarded so. */
        String unseen() {
            var id = lead.post(
                            "/api/practicals",
                            "{\"term\":\"" + term + "\",\"student\":\"" + student
                                    + "\",\"sequence\":\"calves\",\"despite\":\"a test\"}")
                    .json()
                    .get("id")
                    .asString();
            lead.post(
                    path(id) + "/events",
                    "{\"events\":[{\"id\":\"f\",\"device\":\"d\",\"seq\":1,\"atMs\":5,\"kind\":\"finish\",\"data\":{}}]}");
            lead.post(path(id) + "/rating", "{\"value\":50}");
            var answer = lead.put(
                    path(id) + "/award",
                    "{\"from\":0,\"award\":{\"criteria\":{},\"struck\":[],\"confirmed\":[],\"feedback\":\"\",\"released\":true}}");
            assertThat(answer.status()).as(answer.text()).isEqualTo(200);
            return id;
        }

        void award(String id, int value, boolean released) {
            lead.post(path(id) + "/rating", "{\"value\":" + value + "}");
            var critical = new ArrayList<String>();
            for (var c : lead.get(path(id)).json().get("scores").get("criteria"))
                for (var f : c.get("findings"))
                    if (f.get("severity").asString().equals("critical"))
                        critical.add("{\"key\":\"" + f.get("key").asString() + "\",\"reason\":\"a test\"}");
            var changes = new ArrayList<String>();
            for (var c : Criterion.values())
                changes.add("\"" + c + "\":{\"value\":" + value + ",\"reason\":\"a test\"}");
            var answer = lead.put(
                    path(id) + "/award",
                    "{\"from\":0,\"award\":{\"criteria\":{" + String.join(",", changes) + "},\"struck\":["
                            + String.join(",", critical)
                            + "],\"confirmed\":[],\"feedback\":\"\",\"released\":" + released + "}}");
            assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        }

        JsonNode bar(String region, String criterion) {
            return bar(lead, region, criterion);
        }

        JsonNode bar(Visitor by, String region, String criterion) {
            for (var r : by.get("/api/competency/students/" + student).json().get("regions"))
                if (r.get("region").asString().equals(region))
                    for (var l : r.get("lines"))
                        if (l.get("bar").get("criterion").asString().equals(criterion)) return l.get("bar");
            throw new AssertionError(region + " " + criterion);
        }
    }

    /** The record of a neck of the demo, with enough seen of everything. */
    private String record() {
        for (var p : nadia.all("/api/terms/" + nadia.term() + "/practicals"))
            if (p.get("student").asString().equals("Eli Thorne")
                    && p.get("region").asString().equals("neck")
                    && p.path("result").asString("").equals("pass"))
                return nadia.get(path(p.get("id").asString()) + "/file").text();
        throw new AssertionError("no neck");
    }

    @Nested
    class Every_number_of_a_student {
        /** From the records alone, by the core alone: nothing that the server keeps of Track is used. */
        @Test
        @InWeeks(from = 9)
        void comes_from_the_raw_events() {
            var term = nadia.get("/api/session").json().get("terms").get(0);
            var starts = LocalDate.parse(term.get("startsOn").asString());
            int weeks = term.get("weeks").asInt();
            for (var name : List.of("Gus Harrow", "Dara Moss", "Ana Quill", "Tobin Vale")) {
                var id = nadia.person(name);
                var page = nadia.get("/api/competency/students/" + id).json();
                Profile profile = null;
                Map<Gate.Seen, List<Evidence>> evidence = new HashMap<>();
                Map<String, List<Evidence>> parts = new HashMap<>();
                double hours = 0;
                int practicals = 0;
                var bodies = new HashSet<String>();
                var selfMarks = new ArrayList<String>();
                for (var line : page.get("practicals")) {
                    if (line.path("voidReason").isMissingNode()
                            && line.get("finished").asBoolean()
                            && line.get("kind").asString().equals("practical")) {
                        practicals++;
                        // One that waits for its review shows its record to nobody yet; its length is on its page.
                        var whole = nadia.get(path(line.get("id").asString())).json();
                        double last = 0;
                        for (var e : whole.get("events"))
                            last = Math.max(last, e.get("atMs").asDouble());
                        hours += last / 3_600_000;
                        if (whole.has("partner"))
                            bodies.add(whole.get("partner").get("id").asString());
                    }
                    if (!line.path("voidReason").isMissingNode() || line.has("beside") || !line.has("result")) continue;
                    if (!line.get("kind").asString().equals("practical")) continue;
                    var at = Instant.parse(line.get("startedAt").asString());
                    var practical = practical(line.get("id").asString());
                    profile = practical.run().practical().profile();
                    var award = nadia.get(path(line.get("id").asString()))
                            .json()
                            .get("award")
                            .get("award");
                    put(evidence, practical, award, line.get("id").asString(), at, starts);
                    rollUps(parts, practical, award, line.get("id").asString(), at, starts);
                    var own = nadia.get(path(line.get("id").asString())).json().path("selfMarks");
                    for (var c : Criterion.values())
                        if (own.has(c.toString()))
                            selfMarks.add(line.get("id").asString() + " " + c + " "
                                    + own.get(c.toString()).asDouble());
                }
                var worked = page.get("worked");
                assertThat(worked.get("practicals").asInt()).isEqualTo(practicals);
                assertThat(worked.get("hours").asDouble()).isCloseTo(hours, within(1e-6));
                // And who sat with whom in a practice round.
                for (var other :
                        nadia.get("/api/terms/" + nadia.term() + "/people").json())
                    if (app.database()
                                    .count(
                                            "select count(*) from round_seat a join round_seat b on b.round_id = a.round_id"
                                                    + " and b.table_number = a.table_number join practice_round r on r.id = a.round_id"
                                                    + " where r.term_id = '" + nadia.term() + "' and a.account_id = '"
                                                    + id
                                                    + "' and b.account_id = '"
                                                    + other.get("id").asString() + "'")
                            > 0) bodies.add(other.get("id").asString());
                bodies.remove(id);
                assertThat(worked.get("bodies").asInt()).isEqualTo(bodies.size());
                var shown = new ArrayList<String>();
                for (var m : page.get("selfMarks"))
                    shown.add(m.get("practical").asString() + " "
                            + m.get("criterion").asString() + " " + m.get("own").asDouble());
                assertThat(shown).containsExactlyInAnyOrderElementsOf(selfMarks);
                int rolled = 0;
                for (var up : page.get("rollUps"))
                    for (var bar : up.get("bars")) {
                        var own = parts.getOrDefault(
                                up.get("facet").asString() + "/"
                                        + up.get("subject").asString() + "/"
                                        + bar.get("criterion").asString(),
                                List.of());
                        var expected = Competency.of(own, page.get("week").asDouble(), weeks, profile);
                        assertThat(bar.get("state").asString())
                                .as(name + " " + up.get("subject"))
                                .isEqualTo(expected.state().toString());
                        assertThat(bar.has("level")).isEqualTo(!own.isEmpty());
                        if (!own.isEmpty())
                            assertThat(bar.get("level").asDouble())
                                    .isCloseTo(expected.level().mean(), within(1e-6));
                        rolled++;
                    }
                assertThat(rolled).isGreaterThan(80);
                assertThat(profile).isNotNull();
                double week = page.get("week").asDouble();
                int bars = 0;
                for (var region : page.get("regions"))
                    for (var line : region.get("lines")) {
                        var key = new Gate.Seen(
                                Region.valueOf(region.get("region")
                                        .asString()
                                        .toUpperCase(Locale.ROOT)
                                        .replace('-', '_')),
                                Criterion.valueOf(line.get("bar")
                                        .get("criterion")
                                        .asString()
                                        .toUpperCase(Locale.ROOT)));
                        var pieces = evidence.getOrDefault(key, List.of());
                        same(line, pieces, Competency.of(pieces, week, weeks, profile), name + " " + key);
                        var pace = Pace.of(pieces, null, week, weeks, profile);
                        assertThat(line.has("pace")).isEqualTo(pace != null);
                        if (pace != null)
                            assertThat(line.get("pace").get("why").asString()).isEqualTo(pace.why());
                        if (!pieces.isEmpty()) bars++;
                    }
                assertThat(bars).isGreaterThan(25);
                int n = 0;
                for (var g : page.get("gates"))
                    assertThat(g.get("why").asString())
                            .isEqualTo(Gate.values()[n++]
                                    .passage(evidence, week, weeks, profile)
                                    .why());
            }
        }

        private Scores practical(String id) {
            try {
                return Scores.of(
                        Documents.readPractical(nadia.get(path(id) + "/file").text()));
            } catch (palmtally.formats.FormatException e) {
                throw new AssertionError(e);
            }
        }

        private void put(
                Map<Gate.Seen, List<Evidence>> evidence,
                Scores whole,
                JsonNode award,
                String id,
                Instant at,
                LocalDate starts) {
            var struck = new HashSet<String>();
            for (var s : award.get("struck")) struck.add(s.get("key").asString());
            var enough = whole.run().practical().profile().marking().enough();
            Excerpt.regions(whole.run().practical()).forEach((region, steps) -> {
                var part = Excerpt.of(whole, s -> steps.contains(s.id()));
                for (var c : part.criteria()) {
                    var change = award.get("criteria").path(c.criterion().toString());
                    Double value = change.isMissingNode()
                            ? c.score()
                            : Double.valueOf(change.get("value").asDouble());
                    boolean critical = part.critical().stream()
                            .anyMatch(f -> f.rule().criterion() == c.criterion() && !struck.contains(f.key()));
                    if (value == null && !critical) continue;
                    var since = Duration.between(
                            starts.atStartOfDay(),
                            LocalDateTime.ofInstant(at, app.clock().getZone()));
                    evidence.computeIfAbsent(new Gate.Seen(region, c.criterion()), k -> new ArrayList<>())
                            .add(new Evidence(
                                    id,
                                    since.toSeconds() / (7 * 86400.0),
                                    (int) since.toDays(),
                                    value == null ? 0 : value,
                                    value == null
                                            ? Evidence.HARM_ONLY
                                            : Evidence.weight(
                                                    Evidence.Kind.PRACTICAL,
                                                    Math.max(1, c.observations()),
                                                    enough.getOrDefault(c.criterion(), 1)),
                                    critical));
                }
            });
        }

        /** By technique, tool and position: what was seen there, whatever the grader made of the whole. */
        private void rollUps(
                Map<String, List<Evidence>> parts,
                Scores whole,
                JsonNode award,
                String id,
                Instant at,
                LocalDate starts) {
            var struck = new HashSet<String>();
            for (var s : award.get("struck")) struck.add(s.get("key").asString());
            var since = Duration.between(
                    starts.atStartOfDay(),
                    LocalDateTime.ofInstant(at, app.clock().getZone()));
            Map<String, java.util.function.Function<Step, String>> facets = Map.of(
                    "technique", s -> s.technique().id(),
                    "tool", s -> s.tool().toString(),
                    "position", s -> s.position().toString());
            facets.forEach((facet, of) -> {
                var subjects = new HashSet<String>();
                whole.run().practical().brief().forEach(b -> subjects.add(of.apply(b.step())));
                for (var subject : subjects) {
                    var part = Excerpt.of(whole, s -> of.apply(s).equals(subject));
                    for (var c : part.criteria()) {
                        boolean critical = part.critical().stream()
                                .anyMatch(f -> f.rule().criterion() == c.criterion() && !struck.contains(f.key()));
                        boolean nothing = c.score() == null || c.observations() == 0;
                        if (nothing && !critical) continue;
                        int enough = part.run()
                                .practical()
                                .profile()
                                .marking()
                                .enough()
                                .getOrDefault(c.criterion(), 1);
                        parts.computeIfAbsent(facet + "/" + subject + "/" + c.criterion(), k -> new ArrayList<>())
                                .add(new Evidence(
                                        id,
                                        since.toSeconds() / (7 * 86400.0),
                                        (int) since.toDays(),
                                        nothing ? 0 : c.score(),
                                        nothing
                                                ? Evidence.HARM_ONLY
                                                : Evidence.weight(Evidence.Kind.PRACTICAL, c.observations(), enough),
                                        critical));
                    }
                }
            });
        }

        private void same(JsonNode line, List<Evidence> pieces, Competency expected, String where) {
            var bar = line.get("bar");
            assertThat(bar.get("state").asString())
                    .as(where)
                    .isEqualTo(expected.state().toString());
            assertThat(bar.get("why").asString()).as(where).isEqualTo(expected.why());
            assertThat(bar.has("level")).as(where).isEqualTo(!pieces.isEmpty());
            if (pieces.isEmpty()) return;
            assertThat(bar.get("level").asDouble())
                    .as(where)
                    .isCloseTo(expected.level().mean(), within(1e-6));
            assertThat(bar.get("sd").asDouble())
                    .as(where)
                    .isCloseTo(expected.level().sd(), within(1e-6));
            assertThat(bar.get("secureProbability").asDouble())
                    .as(where)
                    .isCloseTo(expected.secureProbability(), within(1e-6));
            assertThat(line.get("history").size()).as(where).isEqualTo(pieces.size());
            for (int i = 0; i < pieces.size(); i++) {
                var dot = line.get("history").get(i);
                var point = expected.history().get(i);
                assertThat(dot.get("practical").asString())
                        .isEqualTo(point.evidence().source());
                assertThat(dot.get("score").asDouble())
                        .isCloseTo(point.evidence().score(), within(1e-9));
                assertThat(dot.get("weight").asDouble())
                        .isCloseTo(point.evidence().weight(), within(1e-9));
                assertThat(dot.get("level").asDouble()).isCloseTo(point.level().mean(), within(1e-6));
            }
        }
    }

    @Nested
    class What_was_just_secure {
        @Test
        @InWeeks(from = 9)
        void is_due_again_after_six_weeks_in_which_nobody_looked_and_secure_after_one_good_look() {
            var school = Class.begun(app, lead, 8);
            var record = record();
            school.seen(record, Duration.ofDays(49), 68, true);
            school.seen(record, Duration.ofDays(42), 67, true);
            var bar = school.bar("neck", "pressure");
            assertThat(bar.get("state").asString()).isEqualTo("due again");
            assertThat(bar.get("why").asString())
                    .startsWith("It was secure when last seen, 6 weeks ago, ")
                    .endsWith("and nobody has looked since. One more good look brings it back.");
            school.seen(record, Duration.ofHours(1), 80, true);
            assertThat(school.bar("neck", "pressure").get("state").asString()).isEqualTo("secure");
        }

        @Test
        @InWeeks(from = 9)
        void was_secure_on_the_day_it_was_last_seen() {
            var school = Class.begun(app, lead, 2);
            var record = record();
            school.seen(record, Duration.ofDays(8), 72, true);
            school.seen(record, Duration.ofMinutes(10), 70, true);
            assertThat(school.bar("neck", "pressure").get("state").asString()).isEqualTo("secure");
        }
    }

    @Nested
    class The_coming_lab {
        @Test
        @InWeeks(from = 9, to = 14)
        void has_a_list_that_keeps_to_its_minutes_and_says_why() {
            var list = nadia.get("/api/terms/" + nadia.term() + "/watch").json();
            assertThat(list.get("lab").get("week").asInt()).isGreaterThanOrEqualTo(9);
            assertThat(list.get("used").asDouble())
                    .isLessThanOrEqualTo(list.get("minutes").asDouble());
            assertThat(list.get("looks").size()).isPositive();
            var states = new HashSet<String>();
            double before = Double.MAX_VALUE;
            for (var l : list.get("looks")) {
                double density = l.get("worth").asDouble() / l.get("minutes").asDouble();
                assertThat(density).isLessThanOrEqualTo(before);
                before = density;
                assertThat(l.get("why").asString()).endsWith(".");
                // Also of a region that has no sequence of its own, as the low back within the hip.
                assertThat(l.has("sequence")).as(l.toString()).isTrue();
                for (var r : l.get("reasons")) states.add(r.get("state").asString());
            }
            assertThat(states).contains("open critical");
            assertThat(list.get("looks")
                            .get(0)
                            .get("reasons")
                            .get(0)
                            .get("state")
                            .asString())
                    .isEqualTo("open critical");
            var short_ =
                    nadia.get("/api/terms/" + nadia.term() + "/watch?minutes=7").json();
            assertThat(short_.get("used").asDouble()).isLessThanOrEqualTo(7);
            assertThat(nadia.get("/api/terms/" + nadia.term() + "/watch?minutes=-1")
                            .status())
                    .isEqualTo(422);
            assertThat(nadia.get("/api/terms/" + nadia.term() + "/watch?minutes=NaN")
                            .status())
                    .isEqualTo(422);
        }

        @Test
        void offers_no_look_that_cannot_be_set_up_and_says_what_is_missing() {
            var school = Class.begun(app, lead, 0);
            var lesson =
                    "{\"id\":\"%s\",\"week\":1,\"lab\":%d,\"region\":\"%s\",\"aim\":\"teach\",\"minutes\":45,%s\"note\":\"\",\"steps\":[]}";
            var plan =
                    "{\"id\":\"t\",\"name\":\"T\",\"weeks\":15,\"labsAWeek\":2,\"labMinutes\":120,\"targetHours\":0,\"regionHours\":{},\"kindHours\":{},\"off\":[],"
                            + "\"times\":[],\"lessons\":["
                            + lesson.formatted("l1", 1, "knee", "") + ","
                            + lesson.formatted("l2", 1, "neck", "\"sequence\":\"neck\",") + "]}";
            assertThat(lead.put("/api/terms/" + school.term + "/curriculum", "{\"from\":0,\"curriculum\":" + plan + "}")
                            .status())
                    .isEqualTo(200);
            var list = lead.get("/api/terms/" + school.term + "/watch").json();
            assertThat(list.get("looks")).hasSize(1);
            assertThat(list.get("looks").get(0).get("region").asString()).isEqualTo("neck");
            assertThat(list.get("looks").get(0).get("sequence").asString()).isNotBlank();
            assertThat(list.get("left").asInt()).isZero();
            assertThat(list.get("missing")).hasSize(1);
            var knee = list.get("missing").get(0);
            assertThat(knee.get("region").asString()).isEqualTo("knee");
            assertThat(knee.get("students").asInt()).isEqualTo(1);
            assertThat(knee.get("why").asString())
                    .isEqualTo(
                            "Knee: 1 student waits for a look, and no sequence works there, so none can be set up. Write one under Plan.");
        }

        @Test
        @InWeeks(from = 9, to = 14)
        void shows_again_what_the_class_misses_most_and_takes_it_out_again() {
            var path = "/api/terms/" + nadia.term() + "/steps";
            var heat = nadia.get(path).json();
            var worst = heat.get("steps").get(0);
            int asked = worst.get("asked").asInt();
            var step = path + "/" + worst.get("sequence").asString() + "/"
                    + worst.get("step").asString();
            var wrong = nadia.get(step).json().get("lines");
            int most = 0;
            for (var what : List.of("missed", "outOfOrder", "overCeiling", "leftSilent")) {
                int n = 0;
                for (var w : wrong) if (w.get(what).asBoolean()) n++;
                assertThat(n).as(what).isEqualTo(worst.get(what).asInt());
                most = Math.max(most, n);
            }
            assertThat(most).isBetween(1, asked);
            var again = nadia.post(step + "/again", "").json();
            var lessons = nadia.get("/api/terms/" + nadia.term() + "/curriculum")
                    .json()
                    .get("curriculum")
                    .get("lessons");
            JsonNode first = null;
            for (var l : lessons)
                if (l.get("week").asInt() == again.get("week").asInt()
                        && l.get("lab").asInt() == again.get("lab").asInt()
                        && first == null) first = l;
            assertThat(first).isNotNull();
            assertThat(first.get("steps").get(0).asString())
                    .isEqualTo(worst.get("step").asString());
            assertThat(nadia.get(path)
                            .json()
                            .get("steps")
                            .get(0)
                            .get("shownInWeek")
                            .asInt())
                    .isEqualTo(again.get("week").asInt());
            assertThat(nadia.delete(step + "/again").status()).isEqualTo(200);
            assertThat(nadia.get(path).json().get("steps").get(0).has("shownInWeek"))
                    .isFalse();
            assertThat(nadia.post(path + "/neck/nothing/again", "").status()).isEqualTo(404);
        }
    }

    @Nested
    class A_forecast {
        @Test
        @InWeeks(from = 9)
        void names_who_will_not_be_secure_and_what_would_have_to_be_seen() {
            var forecast = nadia.get("/api/terms/" + nadia.term() + "/forecast").json();
            assertThat(forecast.get("lines").size()).isPositive();
            var names = new HashSet<String>();
            for (var l : forecast.get("lines")) {
                names.add(l.get("name").asString());
                assertThat(l.get("pace").get("why").asString()).endsWith(".");
                assertThat(l.get("state").asString()).isNotIn("secure", "not seen");
            }
            assertThat(names).contains("Gus Harrow").doesNotContain("Eli Thorne");
        }
    }

    @Nested
    class Graders {
        @Test
        @InWeeks(from = 9)
        void are_compared_on_the_runs_both_marked() {
            var quality = nadia.get("/api/terms/" + nadia.term() + "/graders").json();
            assertThat(quality.get("pairs").asInt()).isGreaterThanOrEqualTo(12);
            var mean = quality.get("agreement").get(0);
            assertThat(mean.has("criterion")).isFalse();
            // Where all of a small class passes by both, there is nothing for kappa to say; the others always have a
            // number.
            for (var f : mean.get("figures"))
                if (!f.get("name").asString().contains("kappa"))
                    assertThat(f.has("value")).as(f.get("name").asString()).isTrue();
            var names = new ArrayList<String>();
            quality.get("graders").forEach(g -> names.add(g.get("name").asString()));
            assertThat(names).contains("Nadia Reef", "Olle Strand");
            assertThat(quality.get("sequences").size()).isGreaterThanOrEqualTo(5);
        }

        @Test
        void are_no_business_of_a_grader(App.Running app) {
            var olle = Visitor.as(app.url(), "olle");
            assertThat(olle.get("/api/terms/" + olle.term() + "/graders").status())
                    .isEqualTo(403);
        }

        @Test
        void of_a_term_without_pairs_get_no_number() {
            var school = Class.begun(app, lead, 1);
            var quality = lead.get("/api/terms/" + school.term + "/graders").json();
            for (var line : quality.get("agreement"))
                for (var f : line.get("figures")) {
                    assertThat(f.has("value")).isFalse();
                    assertThat(f.get("meaning").asString()).contains("There is none of 10 pairs");
                }
        }
    }

    @Nested
    class A_mark {
        @Test
        @InWeeks(from = 9)
        void given_is_told_to_every_open_track_within_a_second(App.Running app) throws Exception {
            var school = Class.begun(app, lead, 3);
            try (var one = lead.listen("/api/terms/" + school.term + "/competency/live");
                    var other =
                            Visitor.as(app.url(), "lead").listen("/api/terms/" + school.term + "/competency/live")) {
                assertThat(one.next(5_000)).isNotNull();
                assertThat(other.next(5_000)).isNotNull();
                school.seen(record(), Duration.ofHours(2), 75, true);
                assertThat(one.next(1_000)).isNotNull();
                assertThat(other.next(1_000)).isNotNull();
            }
            assertThat(school.bar("neck", "order").get("level").asDouble()).isBetween(45.0, 75.0);
        }

        @Test
        @InWeeks(from = 9)
        void released_is_told_to_the_students_own_page_and_no_other_mark_is(App.Running app) throws Exception {
            var school = Class.begun(app, lead, 3);
            var sorna = Visitor.as(app.url(), school.signIn, school.password);
            var page = "/api/competency/students/" + school.student;
            try (var line = sorna.listen(page + "/live")) {
                long before = told(line, 5_000);
                assertThat(before).isEqualTo(tracked(sorna, page));
                school.seen(record(), Duration.ofHours(3), 60, false);
                // Told, if at all, the same number: there is nothing new to read.
                for (var now = line.next(500); now != null; now = line.next(500))
                    assertThat(now.state().get("tracked").asLong()).isEqualTo(before);
                var released = school.seen(record(), Duration.ofHours(2), 75, true);
                long now = before;
                while (now == before) now = told(line, 1_000);
                assertThat(now).isEqualTo(tracked(sorna, page));
                lead.put(path(released) + "/void", "{\"reason\":\"a test\"}");
                while (now != before) now = told(line, 1_000);
                assertThat(now).isEqualTo(tracked(sorna, page));
            }
        }

        private long told(Line line, long ms) throws InterruptedException {
            var told = line.next(ms);
            assertThat(told).isNotNull();
            return told.state().get("tracked").asLong();
        }

        private long tracked(Visitor visitor, String page) {
            return visitor.get(page).json().get("tracked").asLong();
        }

        @Test
        @InWeeks(from = 9)
        void that_is_not_released_is_not_on_the_students_page(App.Running app) {
            var school = Class.begun(app, lead, 3);
            school.seen(record(), Duration.ofHours(2), 75, false);
            var sorna = Visitor.as(app.url(), school.signIn, school.password);
            assertThat(school.bar(sorna, "neck", "order").get("state").asString())
                    .isEqualTo("not seen");
            assertThat(sorna.get("/api/competency/students/" + school.student + "/evidence")
                            .json()
                            .get("students")
                            .get(0)
                            .get("evidence")
                            .size())
                    .isZero();
            assertThat(school.bar("neck", "order").get("state").asString()).isEqualTo("emerging");
        }
    }

    @Nested
    class The_end_of_a_term {
        @Test
        @InWeeks(from = 9)
        void releases_what_was_held_closes_and_carries_over(App.Running app) {
            var school = Class.begun(app, lead, 10);
            var record = record();
            school.seen(record, Duration.ofDays(30), 85, true);
            var held = school.seen(record, Duration.ofDays(10), 88, false);
            var closing = "/api/terms/" + school.term + "/closing";
            assertThat(lead.get(closing).json().get("held").get(0).get("id").asString())
                    .isEqualTo(held);
            var before = school.bar("neck", "pressure");
            assertThat(before.get("state").asString()).isEqualTo("secure");
            var earlier = Class.begun(app, lead, 12);
            assertThat(lead.post(closing, "{\"release\":true,\"into\":\"" + earlier.term + "\"}")
                            .code())
                    .isEqualTo("not-later");
            var next = Class.begun(app, lead, 0);
            var closed = lead.post(closing, "{\"release\":true,\"into\":\"" + next.term + "\"}");
            assertThat(closed.status()).as(closed.text()).isEqualTo(200);
            assertThat(closed.json().has("closedAt")).isTrue();
            assertThat(closed.json().get("held").size()).isZero();
            assertThat(app.database()
                            .count("select count(*) from evidence where practical_id = '" + held
                                    + "' and not released"))
                    .isZero();
            // The student is in the next term now, and stands there as they stood, a little less sure.
            var after = school.bar("neck", "pressure");
            assertThat(after.get("state").asString()).isEqualTo("secure");
            assertThat(after.get("why").asString()).startsWith("Carried over from the term before");
            assertThat(after.get("level").asDouble())
                    .isCloseTo(before.get("level").asDouble(), within(0.5));
            var variance = "select round(1000 * variance) from carried where from_term = '" + school.term
                    + "' and region = 'neck' and criterion = 'pressure'";
            long atOnce = app.database().count(variance);
            // Closed is read only.
            var late =
                    lead.post("/api/terms/" + school.term + "/students/" + school.student + "/practicals/file", record);
            assertThat(late.status()).isNotEqualTo(200);
            // And can be opened again while the next term has not begun.
            assertThat(lead.delete(closing).json().has("closedAt")).isFalse();
            assertThat(app.database().count("select count(*) from carried where from_term = '" + school.term + "'"))
                    .isZero();
            // Six weeks until the next term make it less sure by 9 a week, less the days since the tenth week.
            var later = Class.begun(app, lead, -6);
            assertThat(lead.post(closing, "{\"release\":true,\"into\":\"" + later.term + "\"}")
                            .status())
                    .isEqualTo(200);
            assertThat((app.database().count(variance) - atOnce) / 1000.0).isBetween(9 * 5.0, 9 * 6.01);
        }

        @Test
        @InWeeks(from = 9)
        void waits_for_what_was_never_awarded_and_is_the_leads() {
            var school = Class.begun(app, lead, 3);
            var read = lead.post(
                    "/api/terms/" + school.term + "/students/" + school.student + "/practicals/file", record());
            var closing = "/api/terms/" + school.term + "/closing";
            assertThat(lead.post(closing, "{}").code()).isEqualTo("not-awarded");
            lead.put(path(read.json().get("id").asString()) + "/void", "{\"reason\":\"a test\"}");
            assertThat(lead.post(closing, "{}").status()).isEqualTo(200);
            assertThat(nadia.post("/api/terms/" + nadia.term() + "/closing", "{}")
                            .status())
                    .isEqualTo(403);
        }
    }

    @Nested
    class A_student_who_leaves {
        @Test
        @InWeeks(from = 9)
        void takes_everything_along_and_is_erased_without_a_trace_of_what_was(App.Running app) {
            var school = Class.begun(app, lead, 5);
            school.seen(record(), Duration.ofDays(9), 35, true);
            var sorna = Visitor.as(app.url(), school.signIn, school.password);
            var data = "/api/students/" + school.student + "/data";
            var own = sorna.get(data).json();
            assertThat(own.get("account").get(0).get("signIn").asString()).isEqualTo(school.signIn);
            assertThat(own.get("practicals").get(0).get("events").size()).isGreaterThan(50);
            assertThat(own.get("practicals")
                            .get(0)
                            .get("awards")
                            .get(0)
                            .get("result")
                            .asString())
                    .isEqualTo("fail");
            assertThat(own.get("evidence").size()).isGreaterThanOrEqualTo(5);
            assertThat(own.get("readBy").toString()).contains("award");
            assertThat(nadia.get(data).status()).isEqualTo(403);
            assertThat(Visitor.as(app.url(), "ana").get(data).status()).isEqualTo(403);

            var erase = "/api/students/" + school.student + "/erase";
            var name = own.get("account").get(0).get("name").asString();
            assertThat(lead.post(erase, "{\"name\":\"" + name + "\"}").code()).isEqualTo("in-term");
            lead.delete("/api/school/terms/" + school.term + "/people/" + school.student);
            assertThat(lead.get("/api/students/gone").text()).contains(school.student);
            assertThat(nadia.get("/api/students/gone").status()).isEqualTo(403);
            assertThat(lead.post(erase, "{\"name\":\"Sorna\"}").code()).isEqualTo("another-name");
            assertThat(nadia.post(erase, "{\"name\":\"" + name + "\"}").status())
                    .isEqualTo(403);
            var erased = lead.post(erase, "{\"name\":\"" + name + "\"}");
            assertThat(erased.status()).as(erased.text()).isEqualTo(200);
            assertThat(erased.json().get("rows").get("practicals").asInt()).isEqualTo(1);
            var db = app.database();
            for (var table : List.of("practical", "evidence", "roll_up", "carried"))
                assertThat(db.count("select count(*) from " + table + " where student_id = '" + school.student + "'"))
                        .as(table)
                        .isZero();
            // Neither the name nor what they signed in with stands anywhere any more: somebody else may have it.
            for (var table :
                    db.column("select table_name from information_schema.tables where table_schema = 'public'"))
                assertThat(db.count("select count(*) from " + table + " t where strpos(lower(t::text), lower('" + name
                                + "')) > 0 or strpos(lower(t::text), lower('" + school.signIn + "')) > 0"))
                        .as(table)
                        .isZero();
            // The trail says that it was done, by whom, and nothing of the result.
            var trail = " from audit where subject = '" + school.student + "'";
            assertThat(db.count("select count(*)" + trail + " and what = 'erased a student'"))
                    .isEqualTo(1);
            assertThat(db.count("select count(*)" + trail + " and detail <> ''"))
                    .isZero();
            assertThat(db.count("select count(*)" + trail + " and what = 'awarded a practical'"))
                    .isEqualTo(1);
            assertThat(sorna.get("/api/me/to-mark").status()).isEqualTo(401);
            assertThat(Visitor.at(app.url())
                            .post(
                                    "/api/session",
                                    "{\"signIn\":\"" + school.signIn + "\",\"password\":\"" + school.password + "\"}")
                            .status())
                    .isEqualTo(401);
            assertThat(lead.post(erase, "{\"name\":\"Removed student\"}").status())
                    .isEqualTo(404);
        }
    }

    @Test
    @InWeeks(from = 9)
    void a_term_that_has_not_begun_does_not_take_the_place_of_the_one_that_has(App.Running app) {
        var now = Class.begun(app, lead, 3);
        now.seen(record(), Duration.ofHours(3), 75, true);
        var later = Class.begun(app, lead, -5);
        lead.post("/api/school/terms/" + later.term + "/class", "{\"text\":\"\"}");
        app.database().run("insert into enrolment values ('" + later.term + "', '" + now.student + "')");
        assertThat(now.bar("neck", "order").get("state").asString()).isEqualTo("emerging");
        var sorna = Visitor.as(app.url(), now.signIn, now.password);
        assertThat(sorna.term()).isEqualTo(now.term);
    }

    /** Through a sheet that stays closed there is nothing to score of draping; the touch without permission stands open all the same. */
    @Test
    void touch_without_permission_is_open_critical_even_where_nothing_was_scored() {
        var school = Class.begun(app, lead, 2);
        var id = lead.post(
                        "/api/practicals",
                        "{\"term\":\"" + school.term + "\",\"student\":\"" + school.student
                                + "\",\"sequence\":\"hip\",\"despite\":\"a test\"}")
                .json()
                .get("id")
                .asString();
        var event = "{\"id\":\"%s\",\"device\":\"d\",\"seq\":%d,\"atMs\":%d,\"kind\":\"%s\",\"data\":{%s}}";
        var sent = lead.post(
                path(id) + "/events",
                "{\"events\":["
                        + String.join(
                                ",",
                                event.formatted("a", 1, 0, "attend", "\"on\":true"),
                                event.formatted(
                                        "b", 2, 5000, "step-start", "\"step\":\"gluteal-press\",\"side\":\"right\""),
                                event.formatted("c", 3, 60000, "finish", ""),
                                event.formatted(
                                        "r",
                                        4,
                                        90000,
                                        "review-answer",
                                        "\"question\":\"permission/gluteals/through\",\"said\":\"not-asked\""))
                        + "]}");
        assertThat(sent.status()).as(sent.text()).isEqualTo(200);
        lead.post(path(id) + "/rating", "{\"value\":30}");
        var confirmed = new ArrayList<String>();
        for (var c : lead.get(path(id)).json().get("scores").get("criteria")) {
            if (c.get("criterion").asString().equals("draping"))
                assertThat(c.has("score")).isFalse();
            for (var f : c.get("findings"))
                if (f.get("severity").asString().equals("critical"))
                    confirmed.add("\"" + f.get("key").asString() + "\"");
        }
        assertThat(confirmed).isNotEmpty();
        var award = lead.put(
                path(id) + "/award",
                "{\"from\":0,\"award\":{\"criteria\":{},\"struck\":[],\"confirmed\":[" + String.join(",", confirmed)
                        + "],\"feedback\":\"\",\"released\":true}}");
        assertThat(award.status()).as(award.text()).isEqualTo(200);
        var bar = school.bar("hip", "draping");
        assertThat(bar.get("state").asString()).isEqualTo("open critical");
        assertThat(bar.get("level").asDouble()).as("no lower than before").isBetween(44.0, 45.5);
    }

    @Nested
    class What_is_taken_along {
        @Test
        @InWeeks(from = 9)
        void as_json_keeps_to_its_schema_and_says_what_the_pages_say() throws Exception {
            var schema = com.networknt.schema.SchemaRegistry.withDefaultDialect(
                            com.networknt.schema.SpecificationVersion.DRAFT_2020_12, b -> b.schemas(TrackTest::schema))
                    .getSchema(
                            Files.readString(Path.of("..", "docs", "formats", "evidence.schema.json")),
                            com.networknt.schema.InputFormat.JSON);
            var file = nadia.get("/api/terms/" + nadia.term() + "/evidence").json();
            assertThat(schema.validate(file)).isEmpty();
            var cohort = nadia.get("/api/terms/" + nadia.term() + "/competency").json();
            for (int i = 0; i < cohort.get("students").size(); i++)
                assertThat(file.get("students").get(i).get("name"))
                        .isEqualTo(cohort.get("students").get(i).get("name"));
            int pieces = 0;
            for (var s : file.get("students")) pieces += s.get("evidence").size();
            assertThat(pieces).isGreaterThan(600);
        }

        @Test
        @InWeeks(from = 9)
        void as_a_table_has_a_row_a_student_and_region_and_no_name_is_a_formula(App.Running app) {
            var school = Class.begun(app, lead, 4);
            app.database()
                    .run("update account set name = '=HYPERLINK(\"http://x\")' where id = '" + school.student + "'");
            school.seen(record(), Duration.ofDays(2), 70, true);
            var csv = lead.get("/api/terms/" + school.term + "/marks.csv").text();
            assertThat(csv)
                    .contains("'=HYPERLINK")
                    .doesNotContain("\n=HYPERLINK")
                    .doesNotContain("\"=HYPERLINK");
            var cohort = lead.get("/api/terms/" + school.term + "/competency").json();
            assertThat(csv.lines().count())
                    .isEqualTo(1L
                            + cohort.get("students").size()
                                    * cohort.get("regions").size());
            var book = lead.bytes("/api/terms/" + school.term + "/marks.xlsx");
            assertThat(new String(book, 0, 2, java.nio.charset.StandardCharsets.US_ASCII))
                    .isEqualTo("PK");
        }
    }

    /** As after an upgrade of a school that had awards before steps were counted; of one of them nothing was seen. */
    @Test
    @InWeeks(from = 9)
    void what_an_earlier_version_did_not_write_down_is_written_at_the_start(App.Running app) {
        var school = Class.begun(app, lead, 4);
        school.seen(record(), Duration.ofDays(2), 70, true);
        var unseen = school.unseen();
        var path = "/api/terms/" + school.term + "/steps";
        var before = lead.get(path).json();
        assertThat(before.get("practicals").asInt()).isEqualTo(2);
        var ofTerm = "(select id from practical where term_id = '" + school.term + "')";
        app.database()
                .run("delete from step_look where practical_id in " + ofTerm
                        + "; delete from roll_up where practical_id in " + ofTerm);
        assertThat(lead.get(path).json().get("practicals").asInt()).isZero();
        var awards = app.bean(palmtally.server.practical.Awards.class);
        assertThat(awards.recount()).isEqualTo(2);
        assertThat(lead.get(path).json()).isEqualTo(before);
        assertThat(app.database().count("select count(*) from evidence where practical_id = '" + unseen + "'"))
                .isZero();
        assertThat(awards.recount()).isZero();
    }

    @Test
    void states_of_a_cohort_are_those_of_its_students() {
        var cohort = nadia.get("/api/terms/" + nadia.term() + "/competency").json();
        for (var s : cohort.get("students")) {
            Map<String, Integer> states = new HashMap<>();
            for (var r : nadia.get("/api/competency/students/" + s.get("id").asString())
                    .json()
                    .get("regions"))
                for (var l : r.get("lines"))
                    states.merge(l.get("bar").get("state").asString(), 1, Integer::sum);
            assertThat(s.get("secure").asInt()).isEqualTo(states.getOrDefault("secure", 0));
            assertThat(s.get("dueAgain").asInt()).isEqualTo(states.getOrDefault("due again", 0));
            assertThat(s.get("critical").asInt()).isEqualTo(states.getOrDefault("open critical", 0));
        }
    }
}

package palmtally.server.audit;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What each request is called in the trail, and which leave no line and why: the one list of them. Whoever adds an address adds its line
 * here; a test fails where one is missing.
 */
final class Deeds {
    /** How a request comes into the trail. */
    enum Line {
        /** A line when it succeeded. */
        DONE,
        /** A line when it succeeded and when it was refused. */
        TRIED,
        /** The service writes it, with the student it is about. */
        TOLD_BY_SERVICE,
        NONE
    }

    /**
     * @param words what was done, or why there is no line
     * @param about name of the part of the address that is somebody's id, or null
     */
    record Deed(Line line, String words, @Nullable String about) {}

    private static final Map<String, Deed> ALL = new LinkedHashMap<>();

    private Deeds() {}

    private static void done(String request, String words) {
        ALL.put(request, new Deed(Line.DONE, words, null));
    }

    private static void done(String request, String words, String about) {
        ALL.put(request, new Deed(Line.DONE, words, about));
    }

    private static void tried(String request, String words) {
        ALL.put(request, new Deed(Line.TRIED, words, null));
    }

    private static void told(String... requests) {
        for (var r : requests) ALL.put(r, new Deed(Line.TOLD_BY_SERVICE, "", null));
    }

    private static void none(String why, String... requests) {
        for (var r : requests) ALL.put(r, new Deed(Line.NONE, why, null));
    }

    static {
        tried("POST /api/session", "signed in");
        tried("POST /api/setup", "made the school");
        tried("POST /api/session/password", "changed own password");
        done("DELETE /api/session", "signed out");
        done("POST /api/people", "made an account");
        done("PUT /api/people/{id}/access", "changed who may sign in", "id");
        done("POST /api/people/{id}/password", "made a new password", "id");
        done("GET /api/school/terms/{term}/sign-ins", "read the sign-ins");
        done("PUT /api/school/zone", "changed the school's time zone");
        done("POST /api/school/terms", "made a term");
        done("PUT /api/school/terms/{term}", "changed a term");
        done("PUT /api/school/terms/{term}/archived", "changed whether a term is in the archive");
        done("POST /api/school/terms/{term}/class", "took a class list");
        done("PUT /api/school/terms/{term}/duties", "set who does what");
        done("DELETE /api/school/terms/{term}/people/{account}", "took out of the term", "account");
        done("PUT /api/school/terms/{term}/people/{account}", "took into the term", "account");
        done("PUT /api/school/terms/{term}/substitutes/{week}/{lab}", "gave a lab to a substitute");
        done("POST /api/school/terms/{term}/substitutes/{week}/{lab}", "gave a lab to a substitute from outside");
        done("DELETE /api/school/terms/{term}/substitutes/{week}/{lab}", "took a lab back from a substitute");
        done("PUT /api/me/initials", "set their initials");
        told(
                "GET /api/terms/{term}/unsigned",
                "POST /api/terms/{term}/signatures",
                "GET /api/terms/{term}/statements",
                "GET /api/terms/{term}/statements/files",
                "GET /api/terms/{term}/letters/{student}",
                "POST /api/terms/{term}/letters/{student}",
                "POST /api/terms/{term}/statements/{student}",
                "GET /api/statements/{id}/file",
                "POST /api/statements/{id}/signature",
                "POST /api/statements/check");
        none("says of a file what whoever holds it may know", "POST /api/verify");
        none("their own", "GET /api/me/initials", "GET /api/me/statements");
        done("POST /api/terms/{term}/earlier-marks/preview", "looked into a file of earlier marks");
        done("GET /api/terms/{term}/earlier-marks", "read which files of earlier marks were taken");
        done("GET /api/terms/{term}/beside", "laid a term beside another");
        told(
                "POST /api/terms/{term}/earlier-marks",
                "POST /api/earlier-marks/{id}/undo",
                "GET /api/students/{id}/earlier-marks");
        none("their own", "GET /api/me/earlier-marks");
        told(
                "POST /api/practicals/{id}/second-looks",
                "POST /api/second-looks/{id}/withdrawal",
                "POST /api/second-looks/{id}/decision",
                "GET /api/second-looks");
        done("GET /api/school/retention", "read what will go");
        done("PUT /api/school/retention", "set how long what is kept");
        done("PUT /api/school/retention/{kind}/{item}/hold", "held back what would go");
        done("DELETE /api/school/retention/{kind}/{item}/hold", "let go what was held back");
        done("GET /api/practice-runs", "read the practice runs of graders");
        done("GET /api/practice-runs/{id}", "looked at a practice run");
        done("DELETE /api/practice-runs/{id}", "took a practice run back");
        told(
                "POST /api/practicals/{id}/practice-run",
                "POST /api/practice-runs/{id}/marks",
                "PUT /api/graders/{account}/duty");
        told(
                "GET /api/me/incidents",
                "POST /api/practicals/{id}/incidents",
                "GET /api/incidents/{id}",
                "PUT /api/incidents/{id}",
                "POST /api/incidents/{id}/signature",
                "POST /api/incidents/{id}/additions");
        done("GET /api/practicals/{id}/second-looks", "read the second looks at a practical");
        done("PUT /api/school/second-look-days", "set for how long a second look may be asked for");
        done("PUT /api/school/letterhead", "changed the letterhead");
        done("PUT /api/school/letterhead/logo", "set the school's logo");
        done("DELETE /api/school/letterhead/logo", "took the school's logo away");
        done("PUT /api/school/body-look", "chose how the body is drawn");
        done("PUT /api/school/profile/{id}", "chose the profile");
        done("POST /api/school/profiles/file", "read a profile from a file");
        done("PUT /api/school/profiles/{id}", "changed a profile");
        done("POST /api/school/backups", "made a dump");
        done("POST /api/sequences", "began a sequence");
        done("PUT /api/sequences/{id}", "saved a sequence");
        done("POST /api/sequences/{id}/mend", "mended a sequence");
        done("POST /api/sequences/{id}/restore", "went back to a version of a sequence");
        done("POST /api/sequences/file", "read a sequence from a file");
        done("POST /api/sequences/incoming", "read sequences from a file");
        done("POST /api/sequences/{id}/demonstrations", "began a demonstration");
        done("POST /api/screens", "took another address for the class screen");
        done("POST /api/sequences/{id}/rounds", "began a practice round");
        done("POST /api/pictures", "added a picture");
        done("POST /api/techniques", "added a technique");
        done("PUT /api/techniques/{id}", "changed a technique");
        done("PUT /api/hands", "changed the words for hands");
        done("POST /api/techniques/incoming", "read techniques from a file");
        done("PUT /api/terms/{term}/curriculum", "saved the plan of a term");
        done("POST /api/terms/{term}/curriculum/incoming", "read the plan of a term from a file");
        done("POST /api/terms/{term}/steps/{sequence}/{step}/again", "put a step into the next demonstration");
        done("DELETE /api/terms/{term}/steps/{sequence}/{step}/again", "took a step out of the next demonstration");
        done("POST /api/practicals", "began a practical");
        done("POST /api/practicals/{id}/beside", "began to mark beside");
        done("POST /api/practicals/{id}/peer-looks", "asked for a peer look");
        done("POST /api/practicals/{id}/rating", "rated a practical");
        done("POST /api/practicals/{id}/self-marks", "gave own marks");
        done("POST /api/practicals/{id}/handset", "opened a handset");
        done("GET /api/practicals/{id}/scores", "read the scores of a practical");
        done("POST /api/terms/{term}/students/{student}/practicals/file", "read a practical from a file", "student");
        done("GET /api/terms/{term}/practicals", "read the list of practicals");
        done("GET /api/terms/{term}/sequences/{sequence}/students", "read who was asked to show a sequence");
        done("GET /api/floor", "read the floor");
        done("GET /api/terms/{term}/archive", "took the archive of a term");
        done("GET /api/terms/{term}/steps/{sequence}/{step}", "read in whose practicals a step went wrong");
        done("GET /api/terms/{term}/graders", "read how graders agree");
        done("GET /api/terms/{term}/retakes", "read who owes a re-take");
        done("GET /api/students/gone", "read who has left");
        done("GET /api/me/peer-looks", "read the own looks at others");
        done("POST /api/terms/{term}/partners", "planned partners");
        done("DELETE /api/terms/{term}/partners/{plan}", "took a plan of partners back");
        done("PUT /api/terms/{term}/seats/{week}/{lab}", "set the seats of a lab");
        none(
                "a line would tell who asked not to be seated with whom",
                "GET /api/me/apart",
                "POST /api/me/apart",
                "DELETE /api/me/apart/{id}");
        none("a line would tell who agreed to what", "GET /api/me/agreed", "PUT /api/me/agreed");
        done("POST /api/me/calendar/addresses", "made an address of the own calendar");
        done("DELETE /api/me/calendar/addresses/{id}", "ended an address of the own calendar");
        done("POST /api/terms/{term}/calendar/incoming", "took times from a calendar");
        none(
                "a program asks every hour; when it last did stands beside its address",
                "GET /api/calendar/{code}",
                "GET /api/me/calendar",
                "GET /api/me/calendar/addresses",
                "GET /api/terms/{term}/calendar",
                "POST /api/terms/{term}/calendar/incoming/preview");
        done("POST /api/terms/{term}/days", "made a day of practicals");
        done("PUT /api/terms/{term}/days/{day}", "changed a day of practicals");
        done("PUT /api/terms/{term}/days/{day}/withdrawn", "took a day of practicals away or back");
        done("PUT /api/terms/{term}/days/{day}/shown", "changed whether a day of practicals is shown");
        done("POST /api/terms/{term}/days/{day}/search", "looked for a timetable");
        done("DELETE /api/terms/{term}/days/{day}/search", "ended the search for a timetable");
        done("POST /api/terms/{term}/days/{day}/anew", "looked for a timetable anew");
        done("PUT /api/terms/{term}/days/{day}/away", "said who is away on a day of practicals");
        done("POST /api/terms/{term}/days/{day}/sittings", "added to a day of practicals");
        done("PUT /api/terms/{term}/days/{day}/sittings/{sitting}", "moved a practical in its day");
        done("DELETE /api/terms/{term}/days/{day}/sittings/{sitting}", "took a practical out of its day");
        done("POST /api/terms/{term}/days/{day}/sittings/{sitting}/start", "started a practical from its day");
        done("PUT /api/terms/{term}/days/{day}/sittings/{sitting}/practical", "said which practical was started");
        done("GET /api/me/sittings", "read the own times of practicals");
        done("PUT /api/terms/{term}/register/{week}/{lab}", "changed what a lab was made of");
        done("GET /api/terms/{term}/register/{week}/{lab}", "read the register of a lab");
        told(
                "GET /api/competency/students/{id}",
                "GET /api/competency/students/{id}/evidence",
                "GET /api/competency/students/{id}/report",
                "GET /api/notes/{person}",
                "POST /api/notes/{person}",
                "DELETE /api/notes/{person}/{note}",
                "GET /api/practicals/{id}",
                "PUT /api/practicals/{id}/award",
                "PUT /api/practicals/{id}/void",
                "GET /api/practicals/{id}/file",
                "GET /api/students/{id}/data",
                "POST /api/students/{id}/erase",
                "GET /api/terms/{term}/briefings/{week}/{lab}",
                "GET /api/terms/{term}/closing",
                "POST /api/terms/{term}/closing",
                "DELETE /api/terms/{term}/closing",
                "GET /api/terms/{term}/competency",
                "GET /api/terms/{term}/evidence",
                "GET /api/terms/{term}/forecast",
                "GET /api/terms/{term}/hours",
                "GET /api/terms/{term}/hours.csv",
                "GET /api/terms/{term}/hours/{student}",
                "POST /api/terms/{term}/hours/{student}",
                "DELETE /api/terms/{term}/hours/{student}/{entry}",
                "GET /api/terms/{term}/marks.csv",
                "GET /api/terms/{term}/marks.xlsx",
                "GET /api/terms/{term}/report",
                "GET /api/terms/{term}/watch",
                "GET /api/terms/{term}/watch/list");
        none("each event row says who sent it", "POST /api/practicals/{id}/events", "GET /api/floor/news");
        none(
                "the handset of a table says nothing of who holds it",
                "GET /api/handsets/{code}",
                "POST /api/handsets/{code}/reports");
        none("the reading of the trail is the lead's own", "GET /api/school/audit", "GET /api/school/backups");
        none(
                "nothing of it is stored",
                "POST /api/drafts/check",
                "POST /api/drafts/difference",
                "POST /api/drafts/fit",
                "POST /api/drafts/mend",
                "POST /api/drafts/mend-all",
                "POST /api/drafts/lines",
                "POST /api/drafts/picture",
                "POST /api/drafts/template",
                "POST /api/practicals/ready",
                "POST /api/profiles/{id}/try",
                "POST /api/school/terms/{term}/class/preview",
                "POST /api/sequences/incoming/preview",
                "POST /api/sequences/{id}/rounds/preview",
                "POST /api/techniques/incoming/preview",
                "POST /api/techniques/{id}/try",
                "POST /api/terms/{term}/curriculum/check",
                "POST /api/terms/{term}/curriculum/difference",
                "POST /api/terms/{term}/curriculum/incoming/preview",
                "POST /api/terms/{term}/curriculum/layout",
                "POST /api/terms/{term}/curriculum/mend");
        none(
                "its marks say who made them",
                "POST /api/demonstrations/{id}/marks",
                "POST /api/rounds/{id}/marks",
                "POST /api/terms/{term}/register/{week}/{lab}/marks");
        none("it changes how a screen looks and no record", "PUT /api/demonstrations/{id}/look");
        none(
                "it tells nothing of a student's record",
                "GET /api/catalogue",
                "GET /api/marks",
                "GET /api/school/staff",
                "GET /api/demonstrations",
                "GET /api/demonstrations/lessons",
                "GET /api/demonstrations/{id}",
                "GET /api/demonstrations/{id}/refit",
                "GET /api/demonstrations/{id}/steps/{index}/picture",
                "GET /api/me/hours",
                "GET /api/me/raised",
                "GET /api/me/to-mark",
                "GET /api/pictures/{id}",
                "GET /api/school/letterhead",
                "GET /api/practicals/{id}/steps/{step}/picture",
                "GET /api/profiles",
                "GET /api/profiles/{id}/file",
                "GET /api/rounds/students",
                "GET /api/rounds/{id}",
                "GET /api/screens/{code}",
                "GET /api/school/first-steps",
                "GET /api/screens/{code}/live",
                "GET /api/screens/{code}/pictures/{id}",
                "GET /api/screens/{code}/steps/{index}/picture",
                "GET /api/sequences",
                "GET /api/sequences/{id}",
                "GET /api/sequences/{id}/file",
                "GET /api/sequences/{id}/handout",
                "GET /api/sequences/{id}/steps",
                "GET /api/sequences/{id}/versions",
                "GET /api/sequences/{id}/versions/{version}",
                "GET /api/session",
                "GET /api/settings",
                "GET /api/techniques",
                "GET /api/techniques/{id}",
                "GET /api/hands",
                "GET /api/known",
                "GET /api/techniques/file",
                "GET /api/terms/{term}/duties",
                "GET /api/terms/{term}/substitutes",
                "GET /api/terms/{term}/register",
                "GET /api/terms/{term}/partners",
                "GET /api/terms/{term}/seats/{week}/{lab}",
                "GET /api/terms/{term}/looks",
                "GET /api/terms/{term}/days",
                "GET /api/terms/{term}/days/{day}",
                "GET /api/terms/{term}/people",
                "GET /api/terms/{term}/curriculum",
                "GET /api/terms/{term}/curriculum/file",
                "GET /api/terms/{term}/curriculum/versions",
                "GET /api/terms/{term}/curriculum/versions/{version}",
                "GET /api/terms/{term}/shown",
                "GET /api/terms/{term}/steps",
                "GET /api/terms/{term}/weeks/{week}/plan");
        none(
                "what it tells was read, with a line, by the page that listens",
                "GET /api/terms/{term}/competency/live",
                "GET /api/competency/students/{id}/live");
    }

    /** @param request method and pattern of the address, such as {@code PUT /api/people/{id}/access} */
    static Optional<Deed> of(String request) {
        return Optional.ofNullable(ALL.get(request));
    }

    static Map<String, Deed> all() {
        return Collections.unmodifiableMap(ALL);
    }
}

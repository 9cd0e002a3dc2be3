package palmtally.server.sequence;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.people.ClientNote;
import palmtally.core.picture.Build;
import palmtally.core.picture.Picture;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Block;
import palmtally.core.technique.Techniques;
import palmtally.formats.draft.Drafts;
import palmtally.formats.draft.Known;
import palmtally.formats.draft.OfSchool;
import palmtally.formats.draft.PlanView;
import palmtally.server.note.ClientNotes;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.people.School;
import palmtally.server.profile.Profiles;
import palmtally.server.technique.Library;
import palmtally.server.version.Version;

/** What is asked of a sequence while it is being written; nothing is stored here. */
@RestController
class DraftController {
    private final Profiles profiles;
    private final ClientNotes clientNotes;
    private final Library library;
    private final School school;

    DraftController(Profiles profiles, ClientNotes clientNotes, Library library, School school) {
        this.school = school;
        this.profiles = profiles;
        this.clientNotes = clientNotes;
        this.library = library;
    }

    /** What the school has, for whoever asks. */
    private final class ToCaller implements Known {
        private final Caller caller;

        private ToCaller(Caller caller) {
            this.caller = caller;
        }

        @Override
        public Profile profile(@Nullable String id) {
            return profiles.named(id);
        }

        @Override
        public List<ClientNote> notes(@Nullable UUID client) {
            return client == null ? List.of() : clientNotes.notes(caller, client);
        }

        @Override
        public Techniques techniques() {
            return library.techniques();
        }

        @Override
        public Build build() {
            return school.bodyLook().build();
        }
    }

    /** What a page may know of the school, to answer such questions by itself. */
    @Allow(Permission.STAFF)
    @GetMapping("/api/known")
    OfSchool known() {
        return new OfSchool(
                school.profile(),
                profiles.all().stream().map(Version::document).toList(),
                library.techniques(),
                school.bodyLook().build());
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/drafts/check")
    PlanView check(@Me Caller caller, @RequestBody Drafts.Draft draft) {
        return Drafts.check(draft, new ToCaller(caller));
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/drafts/mend")
    Drafts.DraftView mend(@Me Caller caller, @RequestBody Drafts.DraftMend draft) {
        return Drafts.mend(draft, new ToCaller(caller));
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/drafts/mend-all")
    Drafts.MendAllView mendAll(@Me Caller caller, @RequestBody Drafts.DraftMendAll draft) {
        return Drafts.mendAll(draft, new ToCaller(caller));
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/drafts/fit")
    Drafts.FitView fit(@Me Caller caller, @RequestBody Drafts.DraftFit draft) {
        return Drafts.fit(draft, new ToCaller(caller));
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/drafts/lines")
    List<Drafts.JottedLine> lines(@Me Caller caller, @RequestBody Drafts.Lines jotted) {
        return Drafts.lines(jotted, new ToCaller(caller));
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/drafts/template")
    List<Block> template(@Me Caller caller, @RequestBody Drafts.Laid laid) {
        return Drafts.template(laid, new ToCaller(caller));
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/drafts/picture")
    Picture picture(@Me Caller caller, @RequestBody Drafts.DraftPicture draft) {
        return Drafts.picture(draft, new ToCaller(caller));
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/drafts/difference")
    List<String> difference(@RequestBody Drafts.Two two) {
        return Drafts.difference(two);
    }
}

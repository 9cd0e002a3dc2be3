package palmtally.server.backup;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;
import palmtally.server.people.Allow;
import palmtally.server.people.Permission;

/** The dumps of the school, for the lead. */
@RestController
class BackupController {
    private final Backups backups;

    BackupController(Backups backups) {
        this.backups = backups;
    }

    @Allow(Permission.LEAD)
    @GetMapping("/api/school/backups")
    Backups.BackupsView all() {
        return backups.view();
    }

    /** Makes one at once, and proves it. */
    @Allow(Permission.LEAD)
    @PostMapping("/api/school/backups")
    Backups.BackupsView make() {
        return backups.now();
    }
}

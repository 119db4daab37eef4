package codrane.app;

import codrane.app.account.Accounts;
import codrane.app.account.Role;
import codrane.app.job.JobIntake;
import codrane.app.job.NewJobForm;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** Loads the demo world once: accounts, and two jobs of Pierhead Yard. */
@Component
@ConditionalOnProperty("codrane.demo")
class DemoWorld implements ApplicationRunner {
    private static final Logger LOG = LoggerFactory.getLogger(DemoWorld.class);

    /** Made up, printed by the launcher, and only in the demo. */
    private static final String PASSWORD = "pierhead";

    private final Accounts accounts;
    private final JobIntake intake;
    private final DemoArchive archive;

    DemoWorld(Accounts accounts, JobIntake intake, DemoArchive archive) {
        this.archive = archive;
        this.accounts = accounts;
        this.intake = intake;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        for (Role role : Role.values()) {
            accounts.add(role.name().toLowerCase(java.util.Locale.ROOT), PASSWORD, role);
        }
        if (intake.nothingTakenIn()) {
            archive.load();
            addJobs();
        }
        LOG.info("The demo world is there");
    }

    private void addJobs() {
        intake.take(
                new NewJobForm(
                        "0BKLR3A46MN004127",
                        "Tail lift does not move. A second-hand controller was fitted.",
                        "REPLACE_MODULE",
                        "tail-lift",
                        "SECOND_HAND"),
                "desk");
        intake.take(
                new NewJobForm(
                        "0BKAM7D26RN001906",
                        "Tail-lift faults can't be cleared with the handset.",
                        "CLEAR_FAULTS",
                        "",
                        ""),
                "desk");
        for (String vin : List.of("0TVWP2E67TN002240", "0AWGN7K8XNN000052", "0PGDN4B2ZHC013377")) {
            intake.take(
                    new NewJobForm(vin, "First baseline before anything is changed.", "BASELINE_ONLY", "", ""), "desk");
        }
        intake.take(
                new NewJobForm(
                        "0TVWP2E67TN002240",
                        "Cabin pre-warm timer gone since the last update.",
                        "FIND_LOST_SETTING",
                        "",
                        ""),
                "desk");
    }
}

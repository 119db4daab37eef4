package codrane.app.demo;

import codrane.app.account.Accounts;
import codrane.app.account.Role;
import codrane.app.newjob.JobIntake;
import codrane.app.newjob.NewJobForm;
import codrane.app.policy.Passes;
import codrane.app.tools.Tools;
import codrane.app.workshop.CodraneSettings;
import codrane.core.plan.JobKind;
import codrane.core.plan.PartOrigin;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.stereotype.Component;

/** Loads the demo world once: accounts, passes, and a job of Pierhead Yard for each kind of work. */
@Component
class DemoWorld implements ApplicationRunner {
    private static final Logger LOG = LoggerFactory.getLogger(DemoWorld.class);

    /** Made up, printed by the launcher, and only in the demo. */
    private static final String PASSWORD = "pierhead";

    private static final int PASS_DAYS = 120;
    /** What runs out soon is seen on Today. */
    private static final int SHORT_LICENCE_DAYS = 18;

    private static final int LICENCE_DAYS = 210;

    private final Accounts accounts;
    private final JobIntake intake;
    private final DemoArchive archive;
    private final Passes passes;
    private final Tools tools;
    private final Now now;
    private final CodraneSettings settings;

    /** The time here. */
    @Component
    record Now(InstantSource time, ZoneId zone) {}

    DemoWorld(
            Accounts accounts,
            JobIntake intake,
            DemoArchive archive,
            Passes passes,
            Tools tools,
            Now now,
            CodraneSettings settings) {
        this.tools = tools;
        this.passes = passes;
        this.archive = archive;
        this.accounts = accounts;
        this.intake = intake;
        this.now = now;
        this.settings = settings;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        if (!settings.demo()) return;
        for (Role role : Role.values()) {
            accounts.add(role.name().toLowerCase(java.util.Locale.ROOT), PASSWORD, role);
        }
        if (intake.nothingTakenIn()) {
            archive.load();
            addJobs();
        }
        LOG.info("The demo world is there");
    }

    /** One job for each kind of work, on the vehicles of the island. */
    private void addJobs() {
        replace(
                "0BKLR3A46MN004127",
                "Tail lift does not move. A second-hand controller was fitted.",
                JobKind.REPLACE_MODULE,
                "tail-lift",
                PartOrigin.SECOND_HAND);
        job("0BKAM7D26RN001906", "Tail-lift faults can't be cleared with the handset.", JobKind.CLEAR_FAULTS);
        for (String vin : List.of("0TVWP2E67TN002240", "0AWGN7K8XNN000052", "0PGDN4B2ZHC013377"))
            job(vin, "First baseline before anything is changed.", JobKind.BASELINE_ONLY);
        job("0TVWP2E67TN002240", "Cabin pre-warm timer gone since the last update.", JobKind.FIND_LOST_SETTING);
        replace(
                "0BKLR3A46MN004127",
                "Gearbox module from a donor; stays in park.",
                JobKind.REPLACE_IMMOBILISER,
                "gearbox",
                PartOrigin.SECOND_HAND);
        module(
                "0BKLR3A4XNN008893",
                "Body was worked on by an earlier owner, nobody knows what was changed.",
                JobKind.RESTORE_SOFTWARE,
                "body");
        job("0TVCH5E12SN000318", "Folding access ramp fitted instead of the fixed one.", JobKind.RETROFIT);
        job(
                "0TVCH5E12SN000402",
                "Passenger counting at the doors is fitted, and does not count.",
                JobKind.ENABLE_EQUIPMENT);
        module("0AWGN7K88KN000417", "Engine update, as the maker's letter says.", JobKind.UPDATE_SOFTWARE, "engine");
        job("0BKAM7D2XRN002217", "Step lamp goes out too soon; an instruction names the line.", JobKind.CHANGE_LINE);
        job("0AWGN7K8XNN000052", "Salt lies wider than the lanes of the harbour road.", JobKind.SCALED_VALUE);
        job("0AWGN7K8XNN000052", "Reversing chime wakes the street.", JobKind.CHANGE_SETTING);
        replace("0AWGN7K88KN000417", "Spreader module is new.", JobKind.REPLACE_BY_NEW, "spreader", PartOrigin.NEW);
        replace(
                "0PGDN4B2ZHC013377",
                "Body module burnt by reversed jump leads; two of three keys are here.",
                JobKind.REPLACE_DEAD,
                "body",
                PartOrigin.NEW);
        replace(
                "0BKAM7D2XRN002217",
                "Front radar after a parking knock.",
                JobKind.REPLACE_SENSOR,
                "front-radar",
                PartOrigin.NEW);
        replace(
                "0PGDN4B2ZHC013402",
                "Steering gets heavy; new module, its file comes by mail.",
                JobKind.REPLACE_LICENSED,
                "steering",
                PartOrigin.NEW);
        module("0BKLR3A4XNN008893", "Door module shows another vehicle's VIN.", JobKind.LEARN_VIN, "doors");
        replace(
                "0TVCH5E12SN000318",
                "Second-hand climate module, blows cold only.",
                JobKind.REPLACE_MODULE,
                "climate",
                PartOrigin.SECOND_HAND);
        job("0TVCH5E12SN000318", "Announcements can't be understood in the rear.", JobKind.CHOOSE_VARIANT);
        LocalDate today = LocalDate.ofInstant(now.time().instant(), now.zone());
        passes.note("brennick", until(today.plusDays(PASS_DAYS)), "lead");
        passes.note("tolvane", until(today.plusDays(PASS_DAYS)), "lead");
        tools.licence("Plover", today.plusDays(SHORT_LICENCE_DAYS).toString(), "lead");
        tools.licence("Dunnock", today.plusDays(LICENCE_DAYS).toString(), "lead");
    }

    private Instant until(LocalDate day) {
        return day.atStartOfDay(now.zone()).toInstant();
    }

    private void job(String vin, String complaint, JobKind kind) {
        intake.take(new NewJobForm(vin, complaint, kind.name(), "", ""), "desk");
    }

    private void module(String vin, String complaint, JobKind kind, String module) {
        intake.take(new NewJobForm(vin, complaint, kind.name(), module, ""), "desk");
    }

    private void replace(String vin, String complaint, JobKind kind, String module, PartOrigin origin) {
        intake.take(new NewJobForm(vin, complaint, kind.name(), module, origin.name()), "desk");
    }
}

package codrane.core.job.stage;

import codrane.core.job.Job;
import codrane.core.job.JobState;
import codrane.core.job.act.Ask;
import codrane.core.job.act.NextAct;
import codrane.core.job.act.NextAct.Act;
import codrane.core.job.act.NextAct.Tone;
import codrane.core.job.act.ReplacesNothing;
import codrane.core.job.act.Stop;
import codrane.core.job.hold.HoldRules;
import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobProgress;
import codrane.core.plan.JobProgress.Hold;
import codrane.core.plan.Stage;
import java.util.List;
import java.util.Optional;

/** Intake: the complaint, papers, keys, consent, and where the old module is. */
public final class IntakeStage implements StageRules {
    public static final Ask NOTE = Ask.of("notes", "noted the arrival");
    public static final Ask OLD_MODULE = Ask.of("old-module", "said where the old module is", new ReplacesNothing());
    public static final Ask OLD_DATA =
            Ask.of("old-module-data", "looked for a VIN in the old module's data", new ReplacesNothing());
    public static final Ask VARIANT = Ask.of("variant", "named the variant");
    /** Nothing of a job that began to write is undone by ending it early. */
    public static final Ask CANCEL = Ask.of(
            "cancel",
            "cancelled the job",
            state -> Stop.unless(
                    state.run().isEmpty(), "A run began in this job: it ends at Record, with what came of it."));

    public static final Ask CORRECT = Ask.of("correct", "corrected what the job is");
    public static final Ask PHOTO = Ask.of("photos", "added a photo");

    @Override
    public Stage stage() {
        return Stage.INTAKE;
    }

    /** Why the work can't become another one: a plan rests on it. The customer's words always can. */
    public static Optional<Stop> otherWork(JobState state, Job.Wanted wanted) {
        Job.Wanted was = state.job().wanted();
        boolean same = wanted.kind() == was.kind()
                && wanted.module().equals(was.module())
                && wanted.origin().equals(was.origin());
        return Stop.unless(
                same || state.plan().isEmpty(),
                "The plan rests on what was to be done: cancel this job with a reason, and take in another.");
    }

    @Override
    public NextAct next(JobState state, String who) {
        JobProgress progress = HoldRules.progress(state);
        if (progress.hold(HoldPoint.OLD_MODULE_ASKED) == Hold.OPEN) return whereIsTheOldModule(state);
        if (progress.hold(HoldPoint.PAPERS_AGREE) == Hold.OPEN)
            return new NextAct(
                    "Plate and papers name two vehicles",
                    "The plate says " + state.job().vin().grouped() + ", the papers "
                            + state.intake().details().papersVin()
                            + ". Read both aloud again; correct it below, or begin a new job.",
                    Safe.toStop(state),
                    Tone.DIFFERS,
                    List.of(Act.waive("Go on all the same", HoldPoint.PAPERS_AGREE)));
        if (progress.hold(HoldPoint.OWNERSHIP_PROVED) == Hold.OPEN)
            return new NextAct(
                    "See the proof of ownership, and note it",
                    "Keys or the immobiliser are touched. Note below what was shown, and count the keys: all are"
                            + " needed for pairing. Local law may want a licensed locksmith.",
                    Safe.toStop(state),
                    Tone.PERSON,
                    List.of());
        return new NextAct(
                "Does the customer agree?",
                "Say what will be done: " + work(state)
                        + ". Check the VIN aloud against the plate: the groups are below.",
                Safe.toStop(state),
                Tone.PERSON,
                List.of(Act.keep("The customer agrees", HoldPoint.CONSENT)));
    }

    private static NextAct whereIsTheOldModule(JobState state) {
        return new NextAct(
                "Is the old " + state.replaced().map(PackModule::lowerTitle).orElse("module")
                        + " still in the vehicle?",
                "Then it is read before anyone removes it: its coding is the best source. Once it is out, nobody gets"
                        + " it back.",
                Safe.toStop(state),
                Tone.PERSON,
                List.of(
                        Act.simple("It is still in", OLD_MODULE, "still-in"),
                        Act.simple("It is out already", OLD_MODULE, "out").second()));
    }

    private static String work(JobState state) {
        return switch (state.job().kind()) {
            case CLEAR_FAULTS -> "clearing faults after they are written down";
            case FIND_LOST_SETTING -> "finding a lost setting, and putting it back if you choose so";
            case BASELINE_ONLY -> "reading the vehicle";
            default ->
                state.job().kind().replaces()
                        ? "replacing the " + state.replaced().orElseThrow().lowerTitle()
                        : "\"" + state.job().kind().title() + "\"";
        };
    }

    @Override
    public Optional<String> found(JobState state) {
        return Noted.by(state, HoldPoint.CONSENT, "Consent was given");
    }
}

package codrane.core.job.stage;

import codrane.core.job.IdentityFinding;
import codrane.core.job.JobState;
import codrane.core.job.act.Ask;
import codrane.core.job.act.NextAct;
import codrane.core.job.act.NextAct.Act;
import codrane.core.job.act.NextAct.Tone;
import codrane.core.job.act.RunHolds;
import codrane.core.job.act.Stop;
import codrane.core.job.act.TooEarly;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobProgress.Hold;
import codrane.core.plan.Stage;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Identify: every module is asked who it is, and faults are written down. */
public final class IdentifyStage implements StageRules {
    public static final Ask SCAN =
            Ask.of("scan", "began a scan", new TooEarly(Stage.IDENTIFY), new RunHolds("look at Run first"));
    public static final Ask ASK_MODULE = Ask.of(
            "ask-module",
            "asked a module by hand",
            new TooEarly(Stage.IDENTIFY),
            new RunHolds("look at Run first"),
            state -> Stop.unless(state.scans().latest().isPresent(), "Scan first."));
    public static final Ask NOTE_FAULT =
            Ask.of("fault-note", "noted the reason of a fault", new TooEarly(Stage.IDENTIFY));

    static Act scanAgain() {
        return Act.simple("Scan again", SCAN);
    }

    static Act scanAll(JobState state) {
        return Act.simple("Scan " + state.pack().modules().size() + " modules", SCAN);
    }

    @Override
    public Stage stage() {
        return Stage.IDENTIFY;
    }

    @Override
    public NextAct next(JobState state, String who) {
        if (HoldRules.progress(state).hold(HoldPoint.VARIANT_NAMED) == Hold.OPEN)
            return new NextAct(
                    "Which " + state.job().model() + " is it?",
                    "The VIN does not tell, and detection by reading is weak here. Look at the vehicle, then choose"
                            + " below.",
                    Safe.toStop(state),
                    Tone.PERSON,
                    List.of());
        if (state.before().isEmpty())
            return new NextAct(
                    state.intake().stillIn() ? "Fit the new part, then scan all modules" : "Scan all modules",
                    "Every module is asked for its VIN, numbers, coding and faults. Faults are written down here before"
                            + " anything can clear them.",
                    Safe.toStop(state),
                    Tone.DO,
                    List.of(scanAll(state)));
        return identity(state, IdentityFinding.of(state, state.before().get()));
    }

    private static NextAct identity(JobState state, IdentityFinding finding) {
        return switch (finding.vins().verdict()) {
            case DONOR, MODULE_EMPTY ->
                finding.unexpected().isEmpty() ? ownPart(state, finding) : notOurs(state, finding);
            case VEHICLE_DISAGREES ->
                again(
                        state,
                        "This may be the wrong vehicle",
                        finding.vins().sentence()
                                + " Nothing is written while most modules carry another VIN. Compare plate, papers and"
                                + " windscreen. If the VIN was typed wrong, begin a new job.",
                        Tone.PERSON);
            case NOTHING_READ ->
                again(state, "No module told a VIN", "Check key, cable and supply, then scan again.", Tone.DIFFERS);
            case ALL_AGREE ->
                again(
                        state,
                        "Scan again",
                        "The VINs agree, and something else of the scan is missing: faults could not be read.",
                        Tone.DIFFERS);
        };
    }

    private static NextAct again(JobState state, String title, String why, Tone tone) {
        return new NextAct(title, why, Safe.toStop(state), tone, List.of(scanAgain()));
    }

    private static NextAct ownPart(JobState state, IdentityFinding finding) {
        IdentityFinding.Odd part = finding.expected().getFirst();
        boolean empty = part.vin().isEmpty();
        return new NextAct(
                empty
                        ? "The " + lower(part) + " holds no VIN yet"
                        : "The " + lower(part) + " still carries its donor's VIN",
                finding.vins().sentence()
                        + (empty
                                ? " That is expected of a part that is new to this vehicle."
                                : " That is expected of a second-hand part; what becomes of it stands in the plan."),
                Safe.toStop(state),
                Tone.PERSON,
                List.of(
                        Act.keep(empty ? "It is the new part" : "Accept as donor", HoldPoint.IDENTITY_SETTLED),
                        scanAgain().second()));
    }

    /** A module that this job is not about: was it swapped before, or is it another vehicle's? */
    private static NextAct notOurs(JobState state, IdentityFinding finding) {
        return new NextAct(
                finding.unexpected().size() == 1
                        ? "The " + lower(finding.unexpected().getFirst()) + " is not this vehicle's by its VIN"
                        : finding.unexpected().size() + " modules are not this vehicle's by their VIN",
                finding.unexpectedWords() + ". " + why(state, finding),
                Safe.toStop(state),
                Tone.PERSON,
                List.of(
                        Act.waive("Go on, and say why", HoldPoint.IDENTITY_SETTLED),
                        scanAgain().second()));
    }

    private static String why(JobState state, IdentityFinding finding) {
        boolean newPart = finding.unexpected().stream()
                .allMatch(odd -> state.job().replacedModule().equals(Optional.of(odd.module())));
        return newPart
                ? "The part is said to be new, and a new one holds no VIN: it was used before, or the old one still"
                        + " answers. Look, then go on with the reason."
                : "This job is not about that and does not write it. Was it swapped before? Ask, then go on with the"
                        + " reason, or settle it in a job of its own.";
    }

    private static String lower(IdentityFinding.Odd odd) {
        return odd.title().toLowerCase(Locale.ROOT);
    }

    @Override
    public Optional<String> found(JobState state) {
        return state.before().map(scan -> IdentityFinding.of(state, scan).vins().sentence());
    }
}

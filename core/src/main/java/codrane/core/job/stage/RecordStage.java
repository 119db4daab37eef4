package codrane.core.job.stage;

import codrane.core.job.JobState;
import codrane.core.job.act.Ask;
import codrane.core.job.act.NextAct;
import codrane.core.job.act.NextAct.Act;
import codrane.core.job.act.NextAct.Tone;
import codrane.core.job.act.Stop;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobProgress.Hold;
import codrane.core.plan.Stage;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Record: the report, how the vehicle is left, and the end of the job. */
public final class RecordStage implements StageRules {
    public static final Ask CLOSE = Ask.of(
            "close",
            "closed the job",
            state -> Stop.unless(
                    HoldRules.progress(state).current() == Stage.RECORD && !state.runHolds(),
                    "The job is not through yet."));
    public static final Ask REOPEN = Ask.of(
            "reopen",
            "reopened the job",
            state -> Stop.unless(state.job().closedAt().isPresent(), "This job is not closed."));
    public static final Ask NOTE_MENU = Ask.of("menu", "noted what a tool calls it");

    @Override
    public Stage stage() {
        return Stage.RECORD;
    }

    @Override
    public NextAct next(JobState state, String who) {
        if (state.job().closedAt().isPresent())
            return new NextAct(
                    state.job().cancelled().isPresent() ? "This job was cancelled" : "This job is closed",
                    state.job()
                                    .cancelled()
                                    .map(why ->
                                            "Why: " + why + (why.endsWith(".") ? "" : ".") + " Nothing was written. ")
                                    .orElse("")
                            + "The report stays here and prints. Nothing of the job changes any more."
                            + leftOpen(state),
                    "To work on it again, reopen it and say why.",
                    Tone.SETTLED,
                    List.of(Act.reasoned("Reopen the job", REOPEN)));
        if (state.written() && state.asLeft().isEmpty())
            return new NextAct(
                    "Store how the vehicle is left",
                    "A second baseline: a setting that an update wipes later is found by it, and can be put back.",
                    "Safe to stop here.",
                    Tone.DO,
                    List.of(
                            Act.simple("Read and store", BaselineStage.STORE),
                            Act.simple("Close the job without it", CLOSE).second()));
        return new NextAct(
                "Print the report and close the job",
                "It says what was found, changed and proved, with who waived what.",
                "Safe to stop here.",
                Tone.DO,
                List.of(Act.simple("Close the job", CLOSE)));
    }

    /** What was waived at the end, or never tried, stays said. */
    private static String leftOpen(JobState state) {
        List<String> open = Stream.of(HoldPoint.SETTLED, HoldPoint.READ_BACK_AGREES, HoldPoint.FUNCTION_TESTED)
                .filter(p -> HoldRules.progress(state).hold(p) == Hold.WAIVED)
                .flatMap(p -> state.personHold(p).stream())
                .map(h -> "“" + h.point().title() + "” (" + h.why() + ")")
                .toList();
        return open.isEmpty() ? "" : " It was closed without this: " + String.join(", ", open) + ".";
    }

    @Override
    public Optional<String> found(JobState state) {
        return Optional.empty();
    }
}

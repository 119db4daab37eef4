package codrane.core.job.stage;

import codrane.core.access.AccessCheck;
import codrane.core.access.AccessNeed;
import codrane.core.job.JobAccess;
import codrane.core.job.JobState;
import codrane.core.job.act.Ask;
import codrane.core.job.act.NextAct;
import codrane.core.job.act.NextAct.Act;
import codrane.core.job.act.NextAct.Tone;
import codrane.core.job.act.NoGateway;
import codrane.core.job.act.Stop;
import codrane.core.job.act.TooEarly;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.Stage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Unlock: what the authority wants before the gateway is opened, the first thing that lacks. */
public final class UnlockStage implements StageRules {
    public static final Ask ADD_TECHNICIAN =
            Ask.of("access/technician", "added a technician at the authority", new NoGateway());
    public static final Ask ADD_TOOL = Ask.of("access/tool", "registered the tool", new NoGateway());
    public static final Ask AUTHORISE = Ask.of(
            "authorise",
            "asked for the authorisation",
            new TooEarly(Stage.UNLOCK),
            new NoGateway(),
            state -> Stop.unless(
                    !state.runHolds(), "A run is under way: the authorisation is renewed when it has ended."));

    @Override
    public Stage stage() {
        return Stage.UNLOCK;
    }

    @Override
    public NextAct next(JobState state, String who) {
        JobAccess access = state.access();
        if (access.account().isEmpty())
            return next(
                    state,
                    "Ask what the authority wants",
                    "It was not asked about this workshop yet.",
                    Act.go("Ask it", Stage.UNLOCK));
        String trouble = access.account().get().trouble();
        if (!trouble.isEmpty())
            return next(state, "The authority does not answer", trouble, Act.go("Ask again", Stage.UNLOCK));
        Optional<AccessNeed> need = AccessCheck.first(access.needs(who));
        return need.isPresent() ? missing(state, need.get(), who) : authorise(state);
    }

    private static NextAct authorise(JobState state) {
        String title = state.access().expired()
                ? "The authorisation has ended: authorise again"
                : state.access().open() ? "Renew the authorisation: it ends too soon" : "Authorise this vehicle";
        String back = state.access()
                .refused()
                .map(r -> " Then back to what was refused: " + r.title() + ".")
                .orElse("");
        return next(
                state,
                title,
                "Account, technician and tool are in order. The gateway is believed open only when it lets something"
                        + " harmless through." + back,
                Act.strong("Authorise", AUTHORISE));
    }

    private static NextAct missing(JobState state, AccessNeed need, String who) {
        String title = switch (need.kind()) {
            case ACCOUNT -> "Register the workshop at the authority";
            case MAIL -> "Confirm the workshop's mail";
            case PLAN -> "Take a plan";
            case CHECK -> "Wait for the authority's check";
            case TECHNICIAN -> "Have " + who + " added as technician";
            case TOOL -> "Register the connected tool";
        };
        Act act = switch (need.kind()) {
            case ACCOUNT, MAIL, PLAN -> Act.visit("Open the account", "access");
            case CHECK, TECHNICIAN -> Act.go("Look again", Stage.UNLOCK);
            case TOOL ->
                Act.simple(
                        "Register " + state.access().tool().map(t -> t.serial()).orElse("it"), ADD_TOOL);
        };
        return next(state, title, need.sentence(), act);
    }

    private static NextAct next(JobState state, String title, String why, Act act) {
        List<Act> acts = new ArrayList<>(List.of(act));
        Stage reading = HoldRules.progress(state).currentUnauthorised();
        if (reading.compareTo(Stage.UNLOCK) > 0 && reading.compareTo(Stage.RUN) < 0)
            acts.add(Act.go("Go on reading: " + reading.title(), reading).second());
        return new NextAct(title, why, Safe.toStop(state) + " Reading goes on without it.", Tone.PERSON, acts);
    }

    @Override
    public Optional<String> found(JobState state) {
        if (!state.access().there()) return Optional.of("This vehicle has no secure gateway.");
        return Optional.of(state.access().open() ? "The gateway was seen open." : "Nothing had to be unlocked.");
    }
}

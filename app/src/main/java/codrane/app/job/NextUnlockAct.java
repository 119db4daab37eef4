package codrane.app.job;

import codrane.app.job.NextAct.Act;
import codrane.app.job.NextAct.Tone;
import codrane.core.access.AccessCheck;
import codrane.core.access.AccessNeed;
import codrane.core.job.JobAccess;
import codrane.core.plan.Stage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What to do next at a locked gateway: the first thing that the authority lacks. */
final class NextUnlockAct {
    private static final String READ_ON = " Reading goes on without it.";

    private NextUnlockAct() {}

    static NextAct of(JobFacts facts, String who) {
        JobAccess access = facts.access();
        if (access.account().isEmpty())
            return next(
                    facts,
                    "Ask what the authority wants",
                    "It was not asked about this workshop yet.",
                    Act.go("Ask it", "/unlock"));
        String trouble = access.account().get().trouble();
        if (!trouble.isEmpty())
            return next(facts, "The authority does not answer", trouble, Act.go("Ask again", "/unlock"));
        Optional<AccessNeed> need = AccessCheck.first(access.needs(who));
        return need.isPresent() ? missing(facts, need.get(), who) : authorise(facts);
    }

    private static NextAct authorise(JobFacts facts) {
        String title = facts.access().expired()
                ? "The authorisation has ended: authorise again"
                : facts.access().open() ? "Renew the authorisation: it ends too soon" : "Authorise this vehicle";
        String back = facts.access()
                .refused()
                .map(r -> " Then back to what was refused: " + r.title() + ".")
                .orElse("");
        return next(
                facts,
                title,
                "Account, technician and tool are in order. The gateway is believed open only when it lets something harmless through."
                        + back,
                Act.keep("Authorise", "/authorise"));
    }

    private static NextAct missing(JobFacts facts, AccessNeed need, String who) {
        String title = switch (need.kind()) {
            case ACCOUNT -> "Register the workshop at the authority";
            case MAIL -> "Confirm the workshop's mail";
            case PLAN -> "Take a plan";
            case CHECK -> "Wait for the authority's check";
            case TECHNICIAN -> "Have " + who + " added as technician";
            case TOOL -> "Register the connected tool";
        };
        Act act = switch (need.kind()) {
            case ACCOUNT, MAIL, PLAN -> Act.go("Open the account", "/access");
            case CHECK -> Act.go("Look again", "/unlock");
            case TECHNICIAN -> Act.go("Look again", "/unlock");
            case TOOL ->
                Act.read(
                        "Register " + facts.access().tool().map(t -> t.serial()).orElse("it"), "/access/tool");
        };
        return next(facts, title, need.sentence(), act);
    }

    private static NextAct next(JobFacts facts, String title, String why, Act act) {
        List<Act> acts = new ArrayList<>(List.of(act));
        Stage reading = facts.progress().currentUnauthorised();
        if (reading.compareTo(Stage.UNLOCK) > 0 && reading.compareTo(Stage.RUN) < 0)
            acts.add(Act.go("Go on reading: " + reading.title(), "/" + reading.key())
                    .second());
        return new NextAct(title, why, NextActs.stop(facts) + READ_ON, Tone.PERSON, acts);
    }
}

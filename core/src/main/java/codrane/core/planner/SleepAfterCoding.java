package codrane.core.planner;

import codrane.core.pack.Feature;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import java.util.List;

/** Some values are taken up only when the modules have slept: close, lock, leave. */
final class SleepAfterCoding implements Rule {
    @Override
    public String id() {
        return "sleep-after-coding";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        boolean feature =
                facts.wishedFeatures().stream().anyMatch(f -> f.after().contains(Feature.SLEEP));
        boolean order = draft.has(Kind.WRITE_ORDER);
        boolean named = !facts.wished().isEmpty() && facts.kind() != JobKind.FIND_LOST_SETTING;
        if (!draft.writes() || !(feature || order || named))
            return Judgement.notNeeded("Nothing waits for the modules to sleep.");
        String reason = feature
                ? "Messages stay until the modules have slept."
                : "New values are often not taken up before the modules have slept.";
        return Judgement.applies(reason, sleep(facts, reason));
    }

    static Operation sleep(VehicleFacts facts, String reason) {
        long seconds = facts.pack().equipment().asleepAfter().toSeconds() + 60;
        return Operation.of(Kind.SLEEP, "", "Let the modules sleep", (int) seconds, reason)
                .prompting(List.of(
                        "Key off and out, close and lock the vehicle, keep the key away for " + seconds + " s"));
    }
}

package codrane.app.stage.decide;

import codrane.app.job.Acted;
import codrane.core.job.JobState;
import org.springframework.stereotype.Component;

/** A plan that is there no longer rests on what was said: it is made again, within the same act. */
@Component
class PlanAgain {
    private final PlanActs plans;

    PlanAgain(PlanActs plans) {
        this.plans = plans;
    }

    Acted plan(JobState before, String who) {
        return before.plan().isPresent() ? plans.plan(before.job().number(), who) : Acted.done();
    }
}

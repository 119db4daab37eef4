package codrane.core.job.hold;

import codrane.core.job.BeforeAgreeing;
import codrane.core.job.JobState;
import codrane.core.planner.PlanQuestions;
import java.util.Optional;

/** Whether there is a plan that a person can agree to. */
final class PlanStands {
    private PlanStands() {}

    /** Why not; empty when there is one. */
    static Optional<String> missing(JobState state) {
        if (state.plan().isEmpty() || state.planIsOld())
            return Optional.of("There is no plan yet that rests on the newest scan.");
        return PlanQuestions.of(state.vehicleFacts(state.before().orElseThrow())).stream()
                .map(PlanQuestions.Question::text)
                .findFirst()
                .or(() -> state.plan().get().plan().blocks().stream().findFirst())
                .or(() -> BeforeAgreeing.factsChanged(state)
                        ? Optional.of("What is known has changed since the plan was made: plan again.")
                        : Optional.empty());
    }
}

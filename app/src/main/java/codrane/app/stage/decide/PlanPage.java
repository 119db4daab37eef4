package codrane.app.stage.decide;

import codrane.app.job.JobStore;
import codrane.app.tools.MenuMap;
import codrane.core.job.Job;
import codrane.core.job.JobState;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The plan as it is shown: beside the one before it, other open jobs and the tools' own menus. */
@Component
class PlanPage {
    private final PlanStore plans;
    private final MenuMap menus;
    private final JobStore jobs;

    PlanPage(PlanStore plans, MenuMap menus, JobStore jobs) {
        this.plans = plans;
        this.menus = menus;
        this.jobs = jobs;
    }

    Optional<PlanView> of(JobState state) {
        return state.plan()
                .map(p -> PlanView.of(
                        state,
                        p,
                        plans.before(state.job().id(), p.version()),
                        menus.of(state.pack().id(), p.plan().operations()),
                        others(state)));
    }

    /** Other open jobs on the vehicle, by the module that they are about. */
    private Map<String, Long> others(JobState state) {
        Map<String, Long> others = new HashMap<>();
        for (Job job : jobs.ofVehicle(state.job().vehicleId()))
            if (job.closedAt().isEmpty() && job.number() != state.job().number())
                job.replacedModule().ifPresent(module -> others.putIfAbsent(module, job.number()));
        return others;
    }
}

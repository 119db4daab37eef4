package codrane.app.live;

import codrane.app.records.ChangeLedger;
import codrane.app.records.ChangeLedger.Programmed;
import codrane.core.run.ProgrammingTimes;
import codrane.core.run.StepTime;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** When steps of runs were sent and answered: of one run, and of what was programmed on a model before. */
@Component
public class RunTimes {
    /** Of one run more are not looked at. */
    private static final Limit MOST_STEPS = Limit.of(4000);
    /** Of one module older ones are not looked at. */
    private static final int MOST_SEEN = 9;

    private final StepRepository steps;
    private final ChangeLedger ledger;

    RunTimes(StepRepository steps, ChangeLedger ledger) {
        this.steps = steps;
        this.ledger = ledger;
    }

    /** Oldest first. */
    @Transactional(readOnly = true)
    public List<StepTime> of(long runId) {
        return steps.findByRunIdOrderByNumber(runId, MOST_STEPS).stream()
                .map(StepEntity::told)
                .toList();
    }

    /**
     * What programming took on this model, by module. A run is not foretold by itself.
     *
     * @param pack id
     * @param modules that are asked about
     * @param before id of a run: only earlier ones count
     */
    @Transactional(readOnly = true)
    public Map<String, List<ProgrammingTimes>> learned(String pack, Set<String> modules, long before) {
        if (modules.isEmpty()) return Map.of();
        List<Programmed> done = ledger.programmed(pack, modules, before);
        Map<Long, List<StepTime>> byRun =
                byRun(done.stream().map(Programmed::run).toList());
        Map<String, List<ProgrammingTimes>> learned = new HashMap<>();
        for (String module : modules)
            learned.put(
                    module,
                    done.stream()
                            .filter(d -> d.module().equals(module))
                            .flatMap(d -> ProgrammingTimes.of(ofTask(byRun, d)).stream())
                            .limit(MOST_SEEN)
                            .toList());
        return learned;
    }

    private static List<StepTime> ofTask(Map<Long, List<StepTime>> byRun, Programmed done) {
        return byRun.getOrDefault(done.run(), List.of()).stream()
                .filter(s -> s.task() == done.task())
                .toList();
    }

    private Map<Long, List<StepTime>> byRun(Collection<Long> runs) {
        if (runs.isEmpty()) return Map.of();
        Map<Long, List<StepTime>> byRun = new HashMap<>();
        steps.findByRunIdInAndPurposeInOrderById(runs, ProgrammingTimes.PURPOSES).stream()
                .map(StepEntity::told)
                .forEach(s ->
                        byRun.computeIfAbsent(s.run(), run -> new ArrayList<>()).add(s));
        return byRun;
    }
}

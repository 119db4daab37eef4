package codrane.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Asks every rule in fixed order and puts their operations into the order of their kinds. */
public final class Planner {
    private static final List<Rule> RULES = List.of(
            new RecordFaultsFirst(),
            new BaselineBeforeWriting(),
            new AuthoriseBeforeWriting(),
            new PartMustAnswer(),
            new ProgramOldSoftware(),
            new WriteVehicleVin(),
            new WriteVehicleCoding(),
            new PutBackLostSettings(),
            new LeaveOthersAlone(),
            new ResetAfterWriting(),
            new ClearAfterWriting(),
            new ClearWhatWasAsked(),
            new ProveByReading());

    private Planner() {}

    public static Plan plan(VehicleFacts facts) {
        List<Plan.Decision> decisions = new ArrayList<>();
        List<Operation> operations = new ArrayList<>();
        for (Rule rule : RULES) {
            Judgement judgement = rule.judge(facts);
            decisions.add(new Plan.Decision(rule.id(), judgement));
            if (judgement instanceof Judgement.Applies applies) operations.addAll(applies.operations());
        }
        operations.sort(Comparator.comparing(Operation::kind));
        return new Plan(operations, decisions);
    }
}

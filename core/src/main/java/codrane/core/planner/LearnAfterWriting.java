package codrane.core.planner;

import codrane.core.pack.Procedure;
import codrane.core.pack.Procedure.Effect;
import codrane.core.pack.VehicleCondition;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.List;

/** What a written module must learn again, or messages remain. */
final class LearnAfterWriting implements Rule {
    @Override
    public String id() {
        return "learn-after-writing";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (facts.unmounted()) return Judgement.notNeeded("What learns or moves waits until the part is mounted.");
        List<String> written = written(facts, draft);
        List<String> named =
                facts.wishedFeatures().stream().flatMap(f -> f.after().stream()).toList();
        List<Operation> learns = new ArrayList<>();
        for (Procedure procedure : facts.pack().equipment().procedures().values()) {
            boolean needed = written.contains(procedure.module()) || draft.writes() && named.contains(procedure.id());
            if (needed && procedure.effect() == Effect.RELEARN) learns.add(learn(facts, procedure));
        }
        return learns.isEmpty()
                ? Judgement.notNeeded("Nothing has to be learned again.")
                : new Judgement.Applies("Without it messages remain, and no tool prompts for it.", learns);
    }

    /** What was written, and the part that came in: it learns its place, whether or not anything was written to it. */
    static List<String> written(VehicleFacts facts, Draft draft) {
        List<String> written = new ArrayList<>(draft.writtenModules());
        facts.newPart().filter(part -> facts.answer(part.id()).answers()).ifPresent(part -> written.add(part.id()));
        return written;
    }

    private static Operation learn(VehicleFacts facts, Procedure procedure) {
        String module = facts.pack().module(procedure.module()).lowerTitle();
        return routine(Kind.RELEARN, procedure, "Messages of the " + module + " remain until that is done.");
    }

    /** A routine of the pack, with what must be brought about first. */
    static Operation routine(Kind kind, Procedure procedure, String reason) {
        List<String> prompts = new ArrayList<>();
        if (!procedure.needs().isEmpty())
            prompts.add("Before \"" + procedure.title() + "\": "
                    + String.join(
                            ", ",
                            procedure.needs().stream()
                                    .map(VehicleCondition::words)
                                    .toList()));
        if (!procedure.expect().isEmpty()) prompts.add("Meanwhile: " + procedure.expect());
        return Operation.of(
                        kind,
                        procedure.module(),
                        procedure.title(),
                        (int) procedure.duration().toSeconds(),
                        reason)
                .prompting(prompts);
    }
}

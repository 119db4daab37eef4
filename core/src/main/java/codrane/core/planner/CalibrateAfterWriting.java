package codrane.core.planner;

import codrane.core.pack.Concern;
import codrane.core.pack.Procedure;
import codrane.core.pack.Procedure.Effect;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** A replaced, programmed or coded module finds its zero again; what looks ahead is aimed: after coding, never before. */
final class CalibrateAfterWriting implements Rule {
    @Override
    public String id() {
        return "calibrate-after-writing";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (facts.unmounted()) return Judgement.notNeeded("What aims or moves waits until the part is mounted.");
        List<String> written = LearnAfterWriting.written(facts, draft);
        List<Operation> operations = new ArrayList<>();
        for (Procedure procedure : facts.pack().equipment().procedures().values()) {
            if (procedure.effect() != Effect.CALIBRATE || !written.contains(procedure.module())) continue;
            if (orderAlone(facts, draft, procedure.module())) continue;
            Set<Concern> concerns = facts.concerns(procedure.module());
            boolean aims = concerns.contains(Concern.DRIVER_ASSISTANCE);
            Kind kind = aims || concerns.contains(Concern.STEERING) ? Kind.CALIBRATE : Kind.INITIALISE;
            Operation operation = LearnAfterWriting.routine(
                    kind,
                    procedure,
                    aims
                            ? "What looks ahead is aimed after coding, never before."
                            : "The " + facts.pack().module(procedure.module()).lowerTitle()
                                    + " does it after coding, never before.");
            operations.add(
                    aims
                            ? operation
                                    .lasting(operation.seconds() + Seconds.SET_UP_TARGETS)
                                    .needing(TryAndDrive.TARGETS)
                            : operation);
        }
        return operations.isEmpty()
                ? Judgement.notNeeded(elsewhere(facts).orElse("Nothing has to be aimed or to find its zero."))
                : new Judgement.Applies("What was written loses its zero or its aim.", operations);
    }

    /** A copy of the order moves nothing in the module that keeps it. */
    private static boolean orderAlone(VehicleFacts facts, Draft draft, String module) {
        boolean own = facts.newPart().filter(part -> part.id().equals(module)).isPresent();
        return !own
                && draft.has(Kind.WRITE_ORDER, module)
                && !draft.has(Kind.WRITE_CODING, module)
                && !draft.has(Kind.PROGRAM, module)
                && !draft.has(Kind.WRITE_VIN, module);
    }

    /** A part that looks ahead came in, and the pack knows no routine that aims it: a person does it, or it stays blind. */
    static Optional<String> elsewhere(VehicleFacts facts) {
        return facts.newPart()
                .filter(part -> facts.concerns(part.id()).contains(Concern.DRIVER_ASSISTANCE))
                .filter(part -> facts.pack().equipment().procedures().values().stream()
                        .noneMatch(p ->
                                p.effect() == Effect.CALIBRATE && p.module().equals(part.id())))
                .map(part -> "The " + part.lowerTitle() + " is aimed with targets, by the maker's procedure and with"
                        + " another tool: the pack knows no routine that aims it.");
    }
}

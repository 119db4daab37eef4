package codrane.app.stage.decide;

import codrane.app.job.Viewer;
import codrane.core.job.JobState;
import codrane.core.job.PlanBasis;
import codrane.core.job.Scan;
import codrane.core.plan.JobKind;
import codrane.core.plan.VehicleFacts;
import java.util.Optional;

/**
 * The page of Decide.
 *
 * @param note why something is not here, as a sentence; empty when nothing is missing
 * @param inputs what people say; empty until the vehicle was scanned
 * @param may whether this one decides
 */
public record DecideView(
        long number,
        String note,
        Optional<Inputs> inputs,
        Optional<LostView> lost,
        Optional<UndoView> undo,
        Optional<InstructionsView> followed,
        Optional<PlanView> plan,
        Optional<Known> known,
        boolean may) {
    static DecideView none(JobState state, Optional<LostView> lost) {
        return new DecideView(
                state.job().number(),
                "Decide rests on a scan: it comes first.",
                Optional.empty(),
                lost,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                false);
    }

    static DecideView of(
            JobState state,
            Viewer viewer,
            Optional<LostView> lost,
            Optional<PlanView> plan,
            Optional<UndoView> undo,
            Optional<InstructionsView> followed) {
        Scan scan = state.before().orElseThrow();
        VehicleFacts facts = state.vehicleFacts(scan);
        boolean incomparable = state.job().kind() == JobKind.FIND_LOST_SETTING && lost.isEmpty();
        String note = incomparable
                ? "No earlier baseline of this vehicle is here: take one in on the vehicle’s page, or there is nothing to"
                        + " compare with."
                : plan.isEmpty()
                        ? "The plan will stand here: each operation with its reasons, what it needs, its hold points and"
                                + " its expected time."
                        : "";
        return new DecideView(
                state.job().number(),
                note,
                Optional.of(Inputs.of(state, PlanBasis.newest(state).orElse(scan), facts)),
                lost,
                undo,
                followed,
                plan,
                Optional.of(Known.of(state, facts)),
                viewer.may(state.job().number(), "decide/part"));
    }
}

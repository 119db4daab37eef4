package codrane.standin;

import codrane.core.power.PowerWindow;
import codrane.core.run.RunState;
import codrane.core.run.RunTask;
import codrane.core.uds.UdsRequest;
import java.time.Duration;

/** The supply is watched as in a real run; all else is in order. */
class SupplyGates extends OpenGates {
    private static final int LONGEST_WAIT_SECONDS = 1800;
    private static final int STEADY_SECONDS = 10;

    private final VirtualWorkshop workshop;

    SupplyGates(VirtualWorkshop workshop) {
        super(workshop.time(), workshop.vehicle());
        this.workshop = workshop;
    }

    @Override
    public Verdict awaitPower(RunState state, PowerWindow wanted) {
        return risen(state, wanted.start(), STEADY_SECONDS);
    }

    @Override
    public Verdict beforeSending(RunState state) {
        return state.phase() == RunState.Phase.TRANSFER && state.task() instanceof RunTask.Program program
                ? risen(state, program.window().hold(), 1)
                : super.beforeSending(state);
    }

    /** Waits until it was high for so many seconds, and keeps the session meanwhile. */
    private Verdict risen(RunState state, double volts, int seconds) {
        int high = 0;
        for (int i = 0; i < LONGEST_WAIT_SECONDS; i++) {
            high = workshop.vehicle().volts() >= volts ? high + 1 : 0;
            if (high >= seconds) return new Verdict.Open();
            workshop.link().tell(state.task().module().address(), new UdsRequest.TesterPresent().quiet());
            pause(Duration.ofSeconds(1));
        }
        return new Verdict.Closed(
                "The supply stayed below " + volts + " V.",
                "Raise the supply voltage, then " + (state.committed() ? "recover the run." : "run again."));
    }
}

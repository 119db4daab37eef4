package codrane.standin;

import codrane.core.gateway.OperationMatrix;
import codrane.core.pack.Habits.KeyCycle;
import codrane.core.power.PowerWindow;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;
import codrane.link.run.RunGates;
import codrane.link.time.VirtualTime;
import codrane.standin.vehicle.SimulatedVehicle;
import java.time.Duration;

/** Nothing stands between a simulated run and the wire. */
class OpenGates implements RunGates {
    private final VirtualTime time;
    private final SimulatedVehicle vehicle;

    OpenGates(VirtualTime time, SimulatedVehicle vehicle) {
        this.time = time;
        this.vehicle = vehicle;
    }

    @Override
    public Verdict awaitPower(RunState state, PowerWindow window) {
        return new Verdict.Open();
    }

    /** Somebody brings about what is asked for. */
    @Override
    public Verdict awaitConditions(RunState state, RunAction.AwaitConditions conditions) {
        vehicle.bringAbout(conditions.needs());
        return new Verdict.Open();
    }

    @Override
    public Verdict awaitKeyTurn(RunState state, KeyCycle cycle) {
        pause(cycle.off());
        return new Verdict.Open();
    }

    @Override
    public OperationMatrix.Verdict permit(OperationMatrix.Operation operation) {
        return new OperationMatrix.Verdict.Allowed("simulation");
    }

    @Override
    public Verdict beforeSending(RunState state) {
        return new Verdict.Open();
    }

    @Override
    public void pause(Duration span) {
        time.advance(span);
    }
}

package codrane.core.run;

import codrane.core.calibration.MemoryImage;
import codrane.core.pack.Pack;
import codrane.core.scan.ModuleReading;
import codrane.core.vin.Vin;
import java.util.List;
import java.util.Map;

/** Carries a run's tasks out on a twin of a vehicle. Whoever has simulated vehicles provides it, as a service of Java. */
public interface Rehearser {
    /** Whether it can be rehearsed: a twin has no secret of the vehicle, so what takes a code is left out. */
    boolean rehearsable(RunTask task);

    /**
     * @param readings of the vehicle's modules, the newest there are
     * @param tasks all {@link #rehearsable}
     * @param image that is programmed; empty when nothing is
     */
    Rehearsed rehearse(Pack pack, Vin vin, Map<String, ModuleReading> readings, List<RunTask> tasks, MemoryImage image);

    /**
     * How it ended.
     *
     * @param prompts what a person was asked for, in order
     * @param taskSeconds simulated, one for each task that was begun
     * @param before what the twin was read to hold first, by module
     * @param after what it holds at the end
     */
    record Rehearsed(
            boolean well,
            String sentence,
            String nextStep,
            List<String> prompts,
            List<Double> taskSeconds,
            Map<String, ModuleReading> before,
            Map<String, ModuleReading> after) {
        public Rehearsed {
            prompts = List.copyOf(prompts);
            taskSeconds = List.copyOf(taskSeconds);
            before = Map.copyOf(before);
            after = Map.copyOf(after);
        }
    }
}

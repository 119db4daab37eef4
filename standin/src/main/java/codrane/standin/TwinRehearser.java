package codrane.standin;

import codrane.core.calibration.MemoryImage;
import codrane.core.pack.Pack;
import codrane.core.run.Rehearser;
import codrane.core.run.RunTask;
import codrane.core.scan.ModuleReading;
import codrane.core.vin.Vin;
import java.util.List;
import java.util.Map;

/** Makes a twin for each rehearsal. */
public final class TwinRehearser implements Rehearser {
    @Override
    public boolean rehearsable(RunTask task) {
        return !(task instanceof RunTask.Secret);
    }

    @Override
    public Rehearsed rehearse(
            Pack pack, Vin vin, Map<String, ModuleReading> readings, List<RunTask> tasks, MemoryImage image) {
        return new Twin(pack, vin, readings, tasks).run(image);
    }
}

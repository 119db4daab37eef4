package codrane.core.job;

import codrane.core.calibration.CalibrationCheck;
import codrane.core.calibration.Manifest;
import codrane.core.calibration.ReadResult;
import codrane.core.pack.PackModule.Ident;
import codrane.core.scan.ModuleReading;
import java.util.List;
import java.util.Optional;

/** Whether a calibration is for the job's module as it was read before the run. */
public final class FileFit {
    private FileFit() {}

    /** Empty when the module's hardware number was not read. */
    public static Optional<CalibrationCheck.Target> target(JobState state) {
        Optional<ModuleReading> reading = state.before()
                .flatMap(scan ->
                        state.job().replacedModule().map(id -> scan.readings().get(id)));
        return reading.flatMap(r -> r.text(Ident.HARDWARE)
                .map(hardware ->
                        new CalibrationCheck.Target(state.pack().id(), r.module(), hardware, r.text(Ident.SOFTWARE))));
    }

    /** Whether a manifest fits, without the file. */
    public static CalibrationCheck of(JobState state, Manifest manifest) {
        return target(state)
                .map(target -> CalibrationCheck.fit(manifest, target))
                .orElse(new CalibrationCheck(
                        CalibrationCheck.Verdict.NOT_FOR_THIS_MODULE,
                        List.of("The module's hardware number was not read.")));
    }

    /** The calibration at hand, as its file was read. */
    public static Optional<CalibrationCheck> of(JobState state, ReadResult file) {
        return state.calibration()
                .flatMap(c -> target(state).map(target -> CalibrationCheck.of(file, c.manifest(), target)));
    }
}

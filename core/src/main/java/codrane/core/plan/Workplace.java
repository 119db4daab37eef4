package codrane.core.plan;

import java.time.LocalDate;
import java.util.Optional;

/**
 * Who works, with what, and in what state things are today. What nobody said changes nothing.
 *
 * @param batteryVolts resting, without load, 0..20
 * @param worker who works on the vehicle
 * @param sheetOf day of the line sheet
 * @param programmedOn day on which the module was programmed last
 * @param otherTools tools beside this one on the diagnostic socket, 0..9
 * @param wireless whether the interface is on a wireless link now
 * @param online whether the internet is there
 * @param interfaceCelsius temperature of the interface
 */
public record Workplace(
        Optional<Double> batteryVolts,
        Optional<Worker> worker,
        Optional<LocalDate> sheetOf,
        Optional<LocalDate> programmedOn,
        int otherTools,
        Optional<Boolean> wireless,
        Optional<Boolean> online,
        Optional<Double> interfaceCelsius) {
    public static final Workplace UNKNOWN = new Workplace(
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            0,
            Optional.empty(),
            Optional.empty(),
            Optional.empty());

    /**
     * Who works.
     *
     * @param trainee who does not write to a real vehicle alone
     * @param licensed for work that local law keeps to some
     * @param highVoltage qualified for high-voltage vehicles
     */
    public record Worker(boolean trainee, boolean licensed, boolean highVoltage) {}
}

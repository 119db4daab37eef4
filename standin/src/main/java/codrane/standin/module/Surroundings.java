package codrane.standin.module;

import codrane.core.fault.FaultCode;
import codrane.core.octets.Bytes;
import codrane.core.pack.Equipment.Sensor;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.VehicleCondition;
import java.time.Duration;
import java.time.Instant;
import java.util.Set;

/** What a module senses of its vehicle. */
public interface Surroundings {
    Pack pack();

    /** Supply voltage. */
    double volts();

    /** A module began or ended to draw the current of programming. */
    void programming(boolean under);

    /** @param turnsKey for which the vehicle turns its key off then, by itself; zero when it does not */
    void restarted(Duration turnsKey);

    boolean holds(VehicleCondition condition);

    /** @return 0 to 2, see {@link Sensor} */
    int position(Sensor sensor);

    /** What the gateway does with a request of this service to this module. */
    Passage passage(PackModule module, int service);

    /** How a request fares at the gateway. */
    enum Passage {
        PASSES,
        REFUSED,
        /** Not let through, yet answered as if it were done. */
        CLAIMED
    }

    Gateway gateway();

    Immobiliser immobiliser();

    /** Whether a module of the immobiliser answers at this address. */
    boolean pairable(int address);

    void pair(int address);

    /** @return faults of the module whose cause is there now */
    Set<FaultCode> arising(PackModule module);

    /** @return faults that can arise in the module */
    Set<FaultCode> canArise(PackModule module);

    /** A block of a download was written; for faults at a chosen block. */
    void blockWritten(PackModule module);

    /** VIN that a module tells, seventeen octets of FF while it has none or does not answer. */
    Bytes vinOf(String module);

    /** VIN of the vehicle's reference module, seventeen octets. */
    Bytes vehicleVin();

    Instant now();
}

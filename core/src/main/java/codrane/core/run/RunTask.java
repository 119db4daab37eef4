package codrane.core.run;

import codrane.core.octets.Bytes;
import codrane.core.pack.Equipment.Immobiliser;
import codrane.core.pack.Habits.KeyCycle;
import codrane.core.pack.PackModule;
import codrane.core.pack.Procedure;
import codrane.core.power.PowerWindow;

/** What one part of a run is to achieve. Each can be begun again after a loss, and finds out itself what is left to do. */
public sealed interface RunTask {
    /** For people. */
    String title();

    /** Whether it is started by somebody at the vehicle: a run does not go on to it by itself. */
    default boolean byHand() {
        return false;
    }

    /** Begun only with the supply in a window. */
    sealed interface Gated extends RunTask {
        PowerWindow window();
    }

    /**
     * @param start address of the first octet of the data
     * @param length octets of data
     * @param crc32 over the data, which the module is asked to confirm
     * @param softwareAfter version that the module must report afterwards
     */
    record Program(
            PackModule module,
            long start,
            int length,
            long crc32,
            String softwareAfter,
            PowerWindow window,
            String title)
            implements Gated {}

    /** Writes one data identifier and reads it back: VIN or a coding block. */
    record Write(PackModule module, int dataIdentifier, Bytes value, PowerWindow window, String title)
            implements Gated {}

    /** A routine of the module, which a person starts who sees to what it needs and looks what moves. */
    record Routine(PackModule module, Procedure procedure, PowerWindow window, String title) implements Gated {
        @Override
        public boolean byHand() {
            return true;
        }
    }

    /** What is done with the vehicle's access code, at the keeper of the immobiliser's secret. */
    sealed interface Secret extends Gated {
        Immobiliser immobiliser();
    }

    /** @param module keeper of the secret, which pairs */
    record Pair(PackModule module, PackModule member, Immobiliser immobiliser, PowerWindow window, String title)
            implements Secret {}

    /**
     * One key, which a person turns while the keeper of the secret waits for it.
     *
     * @param number of the key, from 1: so many are known then
     */
    record LearnKey(PackModule module, Immobiliser immobiliser, int number, PowerWindow window, String title)
            implements Secret {
        @Override
        public boolean byHand() {
            return true;
        }
    }

    /** Keys that another tool learns: a person says when, and the keeper of the secret is asked how many it knows. */
    record KeysElsewhere(PackModule module, Immobiliser immobiliser, int keys, PowerWindow window, String title)
            implements Secret {
        @Override
        public boolean byHand() {
            return true;
        }
    }

    /**
     * Erases a module's VIN, so that it learns the neighbour's when it restarts. Its coding goes with it.
     *
     * @param vin that it must hold then
     */
    record LearnVin(PackModule module, int forgetRoutine, Bytes vin, PowerWindow window, String title)
            implements Gated {}

    /** A timed turn of the key, by which a module takes up what was written to it. */
    record TurnKey(PackModule module, KeyCycle cycle, String title) implements RunTask {}

    record Restart(PackModule module, String title) implements RunTask {}

    record Clear(PackModule module, String title) implements RunTask {}

    PackModule module();
}

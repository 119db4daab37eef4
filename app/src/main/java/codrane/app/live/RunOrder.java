package codrane.app.live;

import codrane.app.interfaces.BenchInterface;
import codrane.core.calibration.MemoryImage;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.run.RunTask;
import codrane.core.scan.ModuleReading;
import codrane.link.DiagnosticLink;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Everything a run needs, made anew from what is stored whenever it is started or recovered.
 *
 * @param image data of the download; empty when there is none
 * @param before readings from before the first write: the undo set comes from them
 */
public record RunOrder(
        Subject subject,
        Pack pack,
        BenchInterface bench,
        List<RunTask> tasks,
        MemoryImage image,
        Map<String, ModuleReading> before,
        Gateway gateway,
        Codes codes,
        Renewal renewal) {
    /** Which job of which vehicle, by which plan, and who released it. */
    public record Subject(long jobId, long jobNumber, long vehicleId, long planId, String who) {}

    /** The vehicle's codes, for the moment in which they are sent. */
    public interface Codes {
        /** Empty when one is not here. */
        Optional<Bytes> take();

        /** The vehicle did not take them. */
        void refused();
    }

    /** Opens the gateway anew, between two steps. */
    public interface Renewal {
        /** @param link of the run, over which nothing else is sent meanwhile */
        Renewed renew(DiagnosticLink link);
    }

    /**
     * What became of it.
     *
     * @param until end of the new authorisation; empty when there is none
     * @param why not, as a sentence; empty when there is one
     */
    public record Renewed(Optional<Instant> until, String why) {}

    public RunOrder {
        tasks = List.copyOf(tasks);
        before = Map.copyOf(before);
    }
}

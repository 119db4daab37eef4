package codrane.standin.vehicle;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult.Decoded;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackModule;
import codrane.link.can.CanFrame;
import codrane.link.can.CanPort;
import codrane.link.can.SimulatedBus;
import codrane.link.isotp.IsoTpAddressing;
import codrane.link.isotp.IsoTpEndpoint;
import codrane.link.isotp.IsoTpFrame;
import codrane.link.isotp.IsoTpFrame.SingleFrame;
import codrane.link.isotp.IsoTpSettings;
import codrane.link.time.Scheduler;
import codrane.standin.module.Pace;
import codrane.standin.module.UdsServer;
import java.time.Duration;
import java.util.HashMap;
import java.util.Map;

/**
 * A vehicle's modules on a simulated bus, each a node with ISO-TP conversations of its own: physical, functional, and
 * those of the legislated diagnostics.
 */
public final class CanVehicle {
    /** Services below are those of the legislated diagnostics. */
    private static final int FIRST_UDS = 0x10;

    private final SimulatedVehicle vehicle;
    private final PackLink.Can link;
    private final Scheduler time;
    private final Pace pace;
    private final SimulatedBus bus;
    private final Map<String, CanPort> ports = new HashMap<>();

    public CanVehicle(SimulatedVehicle vehicle, Scheduler time, Pace pace) {
        this.vehicle = vehicle;
        this.time = time;
        this.pace = pace;
        link = (PackLink.Can) vehicle.pack().link();
        SimulatedBus.Rates rates =
                new SimulatedBus.Rates(link.bitrate(), link.dataBitrate().orElse(link.bitrate()));
        bus = new SimulatedBus(time, rates.times(pace.speed()));
        for (UdsServer server : vehicle.servers()) attach(server.module());
    }

    public SimulatedBus bus() {
        return bus;
    }

    /** Takes a module off the bus, or lets it on again. */
    public void off(String module, boolean off) {
        bus.off(ports.get(module), off);
    }

    private void attach(PackModule module) {
        CanPort port = bus.attach();
        ports.put(module.id(), port);
        Map<Integer, IsoTpEndpoint> physical = new HashMap<>();
        IsoTpEndpoint own = physical(module, port, link.responseId(module.address()), link.requestId(module.address()));
        physical.put(link.requestId(module.address()), own);
        IsoTpEndpoint law = module.obd()
                .map(obd -> physical(
                        module, port, link.legislatedResponseId(obd.index()), link.legislatedRequestId(obd.index())))
                .orElse(own);
        module.obd().ifPresent(obd -> physical.put(link.legislatedRequestId(obd.index()), law));
        port.listen(id -> physical.containsKey(id) || isFunctional(id), frame -> {
            IsoTpEndpoint endpoint = physical.get(frame.id());
            if (endpoint != null) endpoint.onFrame(frame);
            else functional(module, frame, own, law);
        });
    }

    private boolean isFunctional(int id) {
        return id == link.functionalId() || id == link.legislatedFunctionalId();
    }

    /** Only single frames are sent to all modules; the answer goes on in the module's own conversation. */
    private void functional(PackModule module, CanFrame frame, IsoTpEndpoint own, IsoTpEndpoint law) {
        boolean single = IsoTpFrame.decode(frame.data(), 0) instanceof Decoded<IsoTpFrame>(IsoTpFrame f)
                && f instanceof SingleFrame;
        if (!single) return;
        Bytes request = ((SingleFrame) IsoTpFrame.decode(frame.data(), 0).value()).data();
        IsoTpEndpoint answering = request.u8(0) < FIRST_UDS ? law : own;
        vehicle.request(module.address(), request, true, response -> send(answering, response));
    }

    private IsoTpEndpoint physical(PackModule module, CanPort port, int send, int receive) {
        IsoTpEndpoint endpoint =
                new IsoTpEndpoint(time, port, IsoTpAddressing.normal(send, receive, link.extended()), settings(module));
        endpoint.onMessage(
                request -> vehicle.request(module.address(), request, false, response -> send(endpoint, response)));
        return endpoint;
    }

    private static void send(IsoTpEndpoint endpoint, Bytes response) {
        endpoint.send(response, outcome -> {});
    }

    private IsoTpSettings settings(PackModule module) {
        IsoTpSettings settings = IsoTpSettings.STANDARD.withFrames(link.frameOctets());
        return module.flash()
                .map(flash -> settings.asking(flash.blockSize(), paced(flash.separationTime())))
                .orElse(settings);
    }

    /** Separation is the module's own work, so the speed divides it; below 100 microseconds there is none. */
    private Duration paced(Duration separation) {
        Duration divided = separation.dividedBy(pace.speed());
        return divided.compareTo(Duration.ofNanos(100_000)) < 0 ? Duration.ZERO : divided;
    }
}

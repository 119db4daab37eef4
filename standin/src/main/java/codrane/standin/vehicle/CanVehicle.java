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
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

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
        IsoTpAddressing ours = IsoTpAddressing.toModule(link, module.address()).reversed();
        IsoTpEndpoint own = physical(module, port, ours);
        physical.put(ours.receiveId(), own);
        PackLink.Can legislated = link.legislated();
        IsoTpEndpoint law = module.obd()
                .map(obd -> IsoTpAddressing.toModule(legislated, obd.index()).reversed())
                .map(theirs -> {
                    IsoTpEndpoint endpoint = physical(module, port, theirs);
                    physical.put(theirs.receiveId(), endpoint);
                    return endpoint;
                })
                .orElse(own);
        List<IsoTpAddressing> toAll = Stream.of(link, legislated)
                .map(IsoTpAddressing::toAll)
                .map(IsoTpAddressing::reversed)
                .toList();
        port.listen(id -> physical.containsKey(id) || toAll.stream().anyMatch(a -> a.receiveId() == id), frame -> {
            Optional<IsoTpAddressing> all =
                    toAll.stream().filter(a -> a.isForUs(frame)).findFirst();
            IsoTpEndpoint endpoint = physical.get(frame.id());
            if (all.isPresent()) functional(module, frame, all.get(), own, law);
            else if (endpoint != null) endpoint.onFrame(frame);
        });
    }

    /** Only single frames are sent to all modules; the answer goes on in the module's own conversation. */
    private void functional(
            PackModule module, CanFrame frame, IsoTpAddressing all, IsoTpEndpoint own, IsoTpEndpoint law) {
        if (!(IsoTpFrame.decode(frame.data().from(all.prefix()), all.prefix())
                        instanceof Decoded<IsoTpFrame>(IsoTpFrame decoded))
                || !(decoded instanceof SingleFrame(Bytes request))) return;
        IsoTpEndpoint answering = request.u8(0) < FIRST_UDS ? law : own;
        vehicle.request(module.address(), request, true, response -> send(answering, response));
    }

    private IsoTpEndpoint physical(PackModule module, CanPort port, IsoTpAddressing addressing) {
        IsoTpEndpoint endpoint = new IsoTpEndpoint(time, port, addressing, settings(module));
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

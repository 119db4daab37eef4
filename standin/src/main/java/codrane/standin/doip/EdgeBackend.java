package codrane.standin.doip;

import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackModule;
import codrane.link.can.CanPort;
import codrane.link.can.SimulatedBus;
import codrane.link.isotp.IsoTpAddressing;
import codrane.link.isotp.IsoTpEndpoint;
import codrane.link.isotp.IsoTpSettings;
import codrane.link.time.Scheduler;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.BiConsumer;

/** An edge node: passes diagnostic messages on to the modules of a CAN bus, as one node of it. */
public final class EdgeBackend implements DoipBackend {
    private final Scheduler time;
    private final Map<Integer, IsoTpEndpoint> byAddress = new LinkedHashMap<>();
    private final Map<Integer, BiConsumer<Integer, Bytes>> askers = new HashMap<>();
    private final IsoTpEndpoint functional;

    /** @param bus of a vehicle of the pack; to be made on its scheduler */
    public EdgeBackend(Pack pack, SimulatedBus bus, Scheduler time) {
        this.time = time;
        PackLink.Can link = (PackLink.Can) pack.link();
        IsoTpSettings settings = IsoTpSettings.STANDARD.withFrames(link.frameOctets());
        CanPort port = bus.attach();
        Map<Integer, IsoTpEndpoint> byId = new HashMap<>();
        for (PackModule module : pack.modules().values()) {
            int address = module.address();
            IsoTpAddressing ids =
                    IsoTpAddressing.normal(link.requestId(address), link.responseId(address), link.extended());
            IsoTpEndpoint endpoint = new IsoTpEndpoint(time, port, ids, settings);
            endpoint.onMessage(message -> answered(address, message));
            byAddress.put(address, endpoint);
            byId.put(link.responseId(address), endpoint);
        }
        functional = new IsoTpEndpoint(
                time,
                port,
                IsoTpAddressing.normal(link.functionalId(), link.functionalId(), link.extended()),
                settings);
        port.listen(byId::containsKey, frame -> byId.get(frame.id()).onFrame(frame));
    }

    private void answered(int address, Bytes message) {
        BiConsumer<Integer, Bytes> asker = askers.get(address);
        if (asker != null) asker.accept(address, message);
    }

    @Override
    public boolean knows(int address) {
        return byAddress.containsKey(address);
    }

    @Override
    public void request(int address, Bytes request, boolean all, BiConsumer<Integer, Bytes> respond) {
        time.execute(() -> {
            if (all) {
                byAddress.keySet().forEach(each -> askers.put(each, respond));
                if (functional.fitsOneFrame(request.length())) functional.send(request, outcome -> {});
            } else {
                askers.put(address, respond);
                byAddress.get(address).send(request, outcome -> {});
            }
        });
    }
}

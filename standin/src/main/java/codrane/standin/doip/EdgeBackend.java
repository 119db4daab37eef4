package codrane.standin.doip;

import static java.util.Objects.requireNonNull;

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
import codrane.link.time.Watchdog;
import codrane.link.uds.Answer;
import codrane.standin.doip.EdgeConversation.Asked;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;

/**
 * An edge node: passes diagnostic messages on to the modules of a CAN bus, as one node of it. Each module is asked one
 * thing at a time; what is asked of all waits until none is asked anything.
 */
public final class EdgeBackend implements DoipBackend {
    private final Scheduler time;
    private final int longest;
    private final Map<Integer, PackModule> modules = new LinkedHashMap<>();
    private final Map<Integer, EdgeConversation> byAddress = new LinkedHashMap<>();
    private final IsoTpEndpoint functional;
    private final Watchdog allTimeout;
    private final Deque<Asked> allWaiting = new ArrayDeque<>();
    private Optional<Asked> all = Optional.empty();

    /** @param bus of a vehicle of the pack; to be made on its scheduler */
    public EdgeBackend(Pack pack, SimulatedBus bus, Scheduler time) {
        this.time = time;
        longest = pack.link().longestMessage();
        allTimeout = new Watchdog(time);
        PackLink.Can link = (PackLink.Can) pack.link();
        IsoTpSettings settings = IsoTpSettings.STANDARD.withFrames(link.frameOctets());
        CanPort port = bus.attach();
        Map<Integer, IsoTpEndpoint> byId = new HashMap<>();
        for (PackModule module : pack.modules().values()) {
            int address = module.address();
            IsoTpEndpoint endpoint = new IsoTpEndpoint(time, port, IsoTpAddressing.toModule(link, address), settings);
            byAddress.put(address, new EdgeConversation(time, module, endpoint, this::next));
            endpoint.onMessage(message -> answered(address, message));
            modules.put(address, module);
            byId.put(link.responseId(address), endpoint);
        }
        functional = new IsoTpEndpoint(time, port, IsoTpAddressing.toAll(link), settings);
        port.listen(
                byId::containsKey, frame -> requireNonNull(byId.get(frame.id())).onFrame(frame));
    }

    @Override
    public boolean knows(int address) {
        return byAddress.containsKey(address);
    }

    @Override
    public int longest() {
        return longest;
    }

    @Override
    public boolean carries(int octets, boolean toAll) {
        return toAll ? functional.fitsOneFrame(octets) : octets <= longest;
    }

    @Override
    public void request(int address, Bytes request, boolean toAll, BiConsumer<Integer, Bytes> respond) {
        Asked asked = new Asked(request, respond);
        time.execute(() -> {
            if (toAll && asked.expectsNothing()) functional.send(request, outcome -> {});
            else if (toAll) allWaiting.add(asked);
            else requireNonNull(byAddress.get(address)).ask(asked);
            next();
        });
    }

    /** Whatever can be asked now is asked. */
    private void next() {
        if (all.isPresent()) return;
        if (allWaiting.isEmpty()) {
            byAddress.values().forEach(EdgeConversation::next);
        } else if (byAddress.values().stream().noneMatch(EdgeConversation::busy)) {
            Asked asked = allWaiting.remove();
            all = Optional.of(asked);
            allTimeout.expectWithin(patience(), this::allAnswered);
            functional.send(asked.request(), outcome -> {});
        }
    }

    private Duration patience() {
        Duration slowest = modules.values().stream()
                .map(m -> m.session().p2())
                .max(Duration::compareTo)
                .orElse(Duration.ZERO);
        return slowest.plus(EdgeConversation.MARGIN);
    }

    private void allAnswered() {
        all = Optional.empty();
        next();
    }

    private void answered(int address, Bytes message) {
        if (all.isEmpty()) {
            requireNonNull(byAddress.get(address)).answered(message);
            return;
        }
        Asked asked = all.get();
        Answer answer = Answer.judge(asked.request(), message);
        if (answer instanceof Answer.Foreign) return;
        Duration more = answer instanceof Answer.Pending
                ? requireNonNull(modules.get(address)).session().p2Star().plus(EdgeConversation.MARGIN)
                : patience();
        allTimeout.expectWithin(more, this::allAnswered);
        asked.respond().accept(address, message);
    }
}

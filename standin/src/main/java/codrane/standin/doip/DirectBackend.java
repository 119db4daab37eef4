package codrane.standin.doip;

import codrane.core.octets.Bytes;
import codrane.link.time.Scheduler;
import codrane.standin.module.Part;
import codrane.standin.module.UdsServer;
import codrane.standin.vehicle.SimulatedVehicle;
import java.util.HashSet;
import java.util.Set;
import java.util.function.BiConsumer;

/** The modules of a vehicle that speaks DoIP itself. */
public final class DirectBackend implements DoipBackend {
    private final SimulatedVehicle vehicle;
    private final Scheduler time;
    private final Set<Integer> there = new HashSet<>();

    public DirectBackend(SimulatedVehicle vehicle, Scheduler time) {
        this.vehicle = vehicle;
        this.time = time;
        for (UdsServer server : vehicle.servers()) {
            if (server.state().health() != Part.Health.ABSENT)
                there.add(server.module().address());
        }
    }

    @Override
    public boolean knows(int address) {
        return there.contains(address);
    }

    @Override
    public int longest() {
        return vehicle.pack().link().longestMessage();
    }

    @Override
    public boolean carries(int octets, boolean functional) {
        return octets <= longest();
    }

    @Override
    public void request(int address, Bytes request, boolean functional, BiConsumer<Integer, Bytes> respond) {
        time.execute(() -> {
            if (functional) there.forEach(each -> ask(each, request, true, respond));
            else ask(address, request, false, respond);
        });
    }

    private void ask(int address, Bytes request, boolean functional, BiConsumer<Integer, Bytes> respond) {
        vehicle.request(address, request, functional, response -> respond.accept(address, response));
    }
}

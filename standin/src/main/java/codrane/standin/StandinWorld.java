package codrane.standin;

import codrane.core.pack.Pack;
import codrane.standin.control.ControlPort;
import codrane.standin.control.RunningVehicle;
import codrane.standin.control.SimulatedTool;
import codrane.standin.service.AuthorityOffice;
import codrane.standin.service.MakerService;
import codrane.standin.vehicle.Setup;
import codrane.standin.vehicle.SimulatedVehicle;
import java.io.IOException;
import java.time.Duration;
import java.time.InstantSource;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Everything outside the workshop: vehicles that its two interfaces can be plugged into, and the makers' services. */
public final class StandinWorld implements AutoCloseable {
    private static final SimulatedTool.Label PLOVER = new SimulatedTool.Label("Plover", "PLV2-204417", "4.2", "2.8");
    private static final SimulatedTool.Label DUNNOCK = new SimulatedTool.Label("Dunnock", "DNK-4417-KE", "1.9", "");

    private final SimulatedTool plover;
    private final SimulatedTool dunnock;
    private final ControlPort canControl;
    private final ControlPort doipControl;
    private final MakerService service;

    /**
     * Where the world listens; 0 takes a free port each.
     *
     * @param can the CAN hub
     * @param canControl control port of the vehicle on CAN
     * @param doip the DoIP vehicle
     * @param doipControl its control port
     * @param service the makers' services
     */
    public record Ports(int can, int canControl, int doip, int doipControl, int service) {
        public static final Ports FREE = new Ports(0, 0, 0, 0, 0);
    }

    /**
     * What is in the world.
     *
     * @param onCan vehicles for the pass-through interface; the first is plugged in
     * @param onDoip vehicles for the Ethernet edge node; the first is plugged in
     * @param check how long an authority takes to check a workshop, and a mail room to answer a letter
     */
    public record Stock(List<Setup> onCan, List<Setup> onDoip, Duration check) {
        public Stock {
            onCan = List.copyOf(onCan);
            onDoip = List.copyOf(onDoip);
        }
    }

    /** @param bytesPerSecond rate at which the services deliver files */
    public StandinWorld(Stock stock, Ports ports, int speed, int bytesPerSecond) throws IOException {
        AuthorityOffice office = new AuthorityOffice(stock.check(), InstantSource.system());
        office.demo();
        plover = SimulatedTool.with(PLOVER, stock.onCan(), true, ports.can(), speed, pack -> world(office, pack));
        canControl = new ControlPort(plover, ports.canControl());
        dunnock = SimulatedTool.with(DUNNOCK, stock.onDoip(), false, ports.doip(), speed, pack -> world(office, pack));
        doipControl = new ControlPort(dunnock, ports.doipControl());
        List<Pack> packs = Stream.concat(stock.onCan().stream(), stock.onDoip().stream())
                .map(Setup::pack)
                .distinct()
                .toList();
        Map<String, Pack> byId = packs.stream().collect(Collectors.toMap(Pack::id, p -> p));
        service = new MakerService(
                packs,
                office,
                () -> History.of(byId, InstantSource.system().instant()),
                stock.check(),
                ports.service(),
                bytesPerSecond);
    }

    private static SimulatedVehicle.World world(AuthorityOffice office, Pack pack) {
        return SimulatedVehicle.World.now(office.keyFor(pack));
    }

    /** Where it listens now. */
    public Ports ports() {
        return new Ports(plover.port(), canControl.port(), dunnock.port(), doipControl.port(), service.port());
    }

    /** The vehicle that the pass-through interface is plugged into. */
    public RunningVehicle onCan() {
        return plover.plugged();
    }

    @Override
    public void close() throws IOException {
        service.close();
        canControl.close();
        doipControl.close();
        plover.close();
        dunnock.close();
    }
}

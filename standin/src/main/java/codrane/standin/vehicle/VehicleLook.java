package codrane.standin.vehicle;

import codrane.core.coding.Layout;
import codrane.core.pack.Equipment.Sensor;
import codrane.core.pack.Pack;
import codrane.standin.module.ModuleState;
import codrane.standin.module.Part;
import codrane.standin.module.UdsServer;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** What a vehicle holds, as a tree of maps. */
final class VehicleLook {
    private final SimulatedVehicle vehicle;
    private final Pack pack;

    VehicleLook(SimulatedVehicle vehicle) {
        this.vehicle = vehicle;
        pack = vehicle.pack();
    }

    Map<String, Object> look() {
        Map<String, Object> look = new LinkedHashMap<>();
        look.put("pack", pack.id());
        look.put("title", pack.title());
        look.put("key", vehicle.key().name().toLowerCase(Locale.ROOT));
        look.put("doors", vehicle.position(Sensor.DOORS) == 0 ? "closed" : "open");
        look.put("tailgate", vehicle.position(Sensor.TAILGATE) == 0 ? "closed" : "open");
        look.put("gear", vehicle.position(Sensor.GEAR) == 1 ? "park" : "drive");
        look.put("windows", vehicle.position(Sensor.WINDOWS) == 0 ? "closed" : "open");
        look.put("start", vehicle.position(Sensor.START) == 0 ? "released" : "inhibited");
        look.put("asleep", vehicle.asleep());
        look.put("supportUnit", vehicle.supply().unitOn());
        look.put("gateway", gateway());
        look.put("shows", shows());
        if (pack.equipment().immobiliser().isPresent())
            look.put("keys", vehicle.immobiliser().keys());
        Map<String, Object> modules = new LinkedHashMap<>();
        for (UdsServer server : vehicle.servers()) {
            if (server.state().health() == Part.Health.ABSENT) continue;
            modules.put(server.module().id(), module(server));
        }
        look.put("modules", modules);
        return look;
    }

    /** What a person sees at the vehicle: uncoded parts draw attention to themselves. */
    private List<String> shows() {
        List<String> shows = new ArrayList<>();
        if (vehicle.asleep()) return shows;
        for (UdsServer server : vehicle.servers()) {
            boolean uncoded = server.state().layouts().stream()
                    .anyMatch(l -> server.state().coding(l.dataIdentifier()).allAre(0xFF));
            if (uncoded && !server.unreachable())
                shows.addAll(server.module().traits().uncodedLooks());
        }
        return shows;
    }

    private String gateway() {
        if (!vehicle.gateway().there()) return "none";
        return vehicle.gateway()
                .authorisedUntil(vehicle.now())
                .map(Instant::toString)
                .orElse("locked");
    }

    private Map<String, Object> module(UdsServer server) {
        ModuleState state = server.state();
        Map<String, Object> look = new LinkedHashMap<>();
        look.put("vin", state.vinBlank() ? "" : state.vin().text());
        look.put("health", state.health().name().toLowerCase(Locale.ROOT).replace('_', '-'));
        look.put("bootOnly", state.bootOnly());
        look.put("software", state.bootOnly() ? "" : state.software());
        look.put("counter", state.counter());
        look.put("paired", state.paired());
        look.put("settled", state.settled());
        look.put("order", state.order().text().strip());
        look.putAll(server.lookAtFlash());
        Map<String, Object> coding = new LinkedHashMap<>();
        for (Layout layout : state.layouts()) {
            coding.put(layout.id(), state.coding(layout.dataIdentifier()).hex());
        }
        look.put("coding", coding);
        look.put("faults", server.lookAtFaults());
        return look;
    }
}

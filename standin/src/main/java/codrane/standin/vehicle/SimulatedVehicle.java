package codrane.standin.vehicle;

import codrane.core.coding.Layout;
import codrane.core.fault.FaultCode;
import codrane.core.octets.Bytes;
import codrane.core.pack.Condition;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.part.Version;
import codrane.link.time.Scheduler;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;

/** A vehicle made from a pack: its modules, key, supply and gateway. All state lives on one scheduler. */
public final class SimulatedVehicle {
    private static final Set<Integer> PASSES_LOCKED = Set.of(0x10, 0x19, 0x22, 0x3E);

    private final Pack pack;
    private final Map<Integer, SimulatedModule> modules = new LinkedHashMap<>();
    private final Supply supply;
    private final boolean gatewayLocked;
    private Key key = Key.ON;
    private Consumer<String> onBlock = module -> {};

    /** Position of the key. */
    public enum Key {
        OFF,
        ON,
        RUNNING
    }

    public SimulatedVehicle(Setup setup, Scheduler time, Pace pace) {
        pack = setup.pack();
        supply = new Supply(time, pack.supply());
        gatewayLocked = pack.hasGateway(setup.vin());
        for (PackModule module : pack.modules().values()) {
            Setup.Deviation deviation = setup.of(module.id());
            if (!deviation.fitted()) continue;
            modules.put(
                    module.address(), new SimulatedModule(this, new ModuleState(pack, module, deviation), time, pace));
        }
    }

    public Pack pack() {
        return pack;
    }

    public Supply supply() {
        return supply;
    }

    public Key key() {
        return key;
    }

    public void key(Key position) {
        key = position;
        supply.key(position != Key.OFF);
    }

    /** Told after each block of a download, with the module's id; for faults at a chosen block. */
    public void onBlock(Consumer<String> listener) {
        onBlock = listener;
    }

    /** @param respond takes each response; a request to an address that is not fitted is answered by silence */
    public void request(int address, Bytes request, Consumer<Bytes> respond) {
        SimulatedModule module = modules.get(address);
        if (module != null && key != Key.OFF) module.handle(request, respond);
    }

    public boolean fitted(int address) {
        return modules.containsKey(address);
    }

    boolean engineRunning() {
        return key == Key.RUNNING;
    }

    /** This slice's gateway is never authorised: it lets reads pass and refuses the rest. */
    boolean gatewayRefuses(int service) {
        return gatewayLocked && !PASSES_LOCKED.contains(service);
    }

    Optional<Bytes> liveValue(SimulatedModule module, int dataIdentifier) {
        Pack.KeyPosition position = pack.key();
        boolean here =
                module.state().module.id().equals(position.module()) && position.dataIdentifier() == dataIdentifier;
        return here
                ? Optional.of(Bytes.of(
                        switch (key) {
                            case OFF -> 0;
                            case ON -> 1;
                            case RUNNING -> 2;
                        }))
                : Optional.empty();
    }

    void blockWritten(SimulatedModule module) {
        onBlock.accept(module.state().module.id());
    }

    void refreshFaults(SimulatedModule module) {
        Set<FaultCode> can = new HashSet<>();
        Set<FaultCode> arising = new HashSet<>();
        for (Pack.FaultText fault : pack.faults()) {
            if (!fault.module().equals(module.state().module.id())
                    || fault.arises().isEmpty()) continue;
            can.add(fault.code());
            if (holds(fault.arises().get())) arising.add(fault.code());
        }
        module.state().faults.refresh(can, arising);
    }

    private boolean holds(Condition condition) {
        SimulatedModule module = modules.get(pack.module(condition.module()).address());
        if (module == null) return false;
        ModuleState state = module.state();
        return switch (condition.when()) {
            case VIN_BLANK -> state.vinBlank();
            case VIN_FOREIGN -> !state.vinBlank() && !state.vin().equals(referenceVin());
            case CODING_BLANK -> coding(state, condition).allAre(0xFF);
            case CODING_FOR_ANOTHER -> codingForAnother(state, condition);
            case SOFTWARE_BELOW ->
                !state.bootOnly()
                        && Version.parse(state.software())
                                        .compareTo(Version.parse(
                                                condition.version().orElseThrow()))
                                < 0;
            case BOOT_ONLY -> state.bootOnly();
        };
    }

    private Bytes referenceVin() {
        return modules.get(pack.module(pack.vinReference()).address()).state().vin();
    }

    private Layout layout(Condition condition) {
        return pack.layouts().get(condition.block().orElseThrow());
    }

    private Bytes coding(ModuleState state, Condition condition) {
        return state.coding(layout(condition).dataIdentifier());
    }

    private boolean codingForAnother(ModuleState state, Condition condition) {
        Bytes block = coding(state, condition);
        String key = pack.madeFor().get(condition.block().orElseThrow());
        if (block.allAre(0xFF) || key == null) return false;
        String end = layout(condition).field(key).orElseThrow().read(block);
        return !referenceVin().text().endsWith(end);
    }

    /** A look inside, for tests and the page of the vehicle in the next room. */
    public Map<String, Object> look() {
        Map<String, Object> look = new LinkedHashMap<>();
        look.put("pack", pack.id());
        look.put("key", key.name().toLowerCase(java.util.Locale.ROOT));
        look.put("supportUnit", supply.unitOn());
        Map<String, Object> all = new LinkedHashMap<>();
        modules.values().forEach(m -> {
            refreshFaults(m);
            all.put(m.state().module.id(), look(m.state()));
        });
        look.put("modules", all);
        return look;
    }

    private Map<String, Object> look(ModuleState state) {
        Map<String, Object> look = new LinkedHashMap<>();
        look.put("vin", state.vinBlank() ? "" : state.vin().text());
        look.put("bootOnly", state.bootOnly());
        look.put("software", state.bootOnly() ? "" : state.software());
        look.put("counter", state.counter());
        state.flash.ifPresent(flash -> {
            look.put("flashCrc", "%08X".formatted(flash.crc()));
            look.put("flashNext", flash.next());
        });
        Map<String, Object> coding = new LinkedHashMap<>();
        for (Layout layout : pack.blocksOf(state.module)) {
            coding.put(layout.id(), state.coding(layout.dataIdentifier()).hex());
        }
        look.put("coding", coding);
        Map<String, Object> faults = new LinkedHashMap<>();
        state.faults.all().forEach((number, status) -> faults.put(new FaultCode(number).text(), status));
        look.put("faults", faults);
        return look;
    }
}

package codrane.standin.vehicle;

import codrane.core.coding.Layout;
import codrane.core.fault.FaultCode;
import codrane.core.octets.Bytes;
import codrane.core.pack.Condition;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.part.Version;
import codrane.standin.module.ModuleState;
import codrane.standin.module.Part;
import codrane.standin.module.UdsServer;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;

/** Which faults arise from the state of a vehicle's modules. */
final class FaultCauses {
    private final Pack pack;
    private final Function<String, Optional<UdsServer>> modules;
    private final Predicate<UdsServer> silent;

    FaultCauses(Pack pack, Function<String, Optional<UdsServer>> modules, Predicate<UdsServer> silent) {
        this.pack = pack;
        this.modules = modules;
        this.silent = silent;
    }

    Set<FaultCode> canArise(PackModule module) {
        return of(module, condition -> true);
    }

    Set<FaultCode> arising(PackModule module) {
        return of(module, this::holds);
    }

    private Set<FaultCode> of(PackModule module, Predicate<Condition> which) {
        Set<FaultCode> codes = new HashSet<>();
        for (Pack.FaultText fault : pack.faults()) {
            boolean meant = fault.module().equals(module.id())
                    && fault.arises().filter(which).isPresent();
            if (meant) codes.add(fault.code());
        }
        return codes;
    }

    private boolean holds(Condition condition) {
        Optional<UdsServer> server = modules.apply(condition.module());
        boolean absent = server.isEmpty() || server.get().state().health() == Part.Health.ABSENT;
        if (condition.when() == Condition.When.SILENT) {
            return absent || silent.test(server.get()) && !server.get().asksForQuiet();
        }
        return !absent && holds(condition, server.get().state());
    }

    private boolean holds(Condition condition, ModuleState state) {
        return switch (condition.when()) {
            case VIN_BLANK -> state.vinBlank();
            case VIN_FOREIGN -> !state.vinBlank() && !state.vin().equals(vehicleVin());
            case CODING_BLANK -> coding(state, condition).allAre(0xFF);
            case CODING_FOR_ANOTHER -> codingForAnother(state, condition);
            case SOFTWARE_BELOW -> softwareBelow(state, condition.version().orElseThrow());
            case BOOT_ONLY -> state.bootOnly();
            case NOT_PAIRED -> !state.paired();
            case NOT_MOUNTED -> state.health() == Part.Health.NOT_MOUNTED;
            case NOT_LEARNED -> !state.settled();
            case ORDER_DISAGREES -> !state.order().equals(vehicleOrder());
            case SILENT -> throw new IllegalStateException("judged before");
        };
    }

    private static boolean softwareBelow(ModuleState state, String version) {
        return !state.bootOnly() && Version.parse(state.software()).compareTo(Version.parse(version)) < 0;
    }

    private Layout layout(Condition condition) {
        return pack.layout(condition.block().orElseThrow());
    }

    private Bytes coding(ModuleState state, Condition condition) {
        return state.coding(layout(condition).dataIdentifier());
    }

    private boolean codingForAnother(ModuleState state, Condition condition) {
        Bytes block = coding(state, condition);
        String key = pack.madeFor().get(condition.block().orElseThrow());
        if (block.allAre(0xFF) || key == null) return false;
        String end = state.layouts().stream()
                .filter(layout -> layout.id().equals(condition.block().orElseThrow()))
                .flatMap(layout -> layout.field(key).stream())
                .findFirst()
                .orElseThrow()
                .read(block);
        return !vehicleVin().text().endsWith(end);
    }

    /** VIN of the reference module. */
    Bytes vehicleVin() {
        return modules.apply(pack.vinReference())
                .map(server -> server.state().vin())
                .orElse(Bytes.EMPTY);
    }

    /** Order of its first holder. */
    private Bytes vehicleOrder() {
        return pack.equipment()
                .order()
                .flatMap(order -> modules.apply(order.holders().getFirst()))
                .map(server -> server.state().order())
                .orElse(Bytes.EMPTY);
    }
}

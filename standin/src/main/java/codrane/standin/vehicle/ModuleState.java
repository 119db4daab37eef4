package codrane.standin.vehicle;

import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.vin.Vin;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/** What a module holds through a loss of power: identity, coding, flash, faults. */
final class ModuleState {
    private static final int VIN_OCTETS = 17;

    final PackModule module;
    final FaultMemory faults = new FaultMemory();
    final Optional<FlashMemory> flash;
    private final Pack pack;
    private final String hardware;
    private final String serial;
    private final String fixedSoftware;
    private final Map<Integer, Bytes> coding = new HashMap<>();
    private Bytes vin;
    private int counter;

    ModuleState(Pack pack, PackModule module, Setup.Deviation setup) {
        this.pack = pack;
        this.module = module;
        hardware = module.parts().fitted();
        serial = "%s%06d".formatted(module.tag(), 100_000 + module.address() * 37);
        fixedSoftware = setup.software().orElse(module.software().current());
        vin = setup.vin().map(v -> Bytes.ascii(v.text())).orElse(Bytes.filled(VIN_OCTETS, 0xFF));
        flash = module.flash().map(f -> {
            FlashMemory memory = new FlashMemory(
                    f, CalibrationImage.of(module, module.parts().family(), fixedSoftware));
            if (setup.software().isEmpty()) memory.blank();
            return memory;
        });
        counter = setup.software().isPresent() ? 1 : 0;
        for (Layout layout : pack.blocksOf(module)) coding.put(layout.dataIdentifier(), initialCoding(layout, setup));
        setup.faults().forEach(code -> faults.store(code, FaultMemory.STORED));
    }

    private Bytes initialCoding(Layout layout, Setup.Deviation setup) {
        Optional<Vin> madeFor = setup.madeFor();
        if (madeFor.isEmpty()) return Bytes.filled(layout.length(), 0xFF);
        return FactoryCoding.block(pack, layout, madeFor.get(), setup.values());
    }

    boolean bootOnly() {
        return flash.map(f -> !f.valid()).orElse(false);
    }

    String software() {
        return flash.map(FlashMemory::version).orElse(fixedSoftware);
    }

    String hardware() {
        return hardware;
    }

    Bytes vin() {
        return vin;
    }

    boolean vinBlank() {
        return vin.allAre(0xFF);
    }

    void vin(Bytes newVin) {
        vin = newVin;
    }

    int counter() {
        return counter;
    }

    void programmed() {
        counter++;
    }

    Optional<Layout> layout(int dataIdentifier) {
        return pack.blocksOf(module).stream()
                .filter(l -> l.dataIdentifier() == dataIdentifier)
                .findFirst();
    }

    Bytes coding(int dataIdentifier) {
        return coding.get(dataIdentifier);
    }

    void coding(int dataIdentifier, Bytes block) {
        coding.put(dataIdentifier, block);
    }

    /** The octets of an identification, or empty when the module does not have it now. */
    Optional<Bytes> identification(int dataIdentifier) {
        for (Map.Entry<Ident, Integer> entry : module.identification().entrySet()) {
            if (entry.getValue() == dataIdentifier) return value(entry.getKey());
        }
        return Optional.empty();
    }

    private Optional<Bytes> value(Ident ident) {
        return switch (ident) {
            case VIN -> Optional.of(vin);
            case PART, HARDWARE -> Optional.of(Bytes.ascii(hardware));
            case SOFTWARE -> bootOnly() ? Optional.empty() : Optional.of(Bytes.ascii(software()));
            case SERIAL -> Optional.of(Bytes.ascii(serial));
            case COUNTER -> Optional.of(Bytes.of(counter));
            case TRANSFER_STATE -> flash.map(FlashMemory::report);
        };
    }
}

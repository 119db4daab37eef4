package codrane.standin.module;

import static java.util.Objects.requireNonNull;

import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.octets.Checksums;
import codrane.core.pack.Adaptation;
import codrane.core.pack.Equipment.VehicleOrder;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.pack.Procedure;
import codrane.core.scan.ModuleReading;
import codrane.core.vin.Vin;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What a module holds through a loss of power: identity, coding, flash, adaptations, pairing, faults. */
public final class ModuleState {
    private static final int VIN_OCTETS = 17;
    private static final Bytes NEVER = Bytes.filled(3, 0xFF);

    final PackModule module;
    final FaultMemory faults = new FaultMemory();
    final Optional<FlashMemory> flash;
    private final Pack pack;
    private final Part part;
    private final Map<Integer, Bytes> coding = new HashMap<>();
    private final Map<Integer, Bytes> adaptations = new HashMap<>();
    private Bytes vin;
    private Bytes order = Bytes.EMPTY;
    private List<Layout> layouts;
    private Bytes programmedOn = NEVER;
    private int counter;
    private boolean paired;
    private boolean learned = true;
    private boolean slept = true;

    public ModuleState(Pack pack, PackModule module, Part part) {
        this.pack = pack;
        this.module = module;
        this.part = part;
        String software = part.software().orElse(module.software().current());
        vin = part.vin().map(v -> Bytes.ascii(v.text())).orElse(Bytes.filled(VIN_OCTETS, 0xFF));
        flash = module.flash().map(f -> {
            FlashMemory memory = new FlashMemory(
                    f, CalibrationImage.of(module, module.parts().family(), software));
            if (part.software().isEmpty()) memory.blank();
            if (part.altered()) memory.alter();
            return memory;
        });
        layouts = layouts(software);
        boolean built = part.software().isPresent();
        counter = built ? 1 : 0;
        if (built) programmedOn = Bytes.of(0x24, 0x03, 0x11);
        paired = part.paired();
        for (Layout layout : layouts()) coding.put(layout.dataIdentifier(), initialCoding(layout));
        orderHeld().ifPresent(o -> order = text(o, part.order().orElse(o.factory())));
        setAdaptations(built);
        part.faults().forEach(code -> faults.store(code, FaultMemory.STORED));
    }

    private List<Layout> layouts(String software) {
        return pack.as(Map.of(module.id(), software)).blocksOf(module);
    }

    /** How its software keeps its coding. */
    public List<Layout> layouts() {
        return layouts;
    }

    /** Another software that keeps a block otherwise finds nothing there that it can read. */
    private void relay() {
        List<Layout> before = layouts;
        layouts = layouts(software());
        for (int i = 0; i < layouts.size(); i++)
            if (!layouts.get(i).equals(before.get(i)))
                coding.put(
                        layouts.get(i).dataIdentifier(),
                        Bytes.filled(layouts.get(i).length(), 0xFF));
    }

    /** Holds from now on what another one was read to hold; what was not read stays. */
    public void resembles(ModuleReading reading) {
        reading.octets(Ident.VIN).filter(held -> held.length() == VIN_OCTETS).ifPresent(held -> vin = held);
        for (Layout layout : layouts()) {
            Bytes held = reading.coding().getOrDefault(layout.id(), Bytes.EMPTY);
            if (held.length() == layout.length()) coding.put(layout.dataIdentifier(), held);
        }
    }

    private Bytes initialCoding(Layout layout) {
        if (part.madeFor().isEmpty()) return Bytes.filled(layout.length(), 0xFF);
        return FactoryCoding.block(pack, layout, part.madeFor().get(), part.values());
    }

    private static Bytes text(VehicleOrder order, List<String> codes) {
        String text = String.join(" ", codes);
        return Bytes.ascii(text + " ".repeat(Math.max(0, order.octets() - text.length())));
    }

    private void setAdaptations(boolean toLearned) {
        for (Adaptation adaptation : module.adaptations()) {
            double value = toLearned ? adaptation.learned() : adaptation.fresh();
            adaptations.put(adaptation.identifier(), LiveValues.octets(adaptation.scaling(), value));
        }
    }

    public PackModule module() {
        return module;
    }

    public Part.Health health() {
        return part.health();
    }

    /** The vehicle order when this module keeps it. */
    Optional<VehicleOrder> orderHeld() {
        return pack.equipment().order().filter(o -> o.holders().contains(module.id()));
    }

    public Bytes order() {
        return order;
    }

    void order(Bytes codes) {
        order = codes;
        unlearn();
    }

    public boolean bootOnly() {
        return flash.map(f -> !f.valid()).orElse(part.software().isEmpty());
    }

    public String software() {
        return flash.map(FlashMemory::version)
                .orElse(part.software().orElse(module.software().current()));
    }

    String hardware() {
        return module.parts().fitted();
    }

    public Bytes vin() {
        return vin;
    }

    public boolean vinBlank() {
        return vin.allAre(0xFF);
    }

    void vin(Bytes newVin) {
        vin = newVin;
    }

    /** VIN and coding are gone: the neighbour is asked at the next start. */
    void forgetIdentity() {
        vin = Bytes.filled(VIN_OCTETS, 0xFF);
        for (Layout layout : layouts()) coding.put(layout.dataIdentifier(), Bytes.filled(layout.length(), 0xFF));
    }

    public int counter() {
        return counter;
    }

    void programmed(Instant when) {
        counter++;
        var date = when.atZone(ZoneOffset.UTC);
        programmedOn = Bytes.of(bcd(date.getYear() % 100), bcd(date.getMonthValue()), bcd(date.getDayOfMonth()));
        setAdaptations(false);
        relay();
        unlearn();
    }

    /** Updated by somebody who did not look after what was set: settings to choose from are as an empty block has them. */
    public void updatedElsewhere(Instant when) {
        programmed(when);
        // an update touches what it is about: the block of the module's own function
        for (Layout layout : layouts().stream().limit(1).toList()) {
            Bytes empty = Bytes.filled(layout.length(), 0);
            Map<String, String> values = new HashMap<>();
            layout.fields().stream()
                    .filter(field -> field.kind() == Field.Kind.ENUMERATION)
                    .forEach(field -> values.put(field.key(), field.read(empty)));
            if (layout.encode(values, coding(layout.dataIdentifier())) instanceof Layout.Encoded.Block(Bytes block))
                coding.put(layout.dataIdentifier(), block);
        }
    }

    private static int bcd(int number) {
        return number / 10 << 4 | number % 10;
    }

    /** @param dataIdentifier of one of its blocks */
    public Bytes coding(int dataIdentifier) {
        return requireNonNull(coding.get(dataIdentifier));
    }

    /** No two parts have the same: it comes from the vehicle into which the part was built. */
    private int serial() {
        String origin = part.vin().map(Vin::text).orElse("new") + module.id();
        return 100_000 + Math.floorMod(origin.hashCode(), 900_000);
    }

    void coding(int dataIdentifier, Bytes block) {
        coding.put(dataIdentifier, block);
        unlearn();
    }

    Optional<Layout> layout(int dataIdentifier) {
        return layouts().stream()
                .filter(l -> l.dataIdentifier() == dataIdentifier)
                .findFirst();
    }

    Optional<Bytes> adaptation(int dataIdentifier) {
        return Optional.ofNullable(adaptations.get(dataIdentifier));
    }

    void adaptation(int dataIdentifier, Bytes value) {
        adaptations.put(dataIdentifier, value);
    }

    /** What it learned no longer fits, when there is a routine by which it learns. */
    private void unlearn() {
        if (relearns()) {
            learned = false;
            slept = false;
        }
    }

    private boolean relearns() {
        return pack.equipment().procedures().values().stream()
                .anyMatch(p -> p.module().equals(module.id()) && p.effect() == Procedure.Effect.RELEARN);
    }

    void learn() {
        learned = true;
        setAdaptations(true);
    }

    public void slept() {
        slept = true;
    }

    /** Whether it has learned, and has slept, since it was last written. */
    public boolean settled() {
        return learned && slept;
    }

    public boolean paired() {
        return paired;
    }

    /** Whom it shared a secret with is gone. */
    public void keeperReplaced() {
        paired = false;
    }

    void pair() {
        paired = true;
    }

    /** CRC-32 over what the module runs, four octets. */
    Bytes verificationNumber() {
        long crc = flash.map(FlashMemory::crc).orElseGet(() -> Checksums.crc32(Bytes.ascii(module.id() + software())));
        return FlashMemory.u32(crc);
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
            case PART, HARDWARE -> Optional.of(Bytes.ascii(hardware()));
            case SOFTWARE -> bootOnly() ? Optional.empty() : Optional.of(Bytes.ascii(software()));
            case SERIAL -> Optional.of(Bytes.ascii("%s%06d".formatted(module.tag(), serial())));
            case COUNTER -> Optional.of(Bytes.of(counter));
            case PROGRAMMING_DATE -> Optional.of(programmedOn);
            case CVN -> bootOnly() ? Optional.empty() : Optional.of(verificationNumber());
            case TRANSFER_STATE -> flash.map(FlashMemory::report);
            case IMMOBILISER -> Optional.empty(); // which the vehicle's immobiliser tells
        };
    }
}

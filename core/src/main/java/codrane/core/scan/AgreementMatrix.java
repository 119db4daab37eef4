package codrane.core.scan;

import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.part.Version;
import codrane.core.scan.ModuleReading.Presence;
import codrane.core.vin.Vin;
import codrane.core.vin.VinComparison;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Modules against VIN, hardware, software, coding and faults: agreement is quiet, difference carries words. */
public record AgreementMatrix(VinComparison vins, List<Row> rows) {
    /** Mark of a cell; each has a shape of its own on screen. */
    public enum Mark {
        AGREES,
        DIFFERS,
        SILENT,
        NOT_ASKED
    }

    public record Cell(Mark mark, String words) {}

    /** @param faults stored faults, or empty when the fault memory was not read */
    public record Row(
            String module,
            String title,
            int address,
            Cell vin,
            Cell hardware,
            Cell software,
            Cell coding,
            Optional<Integer> faults) {
        /** Two hex digits. */
        public String addressHex() {
            return "%02X".formatted(address);
        }

        public boolean differs() {
            return List.of(vin, hardware, software, coding).stream().anyMatch(c -> c.mark() == Mark.DIFFERS);
        }
    }

    public AgreementMatrix {
        rows = List.copyOf(rows);
    }

    /** Rows that differ before those that agree, otherwise in pack order. */
    public List<Row> loudFirst() {
        return rows.stream()
                .sorted(java.util.Comparator.comparing(row -> !row.differs()))
                .toList();
    }

    /** @param readings by module id; a module without one was not asked */
    public static AgreementMatrix of(Pack pack, Vin plate, Map<String, ModuleReading> readings) {
        VinComparison vins = compareVins(pack, plate, readings);
        List<Row> rows = new ArrayList<>();
        int i = 0;
        for (PackModule module : pack.modules().values()) {
            rows.add(row(
                    pack, plate, module, readings.get(module.id()), vins.held().get(i++)));
        }
        return new AgreementMatrix(vins, rows);
    }

    public static VinComparison compareVins(Pack pack, Vin plate, Map<String, ModuleReading> readings) {
        return VinComparison.of(
                plate,
                pack.modules().values().stream()
                        .map(m -> new VinComparison.Stored(
                                m.id(),
                                m.title(),
                                Optional.ofNullable(readings.get(m.id())).flatMap(r -> r.octets(Ident.VIN))))
                        .toList());
    }

    private static Row row(
            Pack pack, Vin plate, PackModule module, @Nullable ModuleReading reading, VinComparison.Held held) {
        if (reading == null) return uniform(module, new Cell(Mark.NOT_ASKED, "not asked"));
        if (reading.presence() == Presence.SILENT) return uniform(module, new Cell(Mark.SILENT, "silent"));
        return new Row(
                module.id(),
                module.title(),
                module.address(),
                vinCell(held),
                hardwareCell(module, reading),
                softwareCell(module, reading),
                codingCell(CodingState.of(pack, module, reading, plate)),
                reading.faultsRead() ? Optional.of(reading.faults().size()) : Optional.empty());
    }

    private static Row uniform(PackModule module, Cell cell) {
        return new Row(module.id(), module.title(), module.address(), cell, cell, cell, cell, Optional.empty());
    }

    private static Cell vinCell(VinComparison.Held held) {
        return switch (held.state()) {
            case AGREES -> new Cell(Mark.AGREES, "agrees");
            case DIFFERS -> new Cell(Mark.DIFFERS, grouped(held.text()));
            case EMPTY -> new Cell(Mark.DIFFERS, "holds none");
            case NOT_READ -> new Cell(Mark.NOT_ASKED, "not read");
        };
    }

    private static String grouped(String text) {
        return text.length() == 17 ? text.substring(0, 3) + " " + text.substring(3, 9) + " " + text.substring(9) : text;
    }

    private static Cell hardwareCell(PackModule module, ModuleReading reading) {
        Optional<String> hardware = reading.text(Ident.HARDWARE);
        if (hardware.isEmpty()) return new Cell(Mark.NOT_ASKED, "not read");
        boolean known = module.parts().pattern().matcher(hardware.get()).matches();
        return known ? new Cell(Mark.AGREES, "fits") : new Cell(Mark.DIFFERS, hardware.get() + " is not this module's");
    }

    private static Cell softwareCell(PackModule module, ModuleReading reading) {
        if (reading.presence() == Presence.BOOT_ONLY) return new Cell(Mark.DIFFERS, "boot only");
        Optional<String> software = reading.text(Ident.SOFTWARE);
        if (software.isEmpty()) return new Cell(Mark.NOT_ASKED, "not read");
        boolean old = tooOld(module, software.get());
        return old
                ? new Cell(
                        Mark.DIFFERS,
                        software.get() + ", vehicle needs " + module.software().needed())
                : new Cell(Mark.AGREES, software.get());
    }

    /** Whether the version is older than the rest of the vehicle needs. */
    public static boolean tooOld(PackModule module, String software) {
        return Version.parse(software).compareTo(Version.parse(module.software().needed())) < 0;
    }

    private static Cell codingCell(CodingState state) {
        return switch (state) {
            case AGREES, NONE, UNMARKED -> new Cell(Mark.AGREES, state.words());
            case NOT_READ -> new Cell(Mark.NOT_ASKED, state.words());
            case BLANK, FOR_ANOTHER, CHECK_WRONG, NO_LAYOUT -> new Cell(Mark.DIFFERS, state.words());
        };
    }
}

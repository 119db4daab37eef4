package codrane.app.stage.bench;

import codrane.app.notes.NoteKind;
import codrane.core.job.BenchNotes;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What people noted at the bench, as it is stored. */
record BenchStored(
        boolean cableSeen,
        boolean sleepOff,
        boolean updatesOff,
        List<Tool> others,
        Optional<Battery> battery,
        Optional<Boolean> online) {
    static final NoteKind<BenchStored> KIND = new NoteKind<>("bench", BenchStored.class, 2, BenchStored::upcast);

    /** Before, nobody said whether the internet is there. */
    private static JsonNode upcast(int was, JsonNode stored) {
        return ((ObjectNode) stored).putNull("online");
    }

    record Tool(String name, boolean writes) {}

    record Battery(
            String chemistry,
            double capacityAh,
            double restVolts,
            double restedHours,
            double celsius,
            double unitVolts,
            double unitA) {}

    static BenchStored of(BenchNotes notes) {
        return new BenchStored(
                notes.cableSeen(),
                notes.sleepOff(),
                notes.updatesOff(),
                notes.others().stream().map(o -> new Tool(o.name(), o.writes())).toList(),
                notes.battery()
                        .map(b -> new Battery(
                                b.chemistry(),
                                b.capacityAh(),
                                b.restVolts(),
                                b.restedHours(),
                                b.celsius(),
                                b.unitVolts(),
                                b.unitA())),
                notes.online());
    }

    BenchNotes notes() {
        return new BenchNotes(
                cableSeen,
                sleepOff,
                updatesOff,
                others.stream()
                        .map(t -> new BenchNotes.Other(t.name(), t.writes()))
                        .toList(),
                battery.map(b -> new BenchNotes.BatteryNote(
                        b.chemistry(),
                        b.capacityAh(),
                        b.restVolts(),
                        b.restedHours(),
                        b.celsius(),
                        b.unitVolts(),
                        b.unitA())),
                online);
    }
}

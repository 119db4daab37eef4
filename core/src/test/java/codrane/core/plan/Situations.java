package codrane.core.plan;

import codrane.core.coding.Layout;
import codrane.core.fault.Fault;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.pack.Packs;
import codrane.core.scan.ModuleReading;
import codrane.core.scan.ModuleReading.Presence;
import codrane.core.vin.Vin;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Readings of invented vehicles, for tests. */
public final class Situations {
    public static final Vin VIN = new Vin("0BKLR3A46MN004127");
    public static final Vin DONOR = new Vin("0BKLR3A48MN004131");
    public static final Pack LORNE = Packs.lorne();

    private Situations() {}

    /** A healthy Lorne. */
    public static Map<String, ModuleReading> healthy() {
        Map<String, ModuleReading> readings = new HashMap<>();
        LORNE.modules()
                .values()
                .forEach(m -> readings.put(m.id(), reading(m, VIN, m.software().current())));
        return readings;
    }

    /** The tail lift came from another vehicle, with older software. */
    public static Map<String, ModuleReading> usedTailLift() {
        Map<String, ModuleReading> readings = healthy();
        readings.put("tail-lift", reading(LORNE.module("tail-lift"), DONOR, "3.08"));
        return readings;
    }

    public static ModuleReading reading(PackModule module, Vin vin, String software) {
        Map<Ident, Bytes> identification = new HashMap<>();
        identification.put(Ident.VIN, Bytes.ascii(vin.text()));
        identification.put(Ident.HARDWARE, Bytes.ascii(module.parts().fitted()));
        if (!software.isEmpty()) identification.put(Ident.SOFTWARE, Bytes.ascii(software));
        Map<String, Bytes> coding = new HashMap<>();
        LORNE.as(Map.of(module.id(), software))
                .blocksOf(module)
                .forEach(layout -> coding.put(layout.id(), coded(layout, vin)));
        Presence presence = software.isEmpty() ? Presence.BOOT_ONLY : Presence.ANSWERS;
        return new ModuleReading(module.id(), presence, identification, coding, List.<Fault>of(), true);
    }

    /** A block that is coded for the vehicle. */
    public static Bytes coded(Layout layout, Vin vin) {
        String key = LORNE.madeFor().get(layout.id());
        Map<String, String> values = key == null ? Map.of() : Map.of(key, vin.end());
        Bytes start = Bytes.filled(layout.length(), 0x12);
        return ((Layout.Encoded.Block) layout.encode(values, start)).octets();
    }

    public static VehicleFacts clearing(Map<String, ModuleReading> readings, Gateway gateway) {
        return facts(JobKind.CLEAR_FAULTS, readings, gateway);
    }

    public static VehicleFacts facts(JobKind kind, Map<String, ModuleReading> readings, Gateway gateway) {
        return VehicleFacts.of(kind, LORNE, VIN, ModuleAnswer.of(LORNE, VIN, readings), gateway);
    }

    /** A second-hand part, the old one gone. */
    public static VehicleFacts replaced(String module, Map<String, ModuleReading> readings) {
        return facts(JobKind.REPLACE_MODULE, readings, new Gateway.None())
                .with(PartFacts.of(module).with(PartOrigin.SECOND_HAND).with(PartFacts.Old.GONE));
    }
}

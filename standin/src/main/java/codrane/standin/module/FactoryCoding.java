package codrane.standin.module;

import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.vin.Vin;
import java.util.LinkedHashMap;
import java.util.Map;

/** The coding with which a vehicle left the factory: what its modules hold, and what the maker's line sheet says. */
public final class FactoryCoding {
    private FactoryCoding() {}

    public static Bytes block(Pack pack, Layout layout, Vin vin) {
        return block(pack, layout, vin, Map.of());
    }

    /** @param deviations values that differ from the factory's, by field key */
    public static Bytes block(Pack pack, Layout layout, Vin vin, Map<String, String> deviations) {
        Map<String, String> values = new LinkedHashMap<>(layout.factory());
        String madeFor = pack.madeFor().get(layout.id());
        if (madeFor != null) values.put(madeFor, vin.end());
        deviations.forEach((key, value) -> {
            if (layout.field(key).isPresent()) values.put(key, value);
        });
        return switch (layout.encode(values, Bytes.filled(layout.length(), 0))) {
            case Layout.Encoded.Block(Bytes octets) -> octets;
            case Layout.Encoded.Refused(String reason) ->
                throw new IllegalArgumentException(layout.id() + ": " + reason);
        };
    }

    /** All blocks of a module, in pack order. */
    public static Bytes all(Pack pack, PackModule module, Vin vin) {
        Bytes all = Bytes.EMPTY;
        for (Layout layout : pack.blocksOf(module)) all = all.plus(block(pack, layout, vin));
        return all;
    }
}

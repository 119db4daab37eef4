package codrane.core.scan;

import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.vin.Vin;
import java.util.Map;

/** What a module's coding is to this vehicle, from good to worst. */
public enum CodingState {
    NONE("has no coding"),
    AGREES("agrees"),
    /** Good in itself, and nothing in it or in its module says for which vehicle. */
    UNMARKED("bears no mark of a vehicle"),
    NOT_READ("not read"),
    FOR_ANOTHER("for another VIN"),
    BLANK("blank"),
    CHECK_WRONG("check does not fit"),
    /** The pack does not say how its software keeps it. */
    NO_LAYOUT("layout not known for its software");

    private final String words;

    CodingState(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** The worst state of the module's blocks. */
    public static CodingState of(Pack pack, PackModule module, ModuleReading reading, Vin vin) {
        return of(pack.as(ModuleReading.software(Map.of(module.id(), reading))), module, reading.coding(), vin);
    }

    /**
     * @param pack with the layouts of the software that kept them
     * @param blocks by layout
     */
    public static CodingState of(Pack pack, PackModule module, Map<String, Bytes> blocks, Vin vin) {
        if (module.blocks().isEmpty()) return NONE;
        CodingState worst = AGREES;
        for (Layout layout : pack.blocksOf(module)) {
            Bytes block = blocks.get(layout.id());
            CodingState state = block == null ? NOT_READ : ofBlock(pack, layout, block, vin);
            if (state.compareTo(worst) > 0) worst = state;
        }
        return worst;
    }

    /** One block against the vehicle. */
    public static CodingState ofBlock(Pack pack, Layout layout, Bytes block, Vin vin) {
        if (!pack.knows(layout.id())) return NO_LAYOUT;
        if (block.length() != layout.length()) return CHECK_WRONG;
        if (layout.isBlank(block)) return BLANK;
        if (!layout.check().holds(block)) return CHECK_WRONG;
        String key = pack.madeFor().get(layout.id());
        if (key == null) return AGREES;
        String end = layout.field(key).orElseThrow().read(block);
        return end.equals(vin.end()) ? AGREES : FOR_ANOTHER;
    }
}

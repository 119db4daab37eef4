package codrane.core.job;

import codrane.core.coding.Layout;
import codrane.core.coding.LineSheet;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.scan.CodingState;
import codrane.core.vin.Vin;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** A line sheet as judged against module and vehicle. */
public record JudgedSheet(SheetText record, List<String> troubles, Map<String, Bytes> blocks) {
    public JudgedSheet {
        troubles = List.copyOf(troubles);
        blocks = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(blocks));
    }

    public boolean good() {
        return troubles.isEmpty();
    }

    public static JudgedSheet of(Pack pack, PackModule module, Vin vin, SheetText record) {
        LineSheet.Sheet sheet = LineSheet.parse(record.content(), module.tag(), pack.codingOctets(module));
        List<String> troubles = new ArrayList<>(sheet.troubles());
        Map<String, Bytes> blocks = new LinkedHashMap<>();
        if (sheet.good()) {
            int at = 0;
            for (Layout layout : pack.blocksOf(module)) {
                Bytes block = sheet.octets().slice(at, layout.length());
                at += layout.length();
                blocks.put(layout.id(), block);
                CodingState state = CodingState.ofBlock(pack, layout, block, vin);
                if (state != CodingState.AGREES)
                    troubles.add(layout.title() + " on this sheet: " + state.words() + ".");
            }
        }
        return new JudgedSheet(record, troubles, blocks);
    }
}

package codrane.core.pack;

import codrane.core.coding.BlockCheck;
import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.coding.LooseBit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Where things stand in a module's coding, counted in one way everywhere: tag, line, byte. */
public final class Places {
    private static final int OCTETS_A_LINE = 8;

    private Places() {}

    /**
     * Where a byte of a block stands, as lines are counted: {@code BOD/03 byte 4}.
     *
     * @param index of the byte within its block, from 0
     */
    public static String of(Pack pack, PackModule module, String block, int index) {
        int at = index;
        for (Layout layout : pack.blocksOf(module)) {
            if (layout.id().equals(block)) break;
            at += layout.length();
        }
        return of(module.tag(), at);
    }

    /** @param index of the byte over all blocks of the module that has the tag, from 0 */
    public static String of(String tag, int index) {
        return "%s/%02d byte %d".formatted(tag, index / OCTETS_A_LINE + 1, index % OCTETS_A_LINE + 1);
    }

    /**
     * Bytes that differ, as lines are counted; the check follows by itself: {@code BOD/03 byte 4: 30 → 50}.
     *
     * @param from hex of the block
     * @param to hex of the block
     */
    public static String bytes(Pack pack, String block, String from, String to) {
        PackModule holder = pack.holder(block).orElseThrow();
        BlockCheck check = pack.layout(block).check();
        List<String> differ = new ArrayList<>();
        for (int i = 0; i + 2 <= from.length() && i + 2 <= to.length(); i += 2) {
            boolean checks =
                    i / 2 >= check.at() && i / 2 < check.at() + check.kind().octets();
            String was = from.substring(i, i + 2);
            String is = to.substring(i, i + 2);
            if (!checks && !was.equals(is)) differ.add(of(pack, holder, block, i / 2) + ": " + was + " → " + is);
        }
        return String.join(", ", differ) + (check.kind().octets() > 0 ? "; its check follows" : "");
    }

    /** What a setting of a block is called, its key when it has no title; a bit that no setting explains, by its place. */
    public static String title(Pack pack, String block, String key) {
        Optional<PackModule> holder = pack.holder(block);
        if (holder.isPresent() && LooseBit.of(key).isPresent()) {
            LooseBit bit = LooseBit.of(key).get();
            return of(pack, holder.get(), block, bit.octet()) + ", bit " + bit.bit();
        }
        return Optional.ofNullable(pack.layouts().get(block))
                .flatMap(layout -> layout.field(key))
                .map(Field::title)
                .orElse(key);
    }
}

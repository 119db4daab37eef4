package codrane.app.stage.decide;

import codrane.app.job.Viewer;
import codrane.core.coding.BlockCheck;
import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.coding.LooseBit;
import codrane.core.job.JobState;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.Places;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * One byte of the shown block, bit by bit: each is changed by what it means, and one that means nothing by the lead.
 *
 * @param at in its block, from 0
 * @param before the byte before it, empty at the first
 * @param after the byte after it, empty at the last
 * @param may whether this one changes settings of this job
 */
record LoomByte(
        String place,
        String block,
        int at,
        String was,
        String is,
        Optional<Integer> before,
        Optional<Integer> after,
        List<Bit> bits,
        boolean may) {
    /**
     * One of them, the most significant first; neighbours that mean the same and can't be changed here are one.
     *
     * @param bit 7 to 0, or from which to which
     * @param was a digit a bit
     * @param what it means
     * @param route to which it is said, below the job's; empty when it can't be changed here
     * @param setting which changes with it: layout, slash, field
     * @param value that the setting gets
     * @param act what the button says; why there is none, when it can't be changed
     */
    record Bit(
            String bit,
            String was,
            String is,
            String what,
            boolean loose,
            String route,
            String setting,
            String value,
            String act) {
        private boolean likeThe(Bit before) {
            return route.isEmpty() && before.route.isEmpty() && what.equals(before.what) && act.equals(before.act);
        }

        private Bit after(Bit before) {
            String from = before.bit.substring(0, 1);
            return new Bit(from + " to " + bit, before.was + was, before.is + is, what, loose, "", "", "", act);
        }
    }

    static LoomByte of(
            JobState state, Pack pack, PackModule module, Layout layout, Bytes from, Bytes to, int at, Viewer viewer) {
        long job = state.job().number();
        boolean may = LoomEdit.changes(state, viewer);
        boolean opens = may && viewer.may(job, "decide/bit");
        List<Bit> bits = new ArrayList<>();
        for (int i = 7; i >= 0; i--) {
            Bit bit = bit(pack, layout, from, to, at, i, opens);
            boolean joins = !bits.isEmpty() && bit.likeThe(bits.getLast());
            bits.add(joins ? bit.after(bits.removeLast()) : bit);
        }
        return new LoomByte(
                Places.of(pack, module, layout.id(), at),
                layout.id(),
                at,
                "%02X".formatted(from.u8(at)),
                "%02X".formatted(to.u8(at)),
                at == 0 ? Optional.empty() : Optional.of(at - 1),
                at == layout.length() - 1 ? Optional.empty() : Optional.of(at + 1),
                List.copyOf(bits),
                may);
    }

    private static Bit bit(Pack pack, Layout layout, Bytes from, Bytes to, int at, int bit, boolean opens) {
        int place = at * 8 + 7 - bit;
        BlockCheck check = layout.check();
        if (at >= check.at() && at < check.at() + check.kind().octets())
            return shown(from, to, at, bit, "check of the block", "follows by itself");
        Optional<Field> field = layout.fields().stream()
                .filter(f -> place >= f.at() && place < f.end())
                .findFirst();
        if (field.isPresent()) return explained(pack, layout, field.get(), from, to, at, bit);
        LooseBit loose = new LooseBit(at, bit);
        String other = is(to, at, bit).equals("1") ? "0" : "1";
        boolean back = !is(from, at, bit).equals(is(to, at, bit));
        return new Bit(
                String.valueOf(bit),
                is(from, at, bit),
                is(to, at, bit),
                "no setting explains it",
                true,
                opens ? back ? "setting-out" : "bit" : "",
                layout.id() + "/" + loose.key(),
                other,
                opens ? back ? "Leave it as it is" : "Open it: make it " + other : "locked: the lead opens it");
    }

    private static Bit explained(Pack pack, Layout layout, Field field, Bytes from, Bytes to, int at, int bit) {
        String what = field.title() + ": " + field.read(to);
        if (field.key().equals(pack.madeFor().get(layout.id())))
            return shown(from, to, at, bit, what, "says for which vehicle the block was made");
        if (field.kind() == Field.Kind.TEXT || field.kind() == Field.Kind.BCD)
            return shown(from, to, at, bit, what, "typed as a whole");
        byte[] octets = to.toArray();
        octets[at] ^= (byte) (1 << bit);
        String value = field.read(Bytes.copyOf(octets));
        if (field.rawOf(value).isEmpty()) return shown(from, to, at, bit, what, "the other way it is no listed value");
        boolean back = value.equals(field.read(from));
        return new Bit(
                String.valueOf(bit),
                is(from, at, bit),
                is(to, at, bit),
                what,
                false,
                back ? "setting-out" : "setting",
                layout.id() + "/" + field.key(),
                value,
                back ? "Leave it “" + value + "”" : "Make it “" + value + "”");
    }

    private static Bit shown(Bytes from, Bytes to, int at, int bit, String what, String why) {
        return new Bit(String.valueOf(bit), is(from, at, bit), is(to, at, bit), what, false, "", "", "", why);
    }

    private static String is(Bytes block, int at, int bit) {
        return String.valueOf(block.u8(at) >> bit & 1);
    }
}

package codrane.app.baseline;

import codrane.core.baseline.BaselineDiff;
import codrane.core.baseline.BaselineDiff.BlockDiff;
import codrane.core.baseline.BaselineDiff.ByteChange;
import codrane.core.baseline.BaselineDiff.Change;
import codrane.core.baseline.BaselineDiff.FaultDiff;
import codrane.core.baseline.BaselineDiff.ModuleDiff;
import codrane.core.coding.Layout;
import codrane.core.pack.Pack;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * What differs between two baselines, one view at a time.
 *
 * @param lines module, what, from, to
 */
public record DiffView(View view, List<Tab> tabs, List<Line> lines) {
    /** What is looked at. */
    public enum View {
        SETTINGS("Settings"),
        OCTETS("Octets"),
        IDENTIFICATION("Identification"),
        FAULTS("Faults"),
        LEARNED("Learned values"),
        LIVE("Live values");

        private final String title;

        View(String title) {
            this.title = title;
        }

        /** Whether what it shows always moves, and is no difference. */
        public boolean moving() {
            return this == LIVE;
        }

        public String title() {
            return title;
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public record Tab(View view, int count) {}

    public record Line(String module, String what, String from, String to) {}

    static DiffView of(Pack pack, BaselineDiff diff, View view) {
        List<Tab> tabs = new ArrayList<>();
        for (View each : View.values())
            tabs.add(new Tab(each, lines(pack, diff, each).size()));
        return new DiffView(view, tabs, lines(pack, diff, view));
    }

    private static List<Line> lines(Pack pack, BaselineDiff diff, View view) {
        List<Line> lines = new ArrayList<>();
        for (ModuleDiff module : diff.modules()) {
            String title = BaselineView.title(pack, module.module());
            switch (view) {
                case SETTINGS -> module.coding().forEach(b -> settings(pack, title, b, lines));
                case OCTETS -> module.coding().forEach(b -> octets(pack, title, b, lines));
                case IDENTIFICATION -> {
                    module.presence().ifPresent(c -> lines.add(new Line(title, "Answers", c.from(), c.to())));
                    module.identification()
                            .forEach(c ->
                                    lines.add(new Line(title, BaselineView.identTitle(c.what()), c.from(), c.to())));
                }
                case FAULTS -> module.faults().forEach(f -> lines.add(fault(title, f)));
                case LEARNED -> changes(title, module.adaptations(), lines);
                case LIVE -> changes(title, module.live(), lines);
            }
        }
        return lines;
    }

    private static void changes(String title, List<Change> changes, List<Line> lines) {
        changes.forEach(c -> lines.add(new Line(title, c.what(), c.from(), c.to())));
    }

    private static void settings(Pack pack, String title, BlockDiff block, List<Line> lines) {
        Layout layout = pack.layouts().get(block.block());
        block.fields()
                .forEach(c -> lines.add(new Line(title, BaselineView.fieldTitle(layout, c.what()), c.from(), c.to())));
        if (block.fields().isEmpty())
            lines.add(new Line(
                    title,
                    layout == null ? block.block() : layout.title(),
                    block.bytes().size() + " bytes differ",
                    block.unnamed()));
    }

    private static void octets(Pack pack, String title, BlockDiff block, List<Line> lines) {
        Layout layout = pack.layouts().get(block.block());
        String name = layout == null ? block.block() : layout.title();
        for (ByteChange change : block.bytes())
            lines.add(new Line(title, name + ", byte " + (change.at() + 1), hex(change.from()), hex(change.to())));
    }

    private static String hex(int octet) {
        return octet < 0 ? "none" : "%02X".formatted(octet);
    }

    private static Line fault(String title, FaultDiff fault) {
        String what = fault.code() + " " + fault.title();
        return switch (fault.change()) {
            case GONE -> new Line(title, what, "stored", "gone");
            case NEW -> new Line(title, what, "not there", "new");
            case STATUS ->
                new Line(title, what, "status %02X".formatted(fault.from()), "status %02X".formatted(fault.to()));
        };
    }
}

package codrane.app.stage.decide;

import codrane.core.coding.BlockCheck;
import codrane.core.coding.BlockReading;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.Places;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Locale;

/**
 * A block as bytes and bits, with strands to the settings that change; two lines of a sheet stand in a row.
 *
 * @param rows their first line as it is counted in the module, to the left
 */
record LoomPicture(int width, int height, List<Label> rows, List<Cell> cells, List<Strand> strands, String aloud) {
    private static final int COLUMNS = 16;
    private static final int HALF = 8;
    private static final int LEFT = 66;
    private static final int PITCH = 42;
    private static final int CELL = 38;
    private static final int CELL_HEIGHT = 36;
    private static final int ROW = 56;
    private static final int TOP = 18;
    private static final int GUTTER = LEFT + COLUMNS * PITCH + 14;
    private static final int BOX_X = GUTTER + 60;
    private static final int BOX_WIDTH = 272;
    private static final int BOX_HEIGHT = 42;

    record Label(int y, String text) {}

    /**
     * @param octet which it is, from 0
     * @param place of it, as lines are counted
     * @param was hex before; empty when it stays
     * @param css how it is drawn
     * @param set path of the bits that are 1
     * @param clear path of the bits that are 0
     * @param unknown path under the bits that no setting explains
     */
    record Cell(
            int octet,
            String place,
            int x,
            int y,
            String hex,
            String was,
            String css,
            String set,
            String clear,
            String unknown) {}

    /** @param lines what its box says, one below the other */
    record Strand(String path, int boxY, String css, List<String> lines) {}

    /** What has a thread: where its first bit is, and what is said of it. */
    record Told(int bit, int bits, boolean changes, List<String> lines) {}

    /**
     * @param offset of the block in its module, bytes
     * @param tag of the module
     * @param told at most some few
     * @param looked the byte that is looked at bit by bit, from 0; -1 for none
     */
    static LoomPicture of(Layout layout, Bytes from, Bytes to, int offset, String tag, List<Told> told, int looked) {
        List<Cell> cells = new ArrayList<>();
        List<Label> rows = new ArrayList<>();
        BitSet explained = BlockReading.known(layout);
        int firstRow = offset / COLUMNS;
        for (int i = 0; i < layout.length(); i++) {
            int x = x(offset + i);
            int y = y(offset + i, firstRow);
            if (i == 0 || (offset + i) % COLUMNS == 0)
                rows.add(new Label(y + 23, String.format(Locale.ROOT, "%s/%02d", tag, (offset + i) / COLUMNS * 2 + 1)));
            cells.add(cell(layout, from, to, i, Places.of(tag, offset + i), x, y, explained, told, i == looked));
        }
        List<Strand> strands = new ArrayList<>();
        for (Told each : told) strands.add(strand(each, strands.size(), offset, firstRow));
        BlockCheck check = layout.check();
        if (!from.equals(to) && check.kind().octets() > 0)
            strands.add(strand(
                    new Told(check.at() * 8, 8, false, List.of("Check", "follows by itself")),
                    strands.size(),
                    offset,
                    firstRow));
        int height = Math.max(
                y(offset + layout.length() - 1, firstRow) + CELL_HEIGHT + 16, TOP + strands.size() * (BOX_HEIGHT + 8));
        return new LoomPicture(
                BOX_X + BOX_WIDTH + 2,
                height,
                rows,
                cells,
                strands,
                layout.title() + ", " + layout.length() + " bytes; each setting stands in the table below");
    }

    private static int x(int index) {
        int column = index % COLUMNS;
        return LEFT + column * PITCH + (column >= HALF ? 10 : 0);
    }

    private static int y(int index, int firstRow) {
        return TOP + (index / COLUMNS - firstRow) * ROW;
    }

    private static Cell cell(
            Layout layout,
            Bytes from,
            Bytes to,
            int i,
            String place,
            int x,
            int y,
            BitSet explained,
            List<Told> told,
            boolean closer) {
        BlockCheck check = layout.check();
        boolean checks = i >= check.at() && i < check.at() + check.kind().octets();
        boolean differs = from.u8(i) != to.u8(i);
        boolean looked = closer || told.stream().anyMatch(t -> i >= t.bit() / 8 && i <= (t.bit() + t.bits() - 1) / 8);
        String css = differs ? checks ? "writes dash" : "writes" : checks ? "dash" : looked ? "looked" : "";
        StringBuilder set = new StringBuilder();
        StringBuilder clear = new StringBuilder();
        StringBuilder unknown = new StringBuilder();
        for (int bit = 0; bit < 8; bit++) {
            String square = "M%d %dh3v5h-3z".formatted(x + 2 + bit * 4 + bit / 4 * 2, y + CELL_HEIGHT - 9);
            ((to.u8(i) >> (7 - bit) & 1) == 1 ? set : clear).append(square);
            if (!explained.get(i * 8 + bit))
                unknown.append("M%d %dh3".formatted(x + 2 + bit * 4 + bit / 4 * 2, y + CELL_HEIGHT - 2));
        }
        return new Cell(
                i,
                place,
                x,
                y,
                "%02X".formatted(to.u8(i)),
                differs ? "was %02X".formatted(from.u8(i)) : "",
                css,
                set.toString(),
                clear.toString(),
                unknown.toString());
    }

    private static Strand strand(Told told, int place, int offset, int firstRow) {
        int byteAt = offset + told.bit() / 8;
        int x = x(byteAt) + CELL / 2;
        int y = y(byteAt, firstRow) + CELL_HEIGHT;
        int boxY = TOP + place * (BOX_HEIGHT + 8);
        int turn = GUTTER + 8 + place * 7 % 49;
        String path = "M%d %dv%dH%dV%dH%d".formatted(x, y, 5 + place % 3 * 3, turn, boxY + BOX_HEIGHT / 2, BOX_X);
        String css = told.changes() ? "writes" : told.lines().getFirst().equals("Check") ? "writes dash" : "looked";
        return new Strand(path, boxY, css, told.lines());
    }

    public int boxX() {
        return BOX_X;
    }

    public int boxWidth() {
        return BOX_WIDTH;
    }

    public int boxHeight() {
        return BOX_HEIGHT;
    }

    public int cellWidth() {
        return CELL;
    }

    public int cellHeight() {
        return CELL_HEIGHT;
    }
}

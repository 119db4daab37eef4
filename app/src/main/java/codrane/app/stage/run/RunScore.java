package codrane.app.stage.run;

import codrane.app.stage.run.RunPiece.Tasks;
import codrane.core.text.Words;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The picture of a run: what happens in which lane, as expected and as it went, both to one scale of time.
 *
 * @param boxes as expected
 * @param bars as it went; none before
 * @param stretches in which it can't be stopped
 * @param ticks of the scale
 * @param rows the same in words
 */
public record RunScore(
        String summary, List<Box> boxes, List<Bar> bars, List<Stretch> stretches, List<Tick> ticks, List<Row> rows) {
    private static final double LEFT = 100;
    private static final double WIDTH = 890;
    private static final double NARROWEST = 2;
    /** Of a letter in the picture; a name that does not fit into its box stands in the table alone. */
    private static final double LETTER = 7.2;

    private static final int MOST_TICKS = 8;
    private static final List<Integer> STEPS =
            List.of(1, 2, 5, 10, 20, 30, 60, 120, 300, 600, 1200, 1800, 3600, 7200, 14_400, 36_000);

    /**
     * @param x left edge, in the picture's units
     * @param label empty when the box is too narrow for it
     * @param name of the piece, for who asks
     * @param tasks of the run that it holds
     * @param transfer the box in which blocks are sent
     */
    public record Box(
            double x, int y, double width, String label, String name, Tasks tasks, boolean transfer, boolean writes) {}

    /** What was really at work. */
    public record Bar(double x, int y, double width) {}

    /** @param label none but on the first */
    public record Stretch(double x, double width, String label) {}

    public record Tick(double x, String label) {}

    /** @param took empty while it did not begin */
    public record Row(String title, String planned, String took) {}

    public RunScore {
        boxes = List.copyOf(boxes);
        bars = List.copyOf(bars);
        stretches = List.copyOf(stretches);
        ticks = List.copyOf(ticks);
        rows = List.copyOf(rows);
    }

    static RunScore of(RunPieces pieces, RunCourse course) {
        double total = Math.max(pieces.seconds(), course.seconds());
        double scale = WIDTH / Math.max(1, total);
        List<Box> boxes = new ArrayList<>();
        List<Stretch> stretches = new ArrayList<>();
        double at = 0;
        double committed = -1;
        for (RunPiece piece : pieces.all()) {
            double x = LEFT + at * scale;
            double width = Math.max(NARROWEST, piece.seconds() * scale - 1);
            boxes.add(box(piece, x, width));
            if (piece.part() == RunPiece.Part.ERASE) committed = x;
            if (piece.part() == RunPiece.Part.VERIFY)
                stretches.add(new Stretch(
                        committed,
                        x + width - committed,
                        stretches.isEmpty() ? "can pause, can’t stop, until verified" : ""));
            at += piece.seconds();
        }
        List<Bar> bars = course.spans().stream()
                .map(s -> new Bar(
                        LEFT + s.from() * scale,
                        s.piece().lane().y() + 31,
                        Math.max(NARROWEST, (s.to() - s.from()) * scale)))
                .toList();
        return new RunScore(pieces.summary(), boxes, bars, stretches, ticks(total, scale), rows(pieces, course));
    }

    private static Box box(RunPiece piece, double x, double width) {
        boolean fits = piece.label().length() * LETTER + 10 <= width;
        String of = piece.title().isEmpty() || piece.title().equals(piece.label()) ? "" : piece.title() + ": ";
        return new Box(
                x,
                piece.lane().y(),
                width,
                fits ? piece.label() : "",
                of + piece.label() + ", " + Words.lasting(Math.round(piece.seconds())),
                piece.tasks(),
                piece.part() == RunPiece.Part.TRANSFER,
                piece.part().writes());
    }

    private static List<Tick> ticks(double total, double scale) {
        int step =
                STEPS.stream().filter(s -> total / s <= MOST_TICKS).findFirst().orElse(STEPS.getLast());
        List<Tick> ticks = new ArrayList<>();
        for (int at = step; at < total; at += step) ticks.add(new Tick(LEFT + at * scale, Words.lasting(at)));
        return ticks;
    }

    private static List<Row> rows(RunPieces pieces, RunCourse course) {
        Map<String, Double> planned = new LinkedHashMap<>();
        pieces.all().stream()
                .filter(p -> !p.title().isEmpty())
                .forEach(p -> planned.merge(p.title(), p.seconds(), Double::sum));
        return planned.entrySet().stream()
                .map(e -> new Row(
                        e.getKey(),
                        Words.lasting(Math.round(e.getValue())),
                        course.took(e.getKey()).map(Words::lasting).orElse("")))
                .toList();
    }
}

package codrane.app.sound;

import codrane.core.response.Ranking;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Responses laid over one another, third octave by third octave, their means at one height.
 *
 * @param label what a reader of the screen hears
 * @param lines points, the flattest first
 * @param ticks frequencies below it
 */
public record SoundPicture(String label, List<String> lines, List<Tick> ticks) {
    private static final int LEFT = 60;
    private static final int RIGHT = 980;
    private static final int MIDDLE = 90;
    private static final double PIXELS_PER_DB = 6;
    private static final double MOST_DB = 14;
    private static final int EVERY = 3;

    public record Tick(int x, String title) {}

    static SoundPicture of(Ranking ranking) {
        List<Integer> middles = ranking.middles();
        List<String> lines = new ArrayList<>();
        for (Ranking.Place place : ranking.places())
            lines.add(IntStream.range(0, place.levels().size())
                    .mapToObj(i -> x(i, middles.size()) + "," + y(place.levels().get(i)))
                    .collect(Collectors.joining(" ")));
        List<Tick> ticks = IntStream.range(0, middles.size())
                .filter(i -> i % EVERY == 0)
                .mapToObj(i -> new Tick(x(i, middles.size()), hz(middles.get(i))))
                .toList();
        String label = ranking.places().stream()
                .map(p -> String.format(Locale.ROOT, "%s %.1f dB", p.name(), p.flatness()))
                .collect(Collectors.joining(", ", "Levels over the band, by how flat they are: ", ""));
        return new SoundPicture(label, lines, ticks);
    }

    private static int x(int band, int bands) {
        return LEFT + (RIGHT - LEFT) * band / Math.max(1, bands - 1);
    }

    private static int y(double db) {
        return (int) Math.round(MIDDLE - PIXELS_PER_DB * Math.max(-MOST_DB, Math.min(MOST_DB, db)));
    }

    private static String hz(int hz) {
        return hz < 1000
                ? hz + " Hz"
                : java.math.BigDecimal.valueOf(hz, 3).stripTrailingZeros().toPlainString() + " kHz";
    }
}

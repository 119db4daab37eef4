package codrane.app.web;

import codrane.core.job.SettleLadder;
import codrane.core.job.SettleLadder.Rung;
import codrane.core.job.SettleLadder.Where;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/**
 * The means that calm a vehicle down as stairs: the higher, the more it forgets by it.
 *
 * @param label the picture for those who don't see it
 */
public record StairsPicture(String label, List<Stair> stairs) {
    private static final int FIRST = 64;
    private static final int RISE = 20;
    private static final int WIDE = 247;

    /** @param y its top, in a picture that is 130 high */
    public record Stair(String title, String lost, String where, int x, int y, boolean wanted, boolean here) {}

    public static StairsPicture of(SettleLadder ladder) {
        List<Stair> stairs = new ArrayList<>();
        for (Rung rung : ladder.rungs())
            stairs.add(new Stair(
                    rung.title(),
                    rung.lost(),
                    rung.where().words(),
                    stairs.size() * WIDE,
                    FIRST - stairs.size() * RISE,
                    rung.where() == Where.WANTED,
                    rung.where() != Where.NOT_PLANNED));
        String label = ladder.rungs().stream()
                .map(rung -> rung.title() + " (" + rung.where().words() + "; " + rung.lost() + ")")
                .collect(Collectors.joining(", then ", "The gentlest first: ", "."));
        return new StairsPicture(label, stairs);
    }
}

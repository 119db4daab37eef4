package codrane.app.web;

import java.util.List;

/**
 * A supply as it was measured over time.
 *
 * @param label what a reader of the screen hears
 * @param bandTop of the window, downwards
 * @param lines points of what is known, broken where nothing was read
 * @param writes where something that changes a module was sent
 */
public record SupplyPicture(
        String label,
        int bandTop,
        int bandHeight,
        double hold,
        double upper,
        List<String> lines,
        List<Integer> writes,
        String from,
        String to) {}

package codrane.app.web;

import codrane.core.power.PowerForecast;
import codrane.core.power.PowerWindow;
import java.util.List;

/**
 * The expected voltage over time, with and without the support unit.
 *
 * @param label what a reader of the screen hears
 * @param bandTop of the window, downwards
 * @param with points of the line with the unit; empty when there is none
 * @param marks where operations begin
 * @param end what stands at the right edge
 */
public record ForecastPicture(
        String label, int bandTop, int bandHeight, String with, String without, List<Mark> marks, String end) {
    /** @param x across the picture */
    public record Mark(int x, String title) {}

    /** @param minutes that it covers */
    public static ForecastPicture of(PowerForecast forecast, PowerWindow window, List<Mark> marks, int minutes) {
        return new ForecastPicture(
                "Expected voltage over " + minutes + " min, with and without the support unit",
                River.y(window.upper()),
                River.y(window.start()) - River.y(window.upper()),
                forecast.withUnit().map(River::points).orElse(""),
                River.points(forecast.withoutUnit()),
                marks,
                "about " + minutes + " min; dashed: without the support unit");
    }
}

package codrane.app.today;

/**
 * A part of Codrane that is not there yet.
 *
 * @param key of its place in the bar
 * @param what it will be, and where that is found meanwhile
 */
public record LaterView(String key, String title, String what) {
    static final LaterView PRACTICE = new LaterView(
            "practice",
            "Practice",
            "Here trainees will work on simulated vehicles with hidden conditions, and see why a point was lost.");
}

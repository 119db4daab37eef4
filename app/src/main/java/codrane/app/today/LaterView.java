package codrane.app.today;

/**
 * A part of Codrane that is not there yet.
 *
 * @param key of its place in the bar
 * @param what it will be, and where that is found meanwhile
 */
public record LaterView(String key, String title, String what) {
    static LaterView of(String key) {
        return key.equals("practice")
                ? new LaterView(
                        key,
                        "Practice",
                        "Here trainees will work on simulated vehicles with hidden conditions, and see why a point was lost.")
                : new LaterView(
                        key,
                        "Records",
                        "Each job's report stands under its stage Record; every act is in the chained audit table.");
    }
}

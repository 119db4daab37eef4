package codrane.core.pack;

import codrane.core.text.Words;
import java.time.Duration;

/**
 * How a module's calibration is got.
 *
 * @param lead from asking until it is here
 * @param price in crowns; 0 when it is included
 * @param tokens that the maker's service uses up for it
 */
public record FileRoute(Way way, Duration lead, int price, int tokens) {
    /** At once and included; what a pack says nothing about. */
    public static final FileRoute AT_ONCE = new FileRoute(Way.DOWNLOAD, Duration.ZERO, 0, 0);

    /** The ways there are. */
    public enum Way {
        DOWNLOAD("downloaded at once"),
        PURCHASE("bought by number from the part label"),
        MAIL("asked for by mail with VIN and part number, and sent");

        private final String words;

        Way(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What it costs, in words: "80 cr and 1 token"; empty when it costs nothing. */
    public String cost() {
        String money = price > 0 ? price + " cr" : "";
        String used = tokens > 0 ? Words.count(tokens, "token") : "";
        return money + (money.isEmpty() || used.isEmpty() ? "" : " and ") + used;
    }
}

package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.octets.Bytes;

/** Octets as they are typed. */
final class Hex {
    private Hex() {}

    /** @throws UsageException when it is no hex of whole octets, naming the word */
    static Bytes octets(String word, String text) {
        try {
            return Bytes.parse(text);
        } catch (IllegalArgumentException e) {
            throw new UsageException(word + ": \"" + InputFile.quoted(text) + "\" (expected pairs of hex digits)");
        }
    }
}

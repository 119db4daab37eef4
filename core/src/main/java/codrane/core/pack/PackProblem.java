package codrane.core.pack;

/**
 * One thing wrong with a pack file.
 *
 * @param line from 1
 */
public record PackProblem(String file, int line, String reason) {
    public String sentence() {
        return file + ":" + line + ": " + reason;
    }
}

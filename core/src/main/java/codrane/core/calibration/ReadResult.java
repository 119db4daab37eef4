package codrane.core.calibration;

/** What reading a calibration file gave. */
public sealed interface ReadResult {
    record Read(CalibrationFile file) implements ReadResult {}

    /**
     * @param line from 1
     * @param column from 1, where the trouble begins
     */
    record Damaged(int line, int column, String message) implements ReadResult {
        public String sentence() {
            return "Line " + line + ", column " + column + ": " + message + ".";
        }
    }
}

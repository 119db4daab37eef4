package codrane.core.calibration;

/** One line of a record file, read as hex octets with the column kept for error messages. */
final class RecordLine {
    static final class Fault extends RuntimeException {
        final int line;
        final int column;

        Fault(int line, int column, String message) {
            super(message, null, false, false);
            this.line = line;
            this.column = column;
        }
    }

    /** Called with each line that is not blank, line ends removed. */
    interface Visitor {
        void line(RecordLine line);
    }

    private final byte[] content;
    private final int start;
    private final int end;
    private final int number;
    private int at;
    private int sum;

    private RecordLine(byte[] content, int start, int end, int number) {
        this.content = content;
        this.start = start;
        this.end = end;
        this.number = number;
        at = start;
    }

    /** @return the number of the last line */
    static int each(byte[] content, Visitor visitor) {
        int number = 0;
        int start = 0;
        while (start < content.length) {
            int end = start;
            while (end < content.length && content[end] != '\n') end++;
            int trimmed = end;
            while (trimmed > start && content[trimmed - 1] <= ' ') trimmed--;
            number++;
            if (trimmed > start) visitor.line(new RecordLine(content, start, trimmed, number));
            start = end + 1;
        }
        return Math.max(1, number);
    }

    char character(String what) {
        if (at >= end) throw fault("the line ends before the " + what);
        return (char) (content[at++] & 0xFF);
    }

    int octet(String what) {
        if (at + 2 > end) throw fault("the line ends within the " + what);
        int high = Character.digit(content[at], 16);
        int low = Character.digit(content[at + 1], 16);
        if (high < 0 || low < 0) {
            if (high >= 0) at++;
            throw fault("'" + (char) (content[at] & 0xFF) + "' is not a hex digit");
        }
        at += 2;
        sum += high << 4 | low;
        return high << 4 | low;
    }

    byte[] octets(int length, String what) {
        byte[] octets = new byte[length];
        for (int i = 0; i < length; i++) octets[i] = (byte) octet(what);
        return octets;
    }

    /** Sum of all octets read so far. */
    int sum() {
        return sum;
    }

    int octetsLeft() {
        return (end - at) / 2;
    }

    void expectEnd() {
        if (at < end) throw fault((end - at) + " characters after the check byte");
    }

    Fault fault(String message) {
        return new Fault(number, at - start + 1, message);
    }

    Fault faultAt(int column, String message) {
        return new Fault(number, column, message);
    }

    /** From 1: the next character. */
    int column() {
        return at - start + 1;
    }
}

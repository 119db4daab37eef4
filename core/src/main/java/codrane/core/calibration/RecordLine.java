package codrane.core.calibration;

import codrane.core.octets.Source;
import java.util.Arrays;

/** One line of a record file, read as hex octets with the column kept for error messages. */
final class RecordLine {
    /** Octets of a line, blanks behind it with it: a record has some 520 at most. */
    private static final int LONGEST = 1 << 20;

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
    private final int end;
    private final int number;
    private int at;
    private int sum;

    private RecordLine(byte[] content, int end, int number) {
        this.content = content;
        this.end = end;
        this.number = number;
    }

    /** @return the number of the last line */
    static int each(Source content, Visitor visitor) {
        Cutter cutter = new Cutter(visitor);
        content.each(cutter::take);
        return cutter.end();
    }

    /** Cuts what comes into lines. */
    private static final class Cutter {
        private final Visitor visitor;
        private byte[] line = new byte[1024];
        private int length;
        private int number;

        Cutter(Visitor visitor) {
            this.visitor = visitor;
        }

        void take(byte[] octets, int count) {
            int start = 0;
            for (int i = 0; i < count; i++) {
                if (octets[i] != '\n') continue;
                add(octets, start, i - start);
                cut();
                start = i + 1;
            }
            add(octets, start, count - start);
        }

        private void add(byte[] octets, int from, int count) {
            if (length + count > LONGEST) throw new Fault(number + 1, 1, "the line is longer than any record");
            if (length + count > line.length) line = Arrays.copyOf(line, Math.max(2 * line.length, length + count));
            System.arraycopy(octets, from, line, length, count);
            length += count;
        }

        private void cut() {
            number++;
            int trimmed = length;
            while (trimmed > 0 && line[trimmed - 1] <= ' ') trimmed--;
            if (trimmed > 0) visitor.line(new RecordLine(line, trimmed, number));
            length = 0;
        }

        int end() {
            if (length > 0) cut();
            return Math.max(1, number);
        }
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

    void checkScattered(MemoryImage image) {
        if (image.scattered())
            throw faultAt(1, "the data lies in more than " + MemoryImage.MOST_SEGMENTS + " separate pieces");
    }

    Fault fault(String message) {
        return new Fault(number, at + 1, message);
    }

    Fault faultAt(int column, String message) {
        return new Fault(number, column, message);
    }

    /** From 1: the next character. */
    int column() {
        return at + 1;
    }
}

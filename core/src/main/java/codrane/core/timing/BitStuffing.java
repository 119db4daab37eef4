package codrane.core.timing;

/**
 * Counts the stuff bits of a row of bits: after five equal bits one opposite bit goes on the wire and counts towards
 * the next run. Works octet by octet from a table, because a programming has millions of frames.
 */
final class BitStuffing {
    /** States: last bit times five plus the run's length less one; one more before the first bit. */
    private static final int START = 10;

    private static final byte[][] NEXT = new byte[START + 1][256];
    private static final byte[][] STUFFED = new byte[START + 1][256];

    static {
        for (int state = 0; state <= START; state++) {
            for (int octet = 0; octet < 256; octet++) {
                BitStuffing one = new BitStuffing();
                one.state = state;
                for (int i = 7; i >= 0; i--) one.bit(octet >> i & 1);
                NEXT[state][octet] = (byte) one.state;
                STUFFED[state][octet] = (byte) one.stuffed;
            }
        }
    }

    private int state = START;
    private int stuffed;

    void octet(int value) {
        stuffed += STUFFED[state][value];
        state = NEXT[state][value];
    }

    /** @param width of the value, up to 64, most significant bit first */
    void bits(long value, int width) {
        int left = width;
        for (; left >= 8; left -= 8) octet((int) (value >> (left - 8) & 0xFF));
        for (int i = left - 1; i >= 0; i--) bit((int) (value >> i & 1));
    }

    private void bit(int bit) {
        boolean same = state != START && state / 5 == bit;
        int run = same ? state % 5 + 2 : 1;
        if (run == 5) {
            stuffed++;
            state = (1 - bit) * 5;
        } else {
            state = bit * 5 + run - 1;
        }
    }

    int stuffed() {
        return stuffed;
    }

    /** Whether the last bit put in was followed by a stuff bit. */
    boolean justStuffed(int lastBit) {
        return state == (1 - lastBit) * 5;
    }
}

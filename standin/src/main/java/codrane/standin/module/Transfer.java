package codrane.standin.module;

/** A download or upload under way, with its block sequence counter: begins with 1, wraps from FF to 00. */
final class Transfer {
    private final boolean writes;
    private final long end;
    private long next;
    private int counter = 1;
    private boolean first = true;

    /**
     * @param writes download; otherwise upload
     * @param next address
     * @param end address, exclusive
     */
    Transfer(boolean writes, long next, long end) {
        this.writes = writes;
        this.next = next;
        this.end = end;
    }

    boolean writes() {
        return writes;
    }

    /** Whether the block was already served: its answer was lost. */
    boolean repeats(int blockCounter) {
        return !first && blockCounter == (counter - 1 & 0xFF);
    }

    boolean expects(int blockCounter) {
        return blockCounter == counter;
    }

    void advance(int octets) {
        first = false;
        counter = counter + 1 & 0xFF;
        next += octets;
    }

    long next() {
        return next;
    }

    long left() {
        return end - next;
    }
}

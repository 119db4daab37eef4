package codrane.core.octets;

/** Octets that lie somewhere: in the heap, a file, a database. Read piece by piece, so that length does not matter. */
public interface Source {
    /** Octets that {@link #each} hands over at once. */
    int PIECE = 1 << 16;

    /** Octets, at least 0. */
    long length();

    /**
     * Reads octets into the beginning of an array.
     *
     * @param at first octet, from 0; all that are asked for must be there
     * @throws UnreadableException when they can't be had
     */
    void read(long at, byte[] into, int length);

    /** What was there can't be read any more; the message is for people. */
    final class UnreadableException extends RuntimeException {
        private static final long serialVersionUID = 1;

        public UnreadableException(String message) {
            super(message);
        }

        public UnreadableException(String message, Throwable cause) {
            super(message, cause);
        }
    }

    /** Takes some octets of an array that is used again afterwards. */
    @FunctionalInterface
    interface Piece<E extends Exception> {
        void take(byte[] octets, int length) throws E;
    }

    /** Everything, in order. */
    default <E extends Exception> void each(Piece<E> piece) throws E {
        byte[] octets = new byte[(int) Math.min(PIECE, length())];
        for (long at = 0; at < length(); at += octets.length) {
            int length = (int) Math.min(octets.length, length() - at);
            read(at, octets, length);
            piece.take(octets, length);
        }
    }

    /** The first octets, or all when there are fewer. */
    default byte[] head(int most) {
        byte[] octets = new byte[(int) Math.min(most, length())];
        read(0, octets, octets.length);
        return octets;
    }

    /** Octets of the heap, which must not be changed while this is in use. */
    static Source of(byte[] octets) {
        return new Source() {
            @Override
            public long length() {
                return octets.length;
            }

            @Override
            public void read(long at, byte[] into, int length) {
                System.arraycopy(octets, (int) at, into, 0, length);
            }
        };
    }
}

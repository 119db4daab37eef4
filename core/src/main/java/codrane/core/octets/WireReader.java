package codrane.core.octets;

import java.util.Optional;

/** Reads octets in order: unsigned, bounds-checked, naming the field. The only place that touches offsets. */
public final class WireReader {
    static final class Fault extends RuntimeException {
        final int offset;
        final String expected;
        final String found;

        Fault(int offset, String expected, String found) {
            super(null, null, false, false);
            this.offset = offset;
            this.expected = expected;
            this.found = found;
        }
    }

    private final Bytes message;
    private int offset;

    WireReader(Bytes message) {
        this.message = message;
    }

    public int u8(String field) {
        need(field, 1);
        return message.u8(offset++);
    }

    public int u16(String field) {
        need(field, 2);
        int value = message.u16(offset);
        offset += 2;
        return value;
    }

    public int u24(String field) {
        return (int) number(field, 3);
    }

    /** @param octets of the number, 0..8, most significant first */
    public long number(String field, int octets) {
        long number = 0;
        for (Bytes left = bytes(field, octets); !left.isEmpty(); left = left.from(1)) number = number << 8 | left.u8(0);
        return number;
    }

    /** A field with its length in two octets in front. */
    public Bytes sized(String field) {
        return bytes(field, u16(field + " length"));
    }

    public long u32(String field) {
        need(field, 4);
        long value = message.u32(offset);
        offset += 4;
        return value;
    }

    public Bytes bytes(String field, int length) {
        need(field, length);
        Bytes value = message.slice(offset, length);
        offset += length;
        return value;
    }

    public Bytes rest() {
        return bytes("rest", remaining());
    }

    public int remaining() {
        return message.length() - offset;
    }

    public void expectU8(String field, int value) {
        int found = u8(field);
        if (found != value) throw fail(1, field + " %02X".formatted(value), "%02X".formatted(found));
    }

    /** Rejects the field just read, of the given length. */
    public void check(boolean good, int length, String expected, String found) {
        if (!good) throw fail(length, expected, found);
    }

    /** What the field just read stands for; rejects it when it stands for nothing. */
    public <T> T known(Optional<T> meaning, int length, String expected, String found) {
        return meaning.orElseThrow(() -> fail(length, expected, found));
    }

    void expectEnd() {
        if (remaining() > 0) throw new Fault(offset, "end of message", remaining() + " octets more");
    }

    private Fault fail(int back, String expected, String found) {
        return new Fault(offset - back, expected, found);
    }

    private void need(String field, int length) {
        if (length < 0 || remaining() < length) {
            throw new Fault(offset, field + " of " + length + " octets", remaining() + " octets");
        }
    }
}

package codrane.core.octets;

import java.util.function.Function;

/** What became of octets that arrived: a value, or the first place where they are not what the layout says. */
public sealed interface DecodeResult<T> {
    record Decoded<T>(T value) implements DecodeResult<T> {}

    /** @param offset octet index from 0 at which reading failed */
    record Malformed<T>(int offset, String expected, String found) implements DecodeResult<T> {
        public String message() {
            return "octet " + offset + ": " + found + " (expected " + expected + ")";
        }
    }

    /** Reads a whole message; octets left over make it malformed. */
    static <T> DecodeResult<T> read(Bytes message, Function<WireReader, T> layout) {
        WireReader in = new WireReader(message);
        try {
            T value = layout.apply(in);
            in.expectEnd();
            return new Decoded<>(value);
        } catch (WireReader.Fault fault) {
            return new Malformed<>(fault.offset, fault.expected, fault.found);
        }
    }

    default boolean isMalformed() {
        return this instanceof Malformed;
    }

    /** @throws IllegalStateException when malformed; for callers who have checked */
    default T value() {
        return switch (this) {
            case Decoded<T>(T value) -> value;
            case Malformed<T> malformed -> throw new IllegalStateException(malformed.message());
        };
    }

    default T orElse(T other) {
        return this instanceof Decoded<T>(T value) ? value : other;
    }
}

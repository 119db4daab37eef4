package codrane.app.cli;

import picocli.CommandLine.ITypeConverter;
import picocli.CommandLine.TypeConversionException;

/** Numbers of calls, each with what it may be. */
final class Numbers {
    private static final int MOST_PORT = 65_535;
    private static final int MOST_SPEED = 1000;

    private Numbers() {}

    /** 0 to 65535; 0 takes a free one. */
    static final class Port implements ITypeConverter<Integer> {
        @Override
        public Integer convert(String text) {
            return between(text, 0, MOST_PORT);
        }
    }

    /** How many times faster a vehicle works, 1 to 1000. */
    static final class Speed implements ITypeConverter<Integer> {
        @Override
        public Integer convert(String text) {
            return between(text, 1, MOST_SPEED);
        }
    }

    /** @throws TypeConversionException when it is not, saying what is expected */
    static int between(String text, int least, int most) {
        if (text.matches("\\d{1,9}") && Integer.parseInt(text) >= least && Integer.parseInt(text) <= most)
            return Integer.parseInt(text);
        throw new TypeConversionException("expected " + least + ".." + most);
    }
}

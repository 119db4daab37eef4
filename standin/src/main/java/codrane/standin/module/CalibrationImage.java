package codrane.standin.module;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import java.util.Random;

/** The content of a module's flash memory for one software version: invented, but the same each time. */
public final class CalibrationImage {
    private CalibrationImage() {}

    /** @param hardware beginning of the hardware numbers that it is for */
    public static byte[] of(PackModule module, String hardware, String version) {
        PackModule.Flash flash = module.flash().orElseThrow();
        byte[] image = new byte[flash.segment().length()];
        new Random(module.address() * 31L + version.hashCode()).nextBytes(image);
        put(image, flash, flash.version(), version);
        put(image, flash, flash.hardware(), hardware);
        return image;
    }

    private static void put(byte[] image, PackModule.Flash flash, PackModule.Range range, String text) {
        Bytes padded = Bytes.ascii(text + " ".repeat(range.length() - text.length()));
        System.arraycopy(padded.toArray(), 0, image, offset(flash, range), range.length());
    }

    static String text(byte[] image, PackModule.Flash flash, PackModule.Range range) {
        return Bytes.copyOf(image, offset(flash, range), range.length()).text().strip();
    }

    private static int offset(PackModule.Flash flash, PackModule.Range range) {
        return (int) (range.start() - flash.segment().start());
    }
}

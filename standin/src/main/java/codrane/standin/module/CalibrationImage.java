package codrane.standin.module;

import codrane.core.calibration.MemoryImage;
import codrane.core.octets.Bytes;
import codrane.core.octets.PagedMemory;
import codrane.core.pack.PackModule;
import codrane.link.file.ScratchFile;
import java.util.Random;

/** The content of a module's flash memory for one software version: invented, but the same each time. */
public final class CalibrationImage {
    private static final int PIECE = 1 << 16;

    private CalibrationImage() {}

    /** @param hardware beginning of the hardware numbers that it is for */
    public static MemoryImage of(PackModule module, String hardware, String version) {
        PackModule.Flash flash = module.flash().orElseThrow();
        PackModule.Range segment = flash.segment();
        PagedMemory memory = new PagedMemory(ScratchFile.temporary(), 0);
        fill(memory, segment, module.address() * 31L + version.hashCode());
        put(memory, flash.version(), version);
        put(memory, flash.hardware(), hardware);
        return new MemoryImage(memory, new MemoryImage.Segment(segment.start(), segment.length()));
    }

    private static void fill(PagedMemory memory, PackModule.Range segment, long seed) {
        Random random = new Random(seed);
        for (int done = 0; done < segment.length(); done += PIECE) {
            byte[] piece = new byte[Math.min(PIECE, segment.length() - done)];
            random.nextBytes(piece);
            memory.write(segment.start() + done, piece, 0, piece.length);
        }
    }

    private static void put(PagedMemory memory, PackModule.Range range, String text) {
        Bytes padded = Bytes.ascii(text + " ".repeat(range.length() - text.length()));
        memory.write(range.start(), padded.toArray(), 0, range.length());
    }

    static String text(PagedMemory memory, PackModule.Range range) {
        byte[] octets = new byte[range.length()];
        memory.read(range.start(), octets, octets.length);
        return Bytes.owning(octets).text().strip();
    }
}

package codrane.standin.module;

import codrane.core.calibration.MemoryImage;
import codrane.core.octets.Bytes;
import codrane.core.octets.PagedMemory;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Resume;
import codrane.core.run.TransferState;
import codrane.link.file.ScratchFile;
import java.util.Optional;

/** A module's flash memory: erased, written in order, checked. Holds its content through a loss of power or link. */
final class FlashMemory {
    private static final int NOTHING = 0;

    private final PackModule.Flash pack;
    private PagedMemory content;
    private int state;
    private long next;

    FlashMemory(PackModule.Flash pack, MemoryImage image) {
        this.pack = pack;
        content = erased();
        MemoryImage.Segment segment = image.segments().getFirst();
        long[] at = {segment.start()};
        image.source(segment).each((octets, length) -> {
            content.write(at[0], octets, 0, length);
            at[0] += length;
        });
        state = TransferState.VERIFIED;
        next = pack.segment().start();
    }

    boolean valid() {
        return state == TransferState.VERIFIED;
    }

    String version() {
        return CalibrationImage.text(content, pack.version());
    }

    /** Without valid content: as a part that was never programmed. */
    void blank() {
        content = erased();
        state = NOTHING;
    }

    /** @return false when the range is not this memory's */
    boolean erase(long start, long length) {
        if (start != pack.segment().start() || length != pack.segment().length()) return false;
        blank();
        state = TransferState.PARTIAL;
        next = start;
        return true;
    }

    /** Whether all of it is this memory's. */
    boolean has(long address, long length) {
        return address >= pack.segment().start() && length >= 1 && address + length <= end();
    }

    /** @return false when a download can't begin there */
    boolean accepts(long address, long length) {
        return state == TransferState.PARTIAL && address == next && address + length == end();
    }

    /** @return false when the data does not fit */
    boolean write(Bytes data) {
        if (next + data.length() > end()) return false;
        content.write(next, data.toArray(), 0, data.length());
        next += data.length();
        return true;
    }

    /** The link or session was lost while writing. */
    void interrupted() {
        if (state == TransferState.PARTIAL && pack.resume() == Resume.FROM_ERASE) state = NOTHING;
    }

    /** @return 0 good, 1 other content, 2 for other hardware, 3 incomplete */
    int check(long crc, String hardware) {
        if (state != TransferState.VERIFIED && next != end()) return 3;
        if (crc() != crc) return 1;
        if (!hardware.startsWith(CalibrationImage.text(content, pack.hardware()))) return 2;
        state = TransferState.VERIFIED;
        return 0;
    }

    /** One octet of state, four of the next free address. */
    Bytes report() {
        return Bytes.of(state).plus(u32(next));
    }

    static Bytes u32(long value) {
        return Bytes.of((int) (value >> 24 & 0xFF), (int) (value >> 16 & 0xFF), (int) (value >> 8 & 0xFF), (int)
                (value & 0xFF));
    }

    /** As somebody does who changes the software and leaves the version as it was. */
    void alter() {
        long middle = pack.segment().start() + pack.segment().length() / 2;
        byte[] octet = new byte[1];
        content.read(middle, octet, 1);
        octet[0] ^= 0x5A;
        content.write(middle, octet, 0, 1);
    }

    /** @return the octets, or empty when the range is not this memory's */
    Optional<Bytes> read(long address, long length) {
        if (!has(address, length)) return Optional.empty();
        byte[] octets = new byte[(int) length];
        content.read(address, octets, octets.length);
        return Optional.of(Bytes.owning(octets));
    }

    /** CRC-32 over the whole content. */
    long crc() {
        MemoryImage.Segment all =
                new MemoryImage.Segment(pack.segment().start(), pack.segment().length());
        return new MemoryImage(content, all).crc32();
    }

    long next() {
        return next;
    }

    private static PagedMemory erased() {
        return new PagedMemory(ScratchFile.temporary(), 0xFF);
    }

    private long end() {
        return pack.segment().start() + pack.segment().length();
    }
}

package codrane.standin.module;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Resume;
import codrane.core.run.TransferState;
import java.util.Arrays;
import java.util.zip.CRC32;

/** A module's flash memory: erased, written in order, checked. Holds its content through a loss of power or link. */
final class FlashMemory {
    private static final int NOTHING = 0;

    private final PackModule.Flash pack;
    private byte[] content;
    private int state;
    private long next;

    FlashMemory(PackModule.Flash pack, byte[] content) {
        this.pack = pack;
        this.content = content.clone();
        state = TransferState.VERIFIED;
        next = pack.segment().start();
    }

    boolean valid() {
        return state == TransferState.VERIFIED;
    }

    String version() {
        return CalibrationImage.text(content, pack, pack.version());
    }

    /** Without valid content: as a part that was never programmed. */
    void blank() {
        content = new byte[pack.segment().length()];
        Arrays.fill(content, (byte) 0xFF);
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
        data.copyInto(content, (int) (next - pack.segment().start()), data.length());
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
        CRC32 actual = new CRC32();
        actual.update(content);
        if (actual.getValue() != crc) return 1;
        if (!hardware.startsWith(CalibrationImage.text(content, pack, pack.hardware()))) return 2;
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
        content[content.length / 2] ^= 0x5A;
    }

    /** @return the octets, or empty when the range is not this memory's */
    java.util.Optional<Bytes> read(long address, long length) {
        return has(address, length)
                ? java.util.Optional.of(
                        Bytes.copyOf(content, (int) (address - pack.segment().start()), (int) length))
                : java.util.Optional.empty();
    }

    /** CRC-32 over the whole content. */
    long crc() {
        CRC32 crc = new CRC32();
        crc.update(content);
        return crc.getValue();
    }

    long next() {
        return next;
    }

    private long end() {
        return pack.segment().start() + pack.segment().length();
    }
}

package codrane.core.run;

import codrane.core.octets.Bytes;

/** Requests of a download. Source: unchecked (ISO 14229-1: RoutineControl FF00 and FF01, RequestDownload). */
final class ProgramRequests {
    private ProgramRequests() {}

    static Bytes erase(RunTask.Program program) {
        return Bytes.of(0x31, 0x01, 0xFF, 0x00).plus(u32(program.start())).plus(u32(program.length()));
    }

    /** Address and length of four octets each, no compression, no encryption. */
    static Bytes download(RunTask.Program program, long from) {
        long left = program.start() + program.length() - from;
        return Bytes.of(0x34, 0x00, 0x44).plus(u32(from)).plus(u32(left));
    }

    static Bytes check(RunTask.Program program) {
        return Bytes.of(0x31, 0x01, 0xFF, 0x01).plus(u32(program.crc32()));
    }

    /** @return octets of the longest transfer request that the module takes, header included; 0 when it says none */
    static int longestBlock(Bytes message) {
        if (message.length() < 2) return 0;
        int width = message.u8(1) >> 4;
        long most = 0;
        if (width > 4 || message.length() < 2 + width) return 0;
        for (int i = 0; i < width; i++) most = most << 8 | message.u8(2 + i);
        return (int) Math.min(most, 0xFFFF);
    }

    private static Bytes u32(long value) {
        return Bytes.of((int) (value >> 24 & 0xFF), (int) (value >> 16 & 0xFF), (int) (value >> 8 & 0xFF), (int)
                (value & 0xFF));
    }
}

package codrane.core.octets;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.zip.CRC32;

/** The checks that files, lines and coding blocks carry. Vectors over "123456789" are in the tests. */
public final class Checksums {
    private Checksums() {}

    /** CRC-8 SAE J1850: polynomial 1D, start FF, final exclusive-or FF. */
    public static int crc8J1850(Bytes data) {
        int crc = 0xFF;
        for (int i = 0; i < data.length(); i++) {
            crc ^= data.u8(i);
            for (int bit = 0; bit < 8; bit++) crc = (crc & 0x80) != 0 ? (crc << 1 ^ 0x1D) & 0xFF : crc << 1;
        }
        return crc ^ 0xFF;
    }

    /** CRC-16 CCITT-FALSE: polynomial 1021, start FFFF. */
    public static int crc16CcittFalse(Bytes data) {
        int crc = 0xFFFF;
        for (int i = 0; i < data.length(); i++) {
            crc ^= data.u8(i) << 8;
            for (int bit = 0; bit < 8; bit++) crc = (crc & 0x8000) != 0 ? (crc << 1 ^ 0x1021) & 0xFFFF : crc << 1;
        }
        return crc;
    }

    /** CRC-32 ISO-HDLC, 0..4294967295. */
    public static long crc32(Bytes data) {
        CRC32 crc = new CRC32();
        crc.update(data.toArray());
        return crc.getValue();
    }

    public static int sum8(Bytes data) {
        int sum = 0;
        for (int i = 0; i < data.length(); i++) sum += data.u8(i);
        return sum & 0xFF;
    }

    public static int xor8(Bytes data) {
        int xor = 0;
        for (int i = 0; i < data.length(); i++) xor ^= data.u8(i);
        return xor;
    }

    /** Lower-case hex of the SHA-256. */
    public static String sha256(byte[] data) {
        return sha256(Source.of(data));
    }

    /** Lower-case hex of the SHA-256. */
    public static String sha256(Source data) {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            data.each((octets, length) -> digest.update(octets, 0, length));
            return HexFormat.of().formatHex(digest.digest());
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java platform has SHA-256", e);
        }
    }
}

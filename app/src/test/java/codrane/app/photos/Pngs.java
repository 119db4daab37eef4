package codrane.app.photos;

import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;

/** Writes pictures line by line, so that a test need not hold them whole. */
final class Pngs {
    private static final int OCTETS_A_POINT = 8;

    private Pngs() {}

    /** Black, with four channels of sixteen bits. */
    static byte[] sixteenBits(int width, int height) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10});
        ByteArrayOutputStream head = new ByteArrayOutputStream();
        DataOutputStream data = new DataOutputStream(head);
        data.writeInt(width);
        data.writeInt(height);
        data.write(new byte[] {16, 6, 0, 0, 0});
        chunk(out, "IHDR", head.toByteArray());
        ByteArrayOutputStream lines = new ByteArrayOutputStream();
        try (DeflaterOutputStream packed =
                new DeflaterOutputStream(lines, new Deflater(Deflater.BEST_COMPRESSION), 1 << 16)) {
            byte[] line = new byte[1 + width * OCTETS_A_POINT];
            for (int i = 0; i < height; i++) packed.write(line);
        }
        chunk(out, "IDAT", lines.toByteArray());
        chunk(out, "IEND", new byte[0]);
        return out.toByteArray();
    }

    private static void chunk(ByteArrayOutputStream out, String type, byte[] content) throws IOException {
        byte[] name = type.getBytes(StandardCharsets.US_ASCII);
        CRC32 crc = new CRC32();
        crc.update(name);
        crc.update(content);
        DataOutputStream data = new DataOutputStream(out);
        data.writeInt(content.length);
        data.write(name);
        data.write(content);
        data.writeInt((int) crc.getValue());
    }
}

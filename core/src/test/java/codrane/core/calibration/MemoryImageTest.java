package codrane.core.calibration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertThrows;

import codrane.core.octets.Bytes;
import codrane.core.octets.Checksums;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

class MemoryImageTest {
    @Test
    void put_randomPieces_areTheSameAsAMapOfOctets() {
        Random random = new Random(71);
        for (int round = 0; round < 300; round++) {
            MemoryImage image = new MemoryImage();
            Map<Long, Byte> octets = new TreeMap<>();
            for (int piece = 0; piece < 25; piece++) {
                long address = random.nextInt(300);
                byte[] data = new byte[1 + random.nextInt(40)];
                for (int i = 0; i < data.length; i++)
                    data[i] = (byte) (random.nextInt(40) == 0 ? random.nextInt() : address + i);
                boolean fits = true;
                for (int i = 0; i < data.length; i++) {
                    Byte there = octets.get(address + i);
                    fits &= there == null || there == data[i];
                }
                assertThat(image.put(address, data)).isEqualTo(fits);
                for (int i = 0; fits && i < data.length; i++) octets.put(address + i, data[i]);
            }
            compare(image, octets);
        }
    }

    private static void compare(MemoryImage image, Map<Long, Byte> octets) {
        assertThat(image.size()).isEqualTo(octets.size());
        Bytes all = Bytes.EMPTY;
        long last = -2;
        for (MemoryImage.Segment segment : image.segments()) {
            assertThat(segment.start()).isGreaterThan(last); // never touching the one before
            last = segment.end();
            Bytes data = image.read(segment.start(), (int) segment.length());
            for (int i = 0; i < data.length(); i++)
                assertThat((byte) data.u8(i)).isEqualTo(octets.get(segment.start() + i));
            all = all.plus(data);
        }
        assertThat(image.crc32()).isEqualTo(Checksums.crc32(all));
    }

    @Test
    void read_overAGap_isRefused() {
        MemoryImage image = new MemoryImage();
        image.put(0x100, new byte[4]);
        image.put(0x108, new byte[4]);
        assertThrows(IllegalArgumentException.class, () -> image.read(0x100, 12));
        assertThrows(IllegalArgumentException.class, () -> image.read(0x10, 1));
        assertThat(image.read(0x109, 3).length()).isEqualTo(3);
    }
}

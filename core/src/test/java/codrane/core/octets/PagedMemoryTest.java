package codrane.core.octets;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

class PagedMemoryTest {
    private static final int SPACE = 40 << 20;

    /** Pages in a map, counted. */
    private static final class Counted implements PagedMemory.Backing {
        private final Map<Long, byte[]> pages = new HashMap<>();
        private int loads;

        @Override
        public void save(long page, byte[] octets) {
            pages.put(page, octets.clone());
        }

        @Override
        public void load(long page, byte[] into) {
            loads++;
            System.arraycopy(pages.get(page), 0, into, 0, PagedMemory.PAGE);
        }
    }

    @Test
    void writeAndRead_moreThanIsKeptAtHand_isTheSameAsOneArray() {
        Counted backing = new Counted();
        PagedMemory memory = new PagedMemory(backing, 0xFF);
        byte[] plain = new byte[SPACE];
        Arrays.fill(plain, (byte) 0xFF);
        Random random = new Random(40);
        for (int round = 0; round < 12_000; round++) {
            int length = 1 + random.nextInt(9000);
            int at = random.nextInt(SPACE - length);
            byte[] octets = new byte[length];
            if (random.nextInt(3) == 0) {
                memory.read(at, octets, length);
                assertThat(octets).isEqualTo(Arrays.copyOfRange(plain, at, at + length));
            } else {
                random.nextBytes(octets);
                memory.write(at, octets, 0, length);
                System.arraycopy(octets, 0, plain, at, length);
            }
        }
        byte[] all = new byte[SPACE];
        memory.read(0, all, SPACE);
        assertThat(Arrays.equals(all, plain)).isTrue();
        assertThat(backing.pages).isNotEmpty();
        assertThat(backing.loads).isPositive();
    }

    @Test
    void write_fewPagesFarApart_needNoBacking() {
        Counted backing = new Counted();
        PagedMemory memory = new PagedMemory(backing, 0);
        memory.write(0xFFFF_FFF0L, new byte[] {1, 2, 3}, 1, 2);
        byte[] read = new byte[4];
        memory.read(0xFFFF_FFEFL, read, 4);
        assertThat(read).containsExactly(0, 2, 3, 0);
        assertThat(backing.pages).isEmpty();
    }
}

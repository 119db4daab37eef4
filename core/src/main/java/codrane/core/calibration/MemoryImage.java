package codrane.core.calibration;

import codrane.core.octets.Bytes;
import codrane.core.octets.PagedMemory;
import codrane.core.octets.Source;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.CRC32;

/** Data at addresses 0..2^32-1, with gaps. Records may come in any order; the same data twice is accepted. */
public final class MemoryImage {
    /** One past the last address. */
    public static final long LIMIT = 1L << 32;
    /** Most runs of addresses: what has more is no calibration, and would take a whole disk. */
    static final int MOST_SEGMENTS = 1 << 18;

    /**
     * A run of addresses without a gap.
     *
     * @param start first address, 0..2^32-1
     * @param length octets, at least 1
     */
    public record Segment(long start, long length) {
        public long end() {
            return start + length;
        }
    }

    private final PagedMemory memory;
    /** First address of each run and the one past its last; no two touch. */
    private final TreeMap<Long, Long> runs = new TreeMap<>();

    /** An image in the heap. */
    public MemoryImage() {
        this(new PagedMemory());
    }

    public MemoryImage(PagedMemory.Backing backing) {
        this(new PagedMemory(backing, 0));
    }

    private MemoryImage(PagedMemory memory) {
        this.memory = memory;
    }

    /** One run of addresses whose octets lie in a memory already. */
    public MemoryImage(PagedMemory memory, Segment run) {
        this(memory);
        runs.put(run.start(), run.end());
    }

    boolean put(long address, byte[] data) {
        return put(address, data, data.length);
    }

    /** Everything from an address on, where nothing is yet. */
    public void put(long address, Source data) {
        long[] at = {address};
        data.each((octets, length) -> {
            if (!put(at[0], octets, length)) throw new IllegalArgumentException("other data is there already");
            at[0] += length;
        });
    }

    /**
     * @param length how many octets of the array
     * @return false when other data is there already; the image is then unchanged
     */
    boolean put(long address, byte[] data, int length) {
        if (length == 0) return true;
        long start = address;
        long end = address + length;
        Map.Entry<Long, Long> below = runs.floorEntry(address);
        if (below != null && below.getValue() >= address) start = below.getKey();
        List<Segment> touching = new ArrayList<>();
        for (Map.Entry<Long, Long> run : runs.subMap(start, true, end, true).entrySet()) {
            if (!agrees(run.getKey(), run.getValue(), address, data, length)) return false;
            touching.add(new Segment(run.getKey(), run.getValue() - run.getKey()));
        }
        for (Segment run : touching) {
            end = Math.max(end, run.end());
            if (run.start() != start) runs.remove(run.start());
        }
        runs.put(start, end);
        memory.write(address, data, 0, length);
        return true;
    }

    private boolean agrees(long runStart, long runEnd, long address, byte[] data, int length) {
        long from = Math.max(runStart, address);
        long to = Math.min(runEnd, address + length);
        if (from >= to) return true;
        byte[] there = new byte[(int) (to - from)];
        memory.read(from, there, there.length);
        int here = (int) (from - address);
        return Arrays.equals(there, 0, there.length, data, here, here + there.length);
    }

    /** Whether it has more runs than any calibration. */
    boolean scattered() {
        return runs.size() > MOST_SEGMENTS;
    }

    public List<Segment> segments() {
        return runs.entrySet().stream()
                .map(run -> new Segment(run.getKey(), run.getValue() - run.getKey()))
                .toList();
    }

    /** Octets of data, gaps not counted. */
    public long size() {
        long size = 0;
        for (Map.Entry<Long, Long> run : runs.entrySet()) size += run.getValue() - run.getKey();
        return size;
    }

    /**
     * @throws IllegalArgumentException when the range is not wholly filled
     */
    public Bytes read(long start, int length) {
        Map.Entry<Long, Long> run = runs.floorEntry(start);
        if (run == null || run.getValue() < start + length) {
            throw new IllegalArgumentException("range %08X+%d: not wholly filled".formatted(start, length));
        }
        byte[] octets = new byte[length];
        memory.read(start, octets, length);
        return Bytes.owning(octets);
    }

    /** One segment as octets of their own. */
    public Source source(Segment segment) {
        return new Source() {
            @Override
            public long length() {
                return segment.length();
            }

            @Override
            public void read(long at, byte[] into, int length) {
                memory.read(segment.start() + at, into, length);
            }
        };
    }

    /** CRC-32 ISO-HDLC over the data in address order, gaps skipped. */
    public long crc32() {
        CRC32 crc = new CRC32();
        for (Segment segment : segments()) source(segment).each((octets, length) -> crc.update(octets, 0, length));
        return crc.getValue();
    }

    /**
     * The same data, each gap between the first and the last address filled. It shares its memory with this one.
     *
     * @param octet 0..255
     */
    MemoryImage filled(int octet) {
        byte[] filling = new byte[Source.PIECE];
        Arrays.fill(filling, (byte) octet);
        long start = runs.firstKey();
        long end = runs.lastEntry().getValue();
        for (long at = start; at < end; ) {
            Map.Entry<Long, Long> run = runs.floorEntry(at);
            if (run != null && run.getValue() > at) {
                at = run.getValue();
                continue;
            }
            int length = (int) Math.min(filling.length, runs.higherKey(at) - at);
            memory.write(at, filling, 0, length);
            at += length;
        }
        return new MemoryImage(memory, new Segment(start, end - start));
    }
}

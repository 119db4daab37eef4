package codrane.core.calibration;

import codrane.core.octets.Bytes;
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

    private static final class Run {
        private byte[] octets;
        private int length;

        Run(byte[] first) {
            octets = Arrays.copyOf(first, Math.max(64, first.length));
            length = first.length;
        }

        void append(byte[] more, int from) {
            int added = more.length - from;
            if (length + added > octets.length) octets = Arrays.copyOf(octets, (length + added) * 2);
            System.arraycopy(more, from, octets, length, added);
            length += added;
        }
    }

    private final TreeMap<Long, Run> runs = new TreeMap<>();

    /** @return false when other data is there already; the image is then unchanged */
    boolean put(long address, byte[] data) {
        if (data.length == 0) return true;
        Map.Entry<Long, Run> below = runs.floorEntry(address);
        if (below != null && endOf(below) >= address && runs.higherKey(address) == null) {
            return extend(below, address, data);
        }
        return insert(address, data);
    }

    private static boolean extend(Map.Entry<Long, Run> below, long address, byte[] data) {
        Run run = below.getValue();
        int at = (int) (address - below.getKey());
        int shared = Math.min(data.length, run.length - at);
        if (!Arrays.equals(run.octets, at, at + shared, data, 0, shared)) return false;
        if (shared < data.length) run.append(data, shared);
        return true;
    }

    /** The general case: joins everything that touches or overlaps the new data. */
    private boolean insert(long address, byte[] data) {
        long start = address;
        long end = address + data.length;
        Map.Entry<Long, Run> below = runs.lowerEntry(address);
        if (below != null && endOf(below) >= address) start = below.getKey();
        List<Map.Entry<Long, Run>> touching =
                new ArrayList<>(runs.subMap(start, true, end, true).entrySet());
        for (Map.Entry<Long, Run> run : touching) {
            if (!agrees(run, address, data)) return false;
            end = Math.max(end, endOf(run));
        }
        byte[] joined = new byte[Math.toIntExact(end - start)];
        for (Map.Entry<Long, Run> run : touching) {
            System.arraycopy(run.getValue().octets, 0, joined, (int) (run.getKey() - start), run.getValue().length);
            runs.remove(run.getKey());
        }
        System.arraycopy(data, 0, joined, (int) (address - start), data.length);
        runs.put(start, new Run(joined));
        return true;
    }

    private static boolean agrees(Map.Entry<Long, Run> run, long address, byte[] data) {
        long from = Math.max(run.getKey(), address);
        long to = Math.min(endOf(run), address + data.length);
        if (from >= to) return true;
        int there = (int) (from - run.getKey());
        int here = (int) (from - address);
        int length = (int) (to - from);
        return Arrays.equals(run.getValue().octets, there, there + length, data, here, here + length);
    }

    private static long endOf(Map.Entry<Long, Run> run) {
        return run.getKey() + run.getValue().length;
    }

    public List<Segment> segments() {
        List<Segment> segments = new ArrayList<>();
        for (Map.Entry<Long, Run> run : runs.entrySet()) {
            Segment last = segments.isEmpty() ? null : segments.getLast();
            if (last != null && last.end() == run.getKey()) {
                segments.set(segments.size() - 1, new Segment(last.start(), last.length() + run.getValue().length));
            } else {
                segments.add(new Segment(run.getKey(), run.getValue().length));
            }
        }
        return segments;
    }

    /** Octets of data, gaps not counted. */
    public long size() {
        return runs.values().stream().mapToLong(run -> run.length).sum();
    }

    /**
     * @throws IllegalArgumentException when the range is not wholly filled
     */
    public Bytes read(long start, int length) {
        Map.Entry<Long, Run> run = runs.floorEntry(start);
        if (run == null || endOf(run) < start + length) {
            throw new IllegalArgumentException("range %08X+%d: not wholly filled".formatted(start, length));
        }
        return Bytes.copyOf(run.getValue().octets, (int) (start - run.getKey()), length);
    }

    /** CRC-32 ISO-HDLC over the data in address order, gaps skipped. */
    public long crc32() {
        CRC32 crc = new CRC32();
        runs.values().forEach(run -> crc.update(run.octets, 0, run.length));
        return crc.getValue();
    }

    /**
     * The same data, each gap between the first and the last address filled.
     *
     * @param octet 0..255
     */
    MemoryImage filled(int octet) {
        List<Segment> all = segments();
        long start = all.getFirst().start();
        byte[] whole = new byte[Math.toIntExact(all.getLast().end() - start)];
        Arrays.fill(whole, (byte) octet);
        runs.forEach((at, run) -> System.arraycopy(run.octets, 0, whole, (int) (at - start), run.length));
        MemoryImage image = new MemoryImage();
        image.runs.put(start, new Run(whole));
        return image;
    }
}

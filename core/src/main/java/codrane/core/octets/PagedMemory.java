package codrane.core.octets;

import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Octets at addresses from 0 on, most of them never written: those have one and the same value. Only pages that were written
 * take room. With a {@link Backing}, a few of them are in the heap and the others there, however many there are.
 */
public final class PagedMemory {
    /** Octets of a page. */
    public static final int PAGE = 1 << 12;

    private static final int PAGES_AT_HAND = 4096;

    /** Where pages lie that are not at hand. */
    public interface Backing {
        /** @param octets {@link #PAGE} of them */
        void save(long page, byte[] octets);

        /** A page that was saved before. */
        void load(long page, byte[] into);
    }

    private static final class Page {
        private final byte[] octets = new byte[PAGE];
        private boolean changed;
    }

    private final Optional<Backing> backing;
    private final int untouched;
    private final Map<Long, Page> atHand;
    private final Set<Long> saved = new HashSet<>();
    private long lastNumber = -1;
    private Page last = new Page();

    /** All in the heap; what was never written is 00. */
    public PagedMemory() {
        backing = Optional.empty();
        untouched = 0;
        atHand = new HashMap<>();
    }

    /** @param untouched value of what was never written, 0..255 */
    public PagedMemory(Backing backing, int untouched) {
        this.backing = Optional.of(backing);
        this.untouched = untouched;
        atHand = new LinkedHashMap<>(16, 0.75f, true);
    }

    public synchronized void write(long address, byte[] octets, int from, int length) {
        for (int done = 0; done < length; ) {
            Page page = page((address + done) / PAGE);
            int at = (int) ((address + done) % PAGE);
            int some = Math.min(PAGE - at, length - done);
            System.arraycopy(octets, from + done, page.octets, at, some);
            page.changed = true;
            done += some;
        }
    }

    public synchronized void read(long address, byte[] into, int length) {
        for (int done = 0; done < length; ) {
            long number = (address + done) / PAGE;
            int at = (int) ((address + done) % PAGE);
            int some = Math.min(PAGE - at, length - done);
            if (written(number)) System.arraycopy(page(number).octets, at, into, done, some);
            else Arrays.fill(into, done, done + some, (byte) untouched);
            done += some;
        }
    }

    private boolean written(long number) {
        return number == lastNumber || atHand.containsKey(number) || saved.contains(number);
    }

    private Page page(long number) {
        if (number == lastNumber) return last;
        Page page = atHand.get(number);
        if (page == null) {
            page = new Page();
            if (saved.contains(number)) backing.orElseThrow().load(number, page.octets);
            else if (untouched != 0) Arrays.fill(page.octets, (byte) untouched);
            makeRoom();
            atHand.put(number, page);
        }
        lastNumber = number;
        last = page;
        return page;
    }

    /** The page that was not used for longest goes to the backing. */
    private void makeRoom() {
        if (backing.isEmpty() || atHand.size() < PAGES_AT_HAND) return;
        Map.Entry<Long, Page> oldest = atHand.entrySet().iterator().next();
        if (oldest.getValue().changed) {
            backing.get().save(oldest.getKey(), oldest.getValue().octets);
            saved.add(oldest.getKey());
        }
        atHand.remove(oldest.getKey());
    }
}

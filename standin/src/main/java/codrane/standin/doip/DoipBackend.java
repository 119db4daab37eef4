package codrane.standin.doip;

import codrane.core.octets.Bytes;
import java.util.function.BiConsumer;

/** What lies behind a DoIP entity. Any thread may ask. */
public interface DoipBackend {
    /** Whether a module has this address, 0..255. */
    boolean knows(int address);

    /** Longest message that any module takes, octets. */
    int longest();

    /** Whether a request of this length gets to where it is sent. */
    boolean carries(int octets, boolean functional);

    /**
     * @param functional to all modules; the address is then of no meaning
     * @param respond takes the address of the module that answers, and each of its messages
     */
    void request(int address, Bytes request, boolean functional, BiConsumer<Integer, Bytes> respond);
}

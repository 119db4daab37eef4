package codrane.link;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackLink.Waits;
import codrane.core.run.Reply;
import java.util.List;

/** Sends requests to modules, one at a time, and waits for the answer. Not for use by several threads at once. */
public interface DiagnosticLink extends AutoCloseable {
    /**
     * Sends a request and awaits its answer, response-pending answers included.
     *
     * @param address diagnostic address of the module, 0..255
     * @param request service identifier first, 1 to 4095 octets
     * @throws LinkLostException when the link itself is gone; what became of the request is then unknown
     */
    Reply request(int address, Bytes request, Waits waits);

    /**
     * Sends a request to all modules at once and collects what comes: modules that refuse because they don't know what
     * was asked stay silent.
     *
     * @param request short enough for one frame: 1 to 7 octets on classic CAN
     * @return answers in the order they came
     * @throws LinkLostException when the link itself is gone
     * @throws IllegalArgumentException when the request is too long
     */
    List<Heard> requestAll(Bytes request, Waits waits);

    /**
     * One module's answer to a functional request.
     *
     * @param address diagnostic address of the module
     */
    record Heard(int address, Reply reply) {}

    /**
     * Sends a request that is not answered, such as {@code 3E 80}.
     *
     * @throws LinkLostException when the link itself is gone
     */
    void tell(int address, Bytes request);

    /** Whether the link is gone for good: another must be opened in its place. */
    boolean lost();

    @Override
    void close();
}

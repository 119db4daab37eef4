package codrane.link.doip;

import codrane.core.octets.Bytes;

/** Sees every DoIP message of a connection. */
@FunctionalInterface
public interface DoipTap {
    DoipTap NONE = (fromTester, message, nanos) -> {};

    /**
     * @param message header included
     * @param nanos of the machine's clock
     */
    void message(boolean fromTester, Bytes message, long nanos);
}

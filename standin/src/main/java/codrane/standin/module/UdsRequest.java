package codrane.standin.module;

import codrane.core.octets.Bytes;
import codrane.core.uds.Service;

/**
 * A request as it came.
 *
 * @param message service identifier first, at least one octet
 * @param functional sent to all modules
 */
record UdsRequest(Bytes message, boolean functional) {
    int sid() {
        return message.u8(0);
    }

    int length() {
        return message.length();
    }

    /** The sub-function without its suppress bit. */
    int subFunction() {
        return message.u8(1) & ~Service.SUPPRESS;
    }

    boolean suppressed() {
        return Service.suppressed(message);
    }

    int u8(int index) {
        return message.u8(index);
    }

    int u16(int index) {
        return message.u16(index);
    }

    Bytes from(int index) {
        return message.from(index);
    }
}

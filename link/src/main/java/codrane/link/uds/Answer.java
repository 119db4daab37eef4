package codrane.link.uds;

import codrane.core.octets.Bytes;
import codrane.core.run.Reply;
import codrane.core.uds.ResponseCode;

/** What a message that arrived is to the request that waits. Source: unchecked (ISO 14229-1, negative responses). */
public sealed interface Answer {
    record Final(Reply reply) implements Answer {}

    /** The module is still working: the extended time starts anew. */
    record Pending() implements Answer {}

    /** Belongs to another request. */
    record Foreign() implements Answer {}

    static Answer judge(Bytes request, Bytes message) {
        int service = request.u8(0);
        if (message.isEmpty()) return new Foreign();
        if (message.u8(0) == (service | 0x40))
            return echoes(request, message) ? new Final(new Reply.Positive(message)) : new Foreign();
        boolean negative = message.length() == 3 && message.u8(0) == 0x7F && message.u8(1) == service;
        if (!negative) return new Foreign();
        ResponseCode code = new ResponseCode(message.u8(2));
        return code.is(ResponseCode.Known.RESPONSE_PENDING) ? new Pending() : new Final(new Reply.Refused(code));
    }

    /** A late answer about another data identifier, or another routine, is not the answer to this request. */
    private static boolean echoes(Bytes request, Bytes message) {
        int echoed = switch (request.u8(0)) {
            case 0x22 -> request.length() == 3 ? 2 : 0; // of several identifiers, a module may leave some out
            case 0x2E -> 2; // data identifier
            case 0x31 -> 3; // control type, routine identifier
            default -> 0;
        };
        if (message.length() < 1 + echoed) return false;
        for (int at = 1; at <= echoed; at++) if (message.u8(at) != request.u8(at)) return false;
        return true;
    }
}

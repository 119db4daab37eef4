package codrane.link.uds;

import codrane.core.octets.Bytes;
import codrane.core.run.Reply;
import codrane.core.uds.ResponseCode;
import codrane.core.uds.UdsExchange;
import codrane.core.uds.UdsResponse;

/** What a message that arrived is to the request that waits. Source: unchecked (ISO 14229-1, negative responses). */
public sealed interface Answer {
    record Final(Reply reply) implements Answer {}

    /** The module is still working: the extended time starts anew. */
    record Pending() implements Answer {}

    /** Belongs to another request. */
    record Foreign() implements Answer {}

    static Answer judge(Bytes request, Bytes message) {
        UdsResponse response = UdsResponse.of(message);
        if (!UdsExchange.belongs(request, response)) return new Foreign();
        if (!(response instanceof UdsResponse.NegativeResponse(int service, ResponseCode code)))
            return new Final(new Reply.Positive(message));
        return code.is(ResponseCode.Known.RESPONSE_PENDING) ? new Pending() : new Final(new Reply.Refused(code));
    }
}

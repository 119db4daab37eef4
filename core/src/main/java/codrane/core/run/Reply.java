package codrane.core.run;

import codrane.core.octets.Bytes;
import codrane.core.uds.ResponseCode;
import codrane.core.uds.UdsResponse;
import java.time.Duration;

/** What became of one request. */
public sealed interface Reply {
    /** @param message the whole positive response, service identifier first */
    record Positive(Bytes message) implements Reply {
        /** What the message says. */
        public UdsResponse response() {
            return UdsResponse.of(message);
        }
    }

    record Refused(ResponseCode code) implements Reply {}

    /** @param waited how long nothing came */
    record Silent(Duration waited) implements Reply {}
}

package codrane.link.doip;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult;
import codrane.core.octets.DecodeResult.Decoded;
import codrane.core.octets.DecodeResult.Malformed;
import codrane.core.octets.WireReader;

/** The DoIP messages of a diagnostic connection. Source: unchecked (ISO 13400-2, payload types). */
public sealed interface DoipMessage {
    int VERSION = 0x02;
    int HEADER_OCTETS = 8;

    /** @param code 0..255: 00 wrong pattern, 01 unknown type, 02 too large, 04 wrong length */
    record HeaderNegative(int code) implements DoipMessage {}

    /** @param activation 0..255: 00 default */
    record RoutingRequest(int source, int activation) implements DoipMessage {}

    /** @param code 0..255: 10 activated, 00 unknown source, 06 activation type not supported */
    record RoutingResponse(int tester, int entity, int code) implements DoipMessage {
        public static final int ACTIVATED = 0x10;
    }

    record AliveRequest() implements DoipMessage {}

    record AliveResponse(int source) implements DoipMessage {}

    /** @param userData the UDS message, at least one octet */
    record Diagnostic(int source, int target, Bytes userData) implements DoipMessage {}

    record DiagnosticAck(int source, int target) implements DoipMessage {}

    /** @param code 0..255: 02 source invalid, 03 unknown target, 04 too large, 06 target unreachable */
    record DiagnosticNegative(int source, int target, int code) implements DoipMessage {}

    /** The generic header: payload type 0..0xFFFF and payload length 0..2^32-1. */
    record Header(int type, long length) {}

    private int type() {
        return switch (this) {
            case HeaderNegative m -> 0x0000;
            case RoutingRequest m -> 0x0005;
            case RoutingResponse m -> 0x0006;
            case AliveRequest m -> 0x0007;
            case AliveResponse m -> 0x0008;
            case Diagnostic m -> 0x8001;
            case DiagnosticAck m -> 0x8002;
            case DiagnosticNegative m -> 0x8003;
        };
    }

    private Bytes payload() {
        return switch (this) {
            case HeaderNegative(int code) -> Bytes.of(code);
            case RoutingRequest(int source, int activation) -> u16(source).plus(Bytes.of(activation, 0, 0, 0, 0));
            case RoutingResponse(int tester, int entity, int code) ->
                u16(tester).plus(u16(entity)).plus(Bytes.of(code, 0, 0, 0, 0));
            case AliveRequest() -> Bytes.EMPTY;
            case AliveResponse(int source) -> u16(source);
            case Diagnostic(int source, int target, Bytes data) ->
                u16(source).plus(u16(target)).plus(data);
            case DiagnosticAck(int source, int target) ->
                u16(source).plus(u16(target)).plus(Bytes.of(0));
            case DiagnosticNegative(int source, int target, int code) ->
                u16(source).plus(u16(target)).plus(Bytes.of(code));
        };
    }

    default Bytes encode() {
        Bytes payload = payload();
        int length = payload.length();
        return Bytes.of(
                        VERSION,
                        VERSION ^ 0xFF,
                        type() >> 8,
                        type() & 0xFF,
                        length >>> 24,
                        length >> 16 & 0xFF,
                        length >> 8 & 0xFF,
                        length & 0xFF)
                .plus(payload);
    }

    /** @param octets the eight octets of a header */
    static DecodeResult<Header> decodeHeader(Bytes octets) {
        return DecodeResult.read(octets, in -> {
            in.expectU8("version", VERSION);
            in.expectU8("inverse version", VERSION ^ 0xFF);
            return new Header(in.u16("payload type"), in.u32("payload length"));
        });
    }

    static DecodeResult<DoipMessage> decode(Bytes message) {
        if (message.length() < HEADER_OCTETS) {
            return new Malformed<>(message.length(), "header of 8 octets", message.length() + " octets");
        }
        return switch (decodeHeader(message.slice(0, HEADER_OCTETS))) {
            case Malformed<Header>(int offset, String expected, String found) ->
                new Malformed<>(offset, expected, found);
            case Decoded<Header>(Header header) -> {
                Bytes payload = message.from(HEADER_OCTETS);
                if (payload.length() != header.length()) {
                    yield new Malformed<>(4, "length " + payload.length(), String.valueOf(header.length()));
                }
                yield decodePayload(header.type(), payload);
            }
        };
    }

    /** @param payload of the length that the header gave */
    static DecodeResult<DoipMessage> decodePayload(int type, Bytes payload) {
        return DecodeResult.read(payload, in -> switch (type) {
            case 0x0000 -> new HeaderNegative(in.u8("code"));
            case 0x0005 -> routingRequest(in);
            case 0x0006 -> routingResponse(in);
            case 0x0007 -> new AliveRequest();
            case 0x0008 -> new AliveResponse(in.u16("source"));
            case 0x8001 -> {
                int source = in.u16("source");
                int target = in.u16("target");
                in.check(in.remaining() > 0, 0, "user data", "none");
                yield new Diagnostic(source, target, in.rest());
            }
            case 0x8002 -> {
                DiagnosticAck ack = new DiagnosticAck(in.u16("source"), in.u16("target"));
                in.u8("code");
                in.rest(); // the previous message may follow
                yield ack;
            }
            case 0x8003 -> {
                DiagnosticNegative negative = new DiagnosticNegative(in.u16("source"), in.u16("target"), in.u8("code"));
                in.rest();
                yield negative;
            }
            default -> {
                in.check(false, 0, "known payload type", "%04X".formatted(type));
                throw new IllegalStateException();
            }
        });
    }

    private static RoutingRequest routingRequest(WireReader in) {
        RoutingRequest request = new RoutingRequest(in.u16("source"), in.u8("activation type"));
        in.u32("reserved");
        if (in.remaining() > 0) in.u32("for the maker");
        return request;
    }

    private static RoutingResponse routingResponse(WireReader in) {
        RoutingResponse response = new RoutingResponse(in.u16("tester"), in.u16("entity"), in.u8("code"));
        in.u32("reserved");
        if (in.remaining() > 0) in.u32("for the maker");
        return response;
    }

    private static Bytes u16(int value) {
        return Bytes.of(value >> 8, value & 0xFF);
    }
}

package codrane.link.doip;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult;
import codrane.core.octets.DecodeResult.Decoded;
import codrane.core.octets.DecodeResult.Malformed;
import codrane.core.octets.WireReader;
import java.util.Optional;

/** The DoIP messages. Source: unchecked (ISO 13400-2, payload types). */
public sealed interface DoipMessage {
    /** Of the edition of 2012. */
    int VERSION = 0x02;

    /** In vehicle identification requests, when the tester does not know the entity's version. */
    int DEFAULT_VERSION = 0xFF;

    int HEADER_OCTETS = 8;

    /** @param code 00 wrong pattern, 01 unknown type, 02 too large, 03 out of memory, 04 wrong length */
    record GenericHeaderNegativeAcknowledge(int code) implements DoipMessage {}

    record VehicleIdentificationRequest() implements DoipMessage {}

    /** @param eid entity identification, six octets */
    record VehicleIdentificationRequestWithEid(Bytes eid) implements DoipMessage {}

    /** @param vin seventeen octets, ASCII */
    record VehicleIdentificationRequestWithVin(Bytes vin) implements DoipMessage {}

    /**
     * Also the answer to identification requests.
     *
     * @param vin seventeen octets, ASCII; FF or 00 when the entity has none
     * @param eid six octets
     * @param gid group identification, six octets
     * @param furtherAction 00 none, 10 routing activation for central security
     * @param syncStatus 00 synchronised, 10 not yet; absent: not told
     */
    record VehicleAnnouncement(
            Bytes vin, int logicalAddress, Bytes eid, Bytes gid, int furtherAction, Optional<Integer> syncStatus)
            implements DoipMessage {}

    /** @param activation 00 default, 01 legislated, E0 central security */
    record RoutingActivationRequest(int source, int activation) implements DoipMessage {}

    /**
     * @param code 10 activated, 00 unknown source, 01 no socket free, 02 other source on this socket, 03 source active
     *     on another socket, 04 authentication missing, 06 activation type not supported
     */
    record RoutingActivationResponse(int tester, int entity, int code) implements DoipMessage {
        public static final int ACTIVATED = 0x10;
    }

    record AliveCheckRequest() implements DoipMessage {}

    record AliveCheckResponse(int source) implements DoipMessage {}

    record DoipEntityStatusRequest() implements DoipMessage {}

    /**
     * @param nodeType 0 gateway, 1 node
     * @param mostSockets testers at once
     * @param openSockets testers now
     * @param mostOctets of one request's user data
     */
    record DoipEntityStatusResponse(int nodeType, int mostSockets, int openSockets, long mostOctets)
            implements DoipMessage {}

    record DiagnosticPowerModeInformationRequest() implements DoipMessage {}

    /** @param mode 00 not ready, 01 ready, 02 not supported */
    record DiagnosticPowerModeInformationResponse(int mode) implements DoipMessage {}

    /** @param userData the UDS message, at least one octet */
    record DiagnosticMessage(int source, int target, Bytes userData) implements DoipMessage {}

    record DiagnosticMessagePositiveAcknowledge(int source, int target) implements DoipMessage {}

    /**
     * @param code 02 source invalid, 03 unknown target, 04 too large, 05 out of memory, 06 target unreachable, 07 unknown
     *     network, 08 transport protocol error
     */
    record DiagnosticMessageNegativeAcknowledge(int source, int target, int code) implements DoipMessage {}

    /** The generic header: payload type 0..0xFFFF and payload length 0..2^32-1. */
    record Header(int type, long length) {}

    private int type() {
        return switch (this) {
            case GenericHeaderNegativeAcknowledge m -> 0x0000;
            case VehicleIdentificationRequest m -> 0x0001;
            case VehicleIdentificationRequestWithEid m -> 0x0002;
            case VehicleIdentificationRequestWithVin m -> 0x0003;
            case VehicleAnnouncement m -> 0x0004;
            case RoutingActivationRequest m -> 0x0005;
            case RoutingActivationResponse m -> 0x0006;
            case AliveCheckRequest m -> 0x0007;
            case AliveCheckResponse m -> 0x0008;
            case DoipEntityStatusRequest m -> 0x4001;
            case DoipEntityStatusResponse m -> 0x4002;
            case DiagnosticPowerModeInformationRequest m -> 0x4003;
            case DiagnosticPowerModeInformationResponse m -> 0x4004;
            case DiagnosticMessage m -> 0x8001;
            case DiagnosticMessagePositiveAcknowledge m -> 0x8002;
            case DiagnosticMessageNegativeAcknowledge m -> 0x8003;
        };
    }

    private Bytes payload() {
        return switch (this) {
            case GenericHeaderNegativeAcknowledge(int code) -> Bytes.of(code);
            case VehicleIdentificationRequest m -> Bytes.EMPTY;
            case VehicleIdentificationRequestWithEid(Bytes eid) -> eid;
            case VehicleIdentificationRequestWithVin(Bytes vin) -> vin;
            case VehicleAnnouncement m ->
                m.vin()
                        .plus(u16(m.logicalAddress()))
                        .plus(m.eid())
                        .plus(m.gid())
                        .plus(Bytes.of(m.furtherAction()))
                        .plus(m.syncStatus().map(Bytes::of).orElse(Bytes.EMPTY));
            case RoutingActivationRequest(int source, int activation) ->
                u16(source).plus(Bytes.of(activation, 0, 0, 0, 0));
            case RoutingActivationResponse(int tester, int entity, int code) ->
                u16(tester).plus(u16(entity)).plus(Bytes.of(code, 0, 0, 0, 0));
            case AliveCheckRequest() -> Bytes.EMPTY;
            case AliveCheckResponse(int source) -> u16(source);
            case DoipEntityStatusRequest() -> Bytes.EMPTY;
            case DoipEntityStatusResponse m ->
                Bytes.of(m.nodeType(), m.mostSockets(), m.openSockets())
                        .plus(u16((int) (m.mostOctets() >> 16)))
                        .plus(u16((int) (m.mostOctets() & 0xFFFF)));
            case DiagnosticPowerModeInformationRequest() -> Bytes.EMPTY;
            case DiagnosticPowerModeInformationResponse(int mode) -> Bytes.of(mode);
            case DiagnosticMessage(int source, int target, Bytes data) ->
                Bytes.of(source >> 8, source & 0xFF, target >> 8, target & 0xFF).plus(data);
            case DiagnosticMessagePositiveAcknowledge(int source, int target) ->
                u16(source).plus(u16(target)).plus(Bytes.of(0));
            case DiagnosticMessageNegativeAcknowledge(int source, int target, int code) ->
                u16(source).plus(u16(target)).plus(Bytes.of(code));
        };
    }

    default Bytes encode() {
        if (this
                instanceof
                DiagnosticMessage(int source, int target, Bytes data)) { // the long ones are copied once only
            return Bytes.join(header(4 + data.length()), u16(source), u16(target), data);
        }
        Bytes payload = payload();
        return Bytes.join(header(payload.length()), payload);
    }

    private Bytes header(int length) {
        return Bytes.of(
                VERSION,
                VERSION ^ 0xFF,
                type() >> 8,
                type() & 0xFF,
                length >>> 24,
                length >> 16 & 0xFF,
                length >> 8 & 0xFF,
                length & 0xFF);
    }

    /** @param octets the eight octets of a header */
    static DecodeResult<Header> decodeHeader(Bytes octets) {
        return DecodeResult.read(octets, in -> {
            int version = in.u8("version");
            int inverse = in.u8("inverse version");
            Header header = new Header(in.u16("payload type"), in.u32("payload length"));
            boolean asks = header.type() >= 0x0001 && header.type() <= 0x0003;
            boolean known = version == VERSION || version == DEFAULT_VERSION && asks;
            in.check(known, 8, "version 02", "%02X".formatted(version));
            in.check(inverse == (version ^ 0xFF), 7, "inverse version", "%02X".formatted(inverse));
            return header;
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

    /** Whether the payload type is one of these messages. */
    static boolean knows(int type) {
        return type >= 0x0000 && type <= 0x0008 || type >= 0x4001 && type <= 0x4004 || type >= 0x8001 && type <= 0x8003;
    }

    /** @param payload of the length that the header gave */
    static DecodeResult<DoipMessage> decodePayload(int type, Bytes payload) {
        return DecodeResult.read(payload, in -> switch (type) {
            case 0x0000 -> new GenericHeaderNegativeAcknowledge(in.u8("code"));
            case 0x0001 -> new VehicleIdentificationRequest();
            case 0x0002 -> new VehicleIdentificationRequestWithEid(in.bytes("eid", 6));
            case 0x0003 -> new VehicleIdentificationRequestWithVin(in.bytes("vin", 17));
            case 0x0004 -> announcement(in);
            case 0x0005 -> routingRequest(in);
            case 0x0006 -> routingResponse(in);
            case 0x0007 -> new AliveCheckRequest();
            case 0x0008 -> new AliveCheckResponse(in.u16("source"));
            case 0x4001 -> new DoipEntityStatusRequest();
            case 0x4002 ->
                new DoipEntityStatusResponse(
                        in.u8("node type"),
                        in.u8("most sockets"),
                        in.u8("open sockets"),
                        in.remaining() > 0 ? in.u32("most octets") : 0);
            case 0x4003 -> new DiagnosticPowerModeInformationRequest();
            case 0x4004 -> new DiagnosticPowerModeInformationResponse(in.u8("power mode"));
            case 0x8001 -> {
                int source = in.u16("source");
                int target = in.u16("target");
                in.check(in.remaining() > 0, 0, "user data", "none");
                yield new DiagnosticMessage(source, target, in.rest());
            }
            case 0x8002 -> {
                DiagnosticMessagePositiveAcknowledge ack =
                        new DiagnosticMessagePositiveAcknowledge(in.u16("source"), in.u16("target"));
                in.u8("code");
                in.rest(); // the previous message may follow
                yield ack;
            }
            case 0x8003 -> {
                DiagnosticMessageNegativeAcknowledge negative =
                        new DiagnosticMessageNegativeAcknowledge(in.u16("source"), in.u16("target"), in.u8("code"));
                in.rest();
                yield negative;
            }
            default -> {
                in.check(false, 0, "known payload type", "%04X".formatted(type));
                throw new IllegalStateException();
            }
        });
    }

    private static VehicleAnnouncement announcement(WireReader in) {
        Bytes vin = in.bytes("vin", 17);
        int address = in.u16("logical address");
        Bytes eid = in.bytes("eid", 6);
        Bytes gid = in.bytes("gid", 6);
        int action = in.u8("further action");
        return new VehicleAnnouncement(
                vin,
                address,
                eid,
                gid,
                action,
                in.remaining() > 0 ? Optional.of(in.u8("sync status")) : Optional.empty());
    }

    private static RoutingActivationRequest routingRequest(WireReader in) {
        RoutingActivationRequest request = new RoutingActivationRequest(in.u16("source"), in.u8("activation type"));
        in.u32("reserved");
        if (in.remaining() > 0) in.u32("for the maker");
        return request;
    }

    private static RoutingActivationResponse routingResponse(WireReader in) {
        RoutingActivationResponse response =
                new RoutingActivationResponse(in.u16("tester"), in.u16("entity"), in.u8("code"));
        in.u32("reserved");
        if (in.remaining() > 0) in.u32("for the maker");
        return response;
    }

    private static Bytes u16(int value) {
        return Bytes.of(value >> 8 & 0xFF, value & 0xFF);
    }
}

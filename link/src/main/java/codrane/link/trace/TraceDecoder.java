package codrane.link.trace;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult.Decoded;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackModule;
import codrane.core.uds.MessageText;
import codrane.link.can.CanFrame;
import codrane.link.doip.DoipLink;
import codrane.link.doip.DoipMessage;
import codrane.link.doip.DoipMessage.Diagnostic;
import codrane.link.doip.DoipMessage.DiagnosticAck;
import codrane.link.trace.TraceLine.Kind;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Turns a trace into messages with their modules and words. Acknowledgements and flow controls are left out. */
public final class TraceDecoder {
    private final Pack pack;
    private final MessageText text;
    private final Map<Integer, Channel> channels = new HashMap<>();
    private final List<TraceLine> lines = new ArrayList<>();
    private long last;

    /** Frames of one identifier. */
    private record Channel(String module, boolean fromTester, MessageAssembly assembly) {}

    private TraceDecoder(Pack pack) {
        this.pack = pack;
        text = new MessageText(pack.identifierNames());
        if (pack.link() instanceof PackLink.Can can) addChannels(can);
    }

    private void addChannels(PackLink.Can can) {
        for (PackModule module : pack.modules().values()) {
            channel(can.requestId(module.address()), module.title(), true);
            channel(can.responseId(module.address()), module.title(), false);
            module.obd().ifPresent(obd -> {
                channel(can.legislatedRequestId(obd.index()), module.title(), true);
                channel(can.legislatedResponseId(obd.index()), module.title(), false);
            });
        }
        channel(can.functionalId(), "All modules", true);
        channel(can.legislatedFunctionalId(), "All modules", true);
    }

    private void channel(int id, String module, boolean fromTester) {
        channels.put(id, new Channel(module, fromTester, new MessageAssembly()));
    }

    /** Messages in the order in which they were complete. */
    public static List<TraceLine> decode(Pack pack, List<TraceEvent> events) {
        TraceDecoder decoder = new TraceDecoder(pack);
        long start = events.isEmpty() ? 0 : events.getFirst().nanos();
        for (TraceEvent event : events) {
            long nanos = event.nanos() - start;
            switch (event) {
                case TraceEvent.Frame(CanFrame frame, long at) -> decoder.frame(frame, nanos);
                case TraceEvent.Doip(boolean fromTester, Bytes message, long at) ->
                    decoder.doip(fromTester, message, nanos);
            }
        }
        return decoder.lines;
    }

    private void frame(CanFrame frame, long nanos) {
        Channel channel = channels.get(frame.id());
        if (channel == null) {
            add(
                    nanos,
                    "%03X".formatted(frame.id()),
                    true,
                    Kind.BROKEN,
                    "not of this vehicle's diagnostics",
                    frame.data(),
                    1);
            return;
        }
        channel.assembly()
                .take(frame)
                .ifPresent(message -> add(
                        nanos,
                        channel.module(),
                        channel.fromTester(),
                        message.broken() ? Kind.BROKEN : kind(message.data()),
                        message.broken() ? "not a whole message" : text.of(message.data()),
                        message.data(),
                        message.frames()));
    }

    private void doip(boolean fromTester, Bytes octets, long nanos) {
        if (!(DoipMessage.decode(octets) instanceof Decoded<DoipMessage> decoded)) {
            add(nanos, "DoIP", fromTester, Kind.BROKEN, "not a DoIP message", octets, 1);
            return;
        }
        DoipMessage message = decoded.value();
        switch (message) {
            case Diagnostic(int source, int target, Bytes data) ->
                add(nanos, module(fromTester ? target : source), fromTester, kind(data), text.of(data), data, 1);
            case DiagnosticAck ack -> {}
            default ->
                add(
                        nanos,
                        "DoIP",
                        fromTester,
                        kind(message),
                        words(message),
                        octets.from(DoipMessage.HEADER_OCTETS),
                        1);
        }
    }

    /** By the service identifier (ISO 14229-1 table 2) of a message. */
    private static Kind kind(Bytes message) {
        if (message.isEmpty()) return Kind.BROKEN;
        return switch (message.u8(0)) {
            case 0x7F -> Kind.REFUSED;
            case 0x36, 0x76, 0x3E, 0x7E -> Kind.ROUTINE;
            default -> Kind.MESSAGE;
        };
    }

    private static Kind kind(DoipMessage message) {
        return switch (message) {
            case DoipMessage.DiagnosticNegative m -> Kind.BROKEN;
            case DoipMessage.HeaderNegative m -> Kind.BROKEN;
            default -> Kind.MESSAGE;
        };
    }

    private static String words(DoipMessage message) {
        return switch (message) {
            case DoipMessage.RoutingRequest m -> "Routing activation";
            case DoipMessage.RoutingResponse m -> "Routing activation answered: %02X".formatted(m.code());
            case DoipMessage.DiagnosticNegative m -> "Not delivered: %02X".formatted(m.code());
            case DoipMessage.AliveRequest m -> "Alive check";
            case DoipMessage.AliveResponse m -> "Alive check answered";
            case DoipMessage.HeaderNegative m -> "Header not accepted: %02X".formatted(m.code());
            default -> "DoIP " + message.getClass().getSimpleName();
        };
    }

    private String module(int logicalAddress) {
        if (logicalAddress == DoipLink.FUNCTIONAL) return "All modules";
        PackLink.Doip doip = pack.link() instanceof PackLink.Doip own ? own : PackLink.Doip.STANDARD;
        return pack.modules().values().stream()
                .filter(m -> doip.logicalAddress(m.address()) == logicalAddress)
                .map(PackModule::title)
                .findFirst()
                .orElse("%04X".formatted(logicalAddress));
    }

    private void add(long nanos, String module, boolean fromTester, Kind kind, String words, Bytes data, int frames) {
        lines.add(new TraceLine(nanos, nanos - last, module, fromTester, kind, words, data, frames));
        last = nanos;
    }
}

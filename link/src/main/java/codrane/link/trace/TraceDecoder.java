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
import codrane.link.doip.DoipMessage.DiagnosticMessage;
import codrane.link.doip.DoipMessage.DiagnosticMessagePositiveAcknowledge;
import codrane.link.isotp.IsoTpAddressing;
import codrane.link.trace.TraceLine.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Turns a trace into messages with their modules and words. Acknowledgements and flow controls are left out. */
public final class TraceDecoder {
    private final Pack pack;
    private final MessageText text;
    private final List<Channel> channels = new ArrayList<>();
    private final List<TraceLine> lines = new ArrayList<>();
    private long last;

    /** Frames of one conversation in one direction. */
    private record Channel(IsoTpAddressing receiver, String module, boolean fromTester, MessageAssembly assembly) {}

    private TraceDecoder(Pack pack) {
        this.pack = pack;
        text = new MessageText(pack.identifierNames());
        if (pack.link() instanceof PackLink.Can can) addChannels(can);
    }

    private void addChannels(PackLink.Can can) {
        for (PackModule module : pack.modules().values()) {
            conversation(IsoTpAddressing.toModule(can, module.address()), module.title());
            module.obd()
                    .ifPresent(obd ->
                            conversation(IsoTpAddressing.toModule(can.legislated(), obd.index()), module.title()));
        }
        channel(IsoTpAddressing.toAll(can).reversed(), "All modules", true);
        channel(IsoTpAddressing.toAll(can.legislated()).reversed(), "All modules", true);
    }

    private void conversation(IsoTpAddressing tester, String module) {
        channel(tester.reversed(), module, true);
        channel(tester, module, false);
    }

    private void channel(IsoTpAddressing receiver, String module, boolean fromTester) {
        channels.add(new Channel(receiver, module, fromTester, new MessageAssembly(receiver.prefix())));
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
        Optional<Channel> found =
                channels.stream().filter(c -> c.receiver().isForUs(frame)).findFirst();
        if (found.isEmpty()) {
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
        Channel channel = found.get();
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
            case DiagnosticMessage(int source, int target, Bytes data) ->
                add(nanos, module(fromTester ? target : source), fromTester, kind(data), text.of(data), data, 1);
            case DiagnosticMessagePositiveAcknowledge ack -> {}
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
            case DoipMessage.DiagnosticMessageNegativeAcknowledge m -> Kind.BROKEN;
            case DoipMessage.GenericHeaderNegativeAcknowledge m -> Kind.BROKEN;
            default -> Kind.MESSAGE;
        };
    }

    private static String words(DoipMessage message) {
        return switch (message) {
            case DoipMessage.RoutingActivationRequest m -> "Routing activation";
            case DoipMessage.RoutingActivationResponse m -> "Routing activation answered: %02X".formatted(m.code());
            case DoipMessage.DiagnosticMessageNegativeAcknowledge m -> "Not delivered: %02X".formatted(m.code());
            case DoipMessage.AliveCheckRequest m -> "Alive check";
            case DoipMessage.AliveCheckResponse m -> "Alive check answered";
            case DoipMessage.GenericHeaderNegativeAcknowledge m -> "Header not accepted: %02X".formatted(m.code());
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

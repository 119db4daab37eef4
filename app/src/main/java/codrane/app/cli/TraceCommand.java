package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.pack.Pack;
import codrane.link.trace.PcapngWriter;
import codrane.link.trace.TraceEvent;
import codrane.link.trace.TraceRing;
import codrane.link.trace.TraceText;
import codrane.standin.Conditions;
import codrane.standin.Scenes;
import codrane.standin.VirtualWorkshop;
import codrane.standin.vehicle.Setup;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

/** {@code trace --pack NAME --what scan|program|unlock|transfer --out FILE.pcapng|FILE.txt [--module M] [--json]}. */
final class TraceCommand {
    private static final int MOST_EVENTS = 2_000_000;
    private static final long MOST_OCTETS = 256L << 20;

    private TraceCommand() {}

    static int run(Arguments arguments, Output output) throws IOException {
        arguments.take(1);
        Pack pack = PackFiles.named(arguments.needed("--pack"));
        String what = arguments.needed("--what");
        Path file = Path.of(arguments.needed("--out"));
        String module = arguments.option("--module").orElseGet(() -> programmable(pack));
        arguments.end();
        TraceRing trace = new TraceRing(MOST_EVENTS, MOST_OCTETS);
        VirtualWorkshop workshop = new VirtualWorkshop(setup(pack, what), trace);
        Scenes.End end = play(what, new Scenes(workshop), pack, module);
        List<TraceEvent> events = trace.events();
        write(file, events);
        Map<String, Object> object = Output.object("trace");
        object.put("file", file.toString());
        object.put("frames", events.size());
        object.put("dropped", trace.dropped());
        object.put("simulatedMs", workshop.time().now() / 1_000_000);
        object.put("busyMs", workshop.hasBus() ? workshop.bus().busyNanos() / 1_000_000 : 0);
        object.put("end", end.sentence());
        output.result(
                object,
                file + ": " + events.size() + " frames, " + workshop.time().now() / 1_000_000 + " ms. "
                        + end.sentence());
        return end.good() ? Main.GOOD : Main.FOUND;
    }

    /** To be unlocked, the vehicle must be of a year that has a gateway. */
    private static Setup setup(Pack pack, String what) {
        Setup standard = Conditions.standard(pack);
        boolean gated = pack.hasGateway(standard.vin());
        return what.equals("unlock") && !gated ? Setup.healthy(pack, Conditions.gated(pack)) : standard;
    }

    private static Scenes.End play(String what, Scenes scenes, Pack pack, String module) {
        return switch (what) {
            case "identify", "scan" -> scenes.scan();
            case "unlock" -> {
                if (pack.gateway().isEmpty()) throw new UsageException("--what: this pack's vehicles have no gateway");
                yield scenes.unlock();
            }
            case "program", "transfer" -> {
                boolean can = pack.modules().containsKey(module)
                        && pack.module(module).flash().isPresent();
                if (!can) throw new UsageException("--module: " + module + " can't be programmed");
                yield what.equals("program") ? scenes.program(module) : scenes.transfer(module);
            }
            default -> throw new UsageException("--what: " + what + " (expected scan, program, unlock or transfer)");
        };
    }

    /** The tail lift where there is one, else the first module that can be programmed. */
    private static String programmable(Pack pack) {
        if (pack.modules().containsKey("tail-lift")) return "tail-lift";
        return pack.modules().values().stream()
                .filter(m -> m.flash().isPresent())
                .map(m -> m.id())
                .findFirst()
                .orElse("");
    }

    private static void write(Path file, List<TraceEvent> events) throws IOException {
        if (file.toString().endsWith(".txt")) {
            StringBuilder text = new StringBuilder();
            TraceText.write(events, text);
            Files.writeString(file, text);
            return;
        }
        try (PcapngWriter writer = new PcapngWriter(new BufferedOutputStream(Files.newOutputStream(file)))) {
            writer.write(events);
        }
    }
}

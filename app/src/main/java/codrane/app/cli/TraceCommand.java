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
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** {@code trace --pack NAME --what scan|program|unlock|transfer --out FILE.pcapng|FILE.txt [--module M] [--json]}. */
@Command(name = "trace", description = "Plays a piece of work in virtual time and writes what was on the wire.")
final class TraceCommand extends Asked {
    private static final int MOST_EVENTS = 2_000_000;
    private static final long MOST_OCTETS = 256L << 20;

    @Option(names = "--pack", paramLabel = "NAME", required = true)
    private String packName;

    @Option(names = "--what", required = true, description = "scan, program, unlock or transfer")
    private String what;

    @Option(names = "--out", paramLabel = "FILE", required = true, description = "ends in .pcapng or .txt")
    private String out;

    @Option(names = "--module", paramLabel = "M")
    private Optional<String> moduleName = Optional.empty();

    private record Told(String file, int frames, long dropped, long simulatedMs, long busyMs, String end) {}

    @Override
    public Integer call() throws IOException {
        Pack pack = PackFiles.named(packName);
        Path file = InputFile.path(out);
        TraceRing trace = new TraceRing(MOST_EVENTS, MOST_OCTETS);
        VirtualWorkshop workshop = new VirtualWorkshop(setup(pack, what), trace);
        Scenes.End end = play(what, new Scenes(workshop), pack, moduleName.orElseGet(() -> programmable(pack)));
        List<TraceEvent> events = trace.events();
        write(file, events);
        Told told = new Told(
                file.toString(),
                events.size(),
                trace.dropped(),
                workshop.time().now() / 1_000_000,
                workshop.hasBus() ? workshop.bus().busyNanos() / 1_000_000 : 0,
                end.sentence());
        String text = file + ": " + told.frames() + " frames, " + told.simulatedMs() + " ms. " + end.sentence();
        output().result("trace", told, text);
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
                if (!can) throw new UsageException("--module: " + InputFile.quoted(module) + " can't be programmed");
                yield what.equals("program") ? scenes.program(module) : scenes.transfer(module);
            }
            default ->
                throw new UsageException(
                        "--what: " + InputFile.quoted(what) + " (expected scan, program, unlock or transfer)");
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

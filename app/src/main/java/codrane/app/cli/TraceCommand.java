package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLink;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;
import codrane.link.scan.VehicleScanner;
import codrane.link.trace.PcapngWriter;
import codrane.standin.Conditions;
import codrane.standin.VirtualWorkshop;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;

/** {@code trace --pack NAME --what identify|program --out FILE.pcapng [--module M] [--json]}. */
final class TraceCommand {
    private TraceCommand() {}

    static int run(Arguments arguments, Output output) throws IOException {
        arguments.take(1);
        Pack pack = PackFiles.named(arguments.needed("--pack"));
        String what = arguments.needed("--what");
        Path file = Path.of(arguments.needed("--out"));
        String module = arguments.option("--module").orElse("tail-lift");
        arguments.end();
        if (!(pack.link() instanceof PackLink.Can))
            throw new UsageException("--pack: only vehicles on CAN can be traced yet");
        if (!what.equals("identify") && !what.equals("program")) {
            throw new UsageException("--what: " + what + " (expected identify or program)");
        }
        VirtualWorkshop workshop = new VirtualWorkshop(Conditions.standard(pack));
        long[] frames = new long[1];
        String end;
        try (PcapngWriter writer = new PcapngWriter(new BufferedOutputStream(Files.newOutputStream(file)))) {
            workshop.bus().tap(writer);
            workshop.bus().tap((frame, nanos) -> frames[0]++);
            end = what.equals("identify") ? identify(workshop) : program(workshop, pack, module);
        }
        Map<String, Object> object = Output.object("trace");
        object.put("file", file.toString());
        object.put("frames", frames[0]);
        object.put("simulatedMs", workshop.bus().clock() / 1_000_000);
        object.put("busyMs", workshop.bus().busyNanos() / 1_000_000);
        object.put("end", end);
        output.result(
                object,
                file + ": " + frames[0] + " frames, " + workshop.bus().clock() / 1_000_000 + " ms of bus time. " + end);
        return end.startsWith("stopped") ? Main.FOUND : Main.GOOD;
    }

    private static String identify(VirtualWorkshop workshop) {
        int modules = new VehicleScanner(workshop.link(), workshop.vehicle().pack())
                .scan(reading -> {})
                .size();
        return modules + " modules asked";
    }

    private static String program(VirtualWorkshop workshop, Pack pack, String module) {
        boolean can = pack.modules().containsKey(module)
                && pack.module(module).flash().isPresent();
        if (!can) throw new UsageException("--module: " + module + " can't be programmed");
        RunAction end = workshop.run(RunState.begin(workshop.tasksFor(module)), VirtualWorkshop.noJournal());
        return end instanceof RunAction.Stopped stopped ? "stopped: " + stopped.sentence() : "finished";
    }
}

package codrane.bench;

import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackLink.Waits;
import codrane.core.pack.PackModule;
import codrane.core.run.Reply;
import codrane.core.uds.MemoryRange;
import codrane.core.uds.UdsRequest;
import codrane.link.DiagnosticLink;
import codrane.link.scan.VehicleScanner;
import codrane.link.uds.CanLink;
import codrane.standin.Conditions;
import codrane.standin.control.RunningVehicle;
import codrane.standin.module.SimulatedKeys;
import codrane.standin.service.Authority;
import codrane.standin.vehicle.SimulatedVehicle;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Locale;

/** Sends blocks to the demo's tail lift over the CAN hub's socket, in real time with its work divided. */
public final class SocketMeasurement {
    private static final int BLOCKS = 300;

    private SocketMeasurement() {}

    public static void main(String[] args) throws IOException {
        Pack pack = BenchPacks.load(Path.of("packs/brennick-lorne.yaml"));
        for (int speed : new int[] {1, 20}) {
            SimulatedVehicle.World world = SimulatedVehicle.World.now(new Authority().publicKey());
            try (RunningVehicle vehicle =
                            new RunningVehicle(Conditions.usedTailLift(pack), RunningVehicle.Doors.CAN, speed, world);
                    DiagnosticLink link = CanLink.open("127.0.0.1", vehicle.canPort(), (PackLink.Can) pack.link())) {
                double seconds = send(link, pack.module("tail-lift"));
                System.out.printf(
                        Locale.ROOT,
                        "speed %d: %d blocks in %.2f s, %.1f kB/s, %.2f ms a block%n",
                        speed,
                        BLOCKS,
                        seconds,
                        BLOCKS * 1.024 / seconds,
                        1000 * seconds / BLOCKS);
            }
        }
    }

    private static double send(DiagnosticLink link, PackModule module) {
        Waits waits = VehicleScanner.waits(module);
        PackModule.Flash flash = module.flash().orElseThrow();
        Bytes range = Bytes.parse(
                "%08X%08X".formatted(flash.segment().start(), flash.segment().length()));
        ask(
                link,
                module,
                new UdsRequest.DiagnosticSessionControl(module.session().programming()).encode(),
                waits);
        Bytes seed = ask(
                        link,
                        module,
                        new UdsRequest.RequestSeed(module.session().securityLevel()).encode(),
                        waits)
                .from(2);
        ask(
                link,
                module,
                new UdsRequest.SendKey(
                                module.session().securityLevel(),
                                new SimulatedKeys().keyFor(module, seed).orElseThrow())
                        .encode(),
                waits);
        ask(link, module, UdsRequest.RoutineControl.start(0xFF00, range).encode(), waits);
        ask(
                link,
                module,
                new UdsRequest.RequestDownload(
                                0,
                                MemoryRange.of(
                                        flash.segment().start(), flash.segment().length()))
                        .encode(),
                waits);
        Bytes data = Bytes.filled(flash.blockBytes() - 2, 0x5A);
        long began = System.nanoTime();
        for (int i = 1; i <= BLOCKS; i++)
            ask(link, module, new UdsRequest.TransferData(i & 0xFF, data).encode(), waits);
        return (System.nanoTime() - began) / 1e9;
    }

    private static Bytes ask(DiagnosticLink link, PackModule module, Bytes request, Waits waits) {
        if (link.request(module.address(), request, waits) instanceof Reply.Positive(Bytes message)) return message;
        throw new IllegalStateException("refused: " + request.slice(0, 2).hex());
    }
}

package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLink;
import codrane.standin.Conditions;
import codrane.standin.StandinWorld;
import codrane.standin.control.ControlPort;
import codrane.standin.control.RunningVehicle;
import codrane.standin.control.SimulatedTool;
import codrane.standin.fault.FaultSpec;
import codrane.standin.service.Authority;
import codrane.standin.vehicle.Setup;
import codrane.standin.vehicle.SimulatedVehicle;
import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;

/**
 * {@code standin --pack NAME [--doip-port P] [--can P] [--control P] [--speed N] [--condition C] [--fault SPEC]…
 * [--announce P]}: one simulated vehicle until stopped. {@code standin --world}: the demo's vehicles and services, on
 * the ports of the environment.
 */
final class StandinCommand {
    private static final int MOST_PORT = 65535;
    private static final int DELIVERY = 900_000;
    private static final int MOST_SPEED = 1000;
    /** A real authority takes minutes to hours. */
    private static final Duration CHECK = Duration.ofSeconds(20);

    private StandinCommand() {}

    static int run(Arguments arguments, Output output) throws IOException {
        arguments.take(1);
        if (arguments.flag("--world")) return world(arguments, output);
        Pack pack = PackFiles.named(arguments.needed("--pack"));
        RunningVehicle.Doors doors = doors(pack, arguments);
        Optional<Integer> control = arguments.number("--control", 0, MOST_PORT);
        int speed = arguments.number("--speed", 1, MOST_SPEED).orElse(1);
        Setup setup = setup(pack, arguments.option("--condition").orElse("standard"));
        List<FaultSpec> faults = faults(arguments.options("--fault"));
        arguments.end();
        SimulatedVehicle.World world = SimulatedVehicle.World.now(new Authority().publicKey());
        try (RunningVehicle vehicle = new RunningVehicle(setup, doors, speed, world);
                ControlPort port = new ControlPort(SimulatedTool.fixedTo(vehicle), control.orElse(0))) {
            for (FaultSpec fault : faults) bring(vehicle, fault);
            String where = (vehicle.hasCan() ? " can=" + vehicle.canPort() : "")
                    + (vehicle.hasDoip() ? " doip=" + vehicle.doipPort() : "");
            output.line((where + " control=" + port.port()).strip());
            output.line("listening");
            untilStopped();
        }
        return Main.GOOD;
    }

    private static RunningVehicle.Doors doors(Pack pack, Arguments arguments) {
        Optional<Integer> can = arguments.number("--can", 0, MOST_PORT);
        Optional<Integer> doip = arguments.number("--doip-port", 0, MOST_PORT);
        int announce = arguments.number("--announce", 0, MOST_PORT).orElse(0);
        boolean onCan = pack.link() instanceof PackLink.Can;
        if (can.isPresent() && !onCan) throw new UsageException("--can: vehicles of this pack speak DoIP");
        if (can.isEmpty() && doip.isEmpty()) {
            if (onCan) can = Optional.of(0);
            else doip = Optional.of(0);
        }
        return new RunningVehicle.Doors(can, doip, announce);
    }

    private static List<FaultSpec> faults(List<String> texts) {
        List<FaultSpec> faults = new ArrayList<>();
        for (String text : texts) {
            switch (FaultSpec.parse(text)) {
                case FaultSpec.Parsed.Spec(FaultSpec spec) -> faults.add(spec);
                case FaultSpec.Parsed.Bad(String reason) -> throw new UsageException("--fault: " + reason);
            }
        }
        return faults;
    }

    private static void bring(RunningVehicle vehicle, FaultSpec fault) {
        if (!vehicle.fits(fault)) throw new UsageException("--fault: this pack has no module " + fault.module());
        vehicle.bring(fault);
    }

    private static Setup setup(Pack pack, String condition) {
        return switch (condition) {
            case "standard" -> Conditions.standard(pack);
            case "healthy" -> Setup.healthy(pack, Conditions.standard(pack).vin());
            case "used-body" -> Conditions.usedBody(pack);
            case "burnt-body" -> Conditions.burntBody(pack);
            default ->
                throw new UsageException(
                        "--condition: " + condition + " (expected standard, healthy, used-body or burnt-body)");
        };
    }

    private static int world(Arguments arguments, Output output) throws IOException {
        int speed = arguments.number("--speed", 1, MOST_SPEED).orElse(1);
        arguments.end();
        StandinWorld.Ports ports = new StandinWorld.Ports(
                port("CODRANE_CAN_PORT", 8471),
                port("CODRANE_CAN_CONTROL_PORT", 8472),
                port("CODRANE_DOIP_PORT", 8473),
                port("CODRANE_DOIP_CONTROL_PORT", 8474),
                port("CODRANE_SERVICE_PORT", 8475));
        try (StandinWorld world = new StandinWorld(stock(), ports, speed, DELIVERY)) {
            output.line("listening can=" + world.ports().can() + " doip="
                    + world.ports().doip());
            untilStopped();
        }
        return Main.GOOD;
    }

    /** The island's vehicles, as the demo finds them. */
    private static StandinWorld.Stock stock() throws IOException {
        Pack lorne = PackFiles.named("brennick-lorne");
        Pack almery = PackFiles.named("brennick-almery");
        Pack dunlin = PackFiles.named("peregil-dunlin");
        Pack chorus = PackFiles.named("tolvane-chorus");
        Pack gannet = PackFiles.named("ardwyn-gannet");
        return new StandinWorld.Stock(
                List.of(
                        Conditions.usedTailLift(lorne),
                        Conditions.lockedAlmery(almery),
                        Conditions.blankBody(dunlin),
                        Conditions.changedBus(lorne),
                        Conditions.newRadar(almery),
                        Conditions.newSteering(dunlin)),
                List.of(
                        Setup.healthy(PackFiles.named("tolvane-wisp"), Conditions.WISP),
                        Conditions.newRamp(chorus),
                        Setup.healthy(gannet, Conditions.GANNET),
                        Setup.healthy(chorus, Conditions.CHORUS_SECOND),
                        Conditions.newSpreader(gannet)),
                CHECK);
    }

    private static int port(String name, int otherwise) {
        String text = System.getenv().getOrDefault(name, String.valueOf(otherwise));
        boolean port = text.matches("\\d{1,5}") && Integer.parseInt(text) <= MOST_PORT;
        if (!port) throw new UsageException(name + ": " + InputFile.quoted(text) + " (expected 0.." + MOST_PORT + ")");
        return Integer.parseInt(text);
    }

    private static void untilStopped() {
        try {
            new CountDownLatch(1).await();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}

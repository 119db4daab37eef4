package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.app.cli.Numbers.Port;
import codrane.app.cli.Numbers.Speed;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLink;
import codrane.standin.Conditions;
import codrane.standin.Island;
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
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CountDownLatch;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.OptionSpec;
import picocli.CommandLine.Option;

/**
 * {@code standin --pack NAME [--doip-port P] [--can P] [--control P] [--speed N] [--condition C] [--fault SPEC]…
 * [--announce P]}: one simulated vehicle until stopped. {@code standin --world}: the demo's vehicles and services, on
 * the ports of the environment.
 */
@Command(name = "standin", description = "One simulated vehicle until stopped, or the demo's world.")
final class StandinCommand extends Asked {
    private static final int MOST_PORT = 65535;
    private static final int DELIVERY = 900_000;
    private static final Set<String> OF_A_WORLD = Set.of("--world", "--speed", "--json");
    /** A real authority takes minutes to hours. */
    private static final Duration CHECK = Duration.ofSeconds(20);

    @Option(names = "--pack", paramLabel = "NAME", description = "one vehicle of this pack")
    private Optional<String> packName = Optional.empty();

    @Option(names = "--can", paramLabel = "P", converter = Port.class, description = "port of the CAN hub")
    private Optional<Integer> can = Optional.empty();

    @Option(names = "--doip-port", paramLabel = "P", converter = Port.class)
    private Optional<Integer> doip = Optional.empty();

    @Option(names = "--control", paramLabel = "P", converter = Port.class, description = "port of the controls")
    private int control;

    @Option(names = "--announce", paramLabel = "P", converter = Port.class, description = "where DoIP is announced")
    private int announce;

    @Option(names = "--speed", paramLabel = "N", converter = Speed.class, description = "so many times faster")
    private int speed = 1;

    @Option(names = "--condition", paramLabel = "C")
    private String condition = "standard";

    @Option(names = "--fault", paramLabel = "SPEC", description = "may be given more than once")
    private List<String> faultTexts = new ArrayList<>();

    @Option(names = "--world", description = "the demo's vehicles and services, on the ports of the environment")
    private boolean world;

    @Override
    public Integer call() throws IOException {
        if (world) return world();
        Pack pack = PackFiles.named(packName.orElseThrow(() -> new UsageException("--pack is missing")));
        RunningVehicle.Doors doors = doors(pack);
        Setup setup = setup(pack, condition);
        List<FaultSpec> faults = Faults.read(faultTexts, pack);
        SimulatedVehicle.World island = SimulatedVehicle.World.now(new Authority().publicKey());
        try (RunningVehicle vehicle = new RunningVehicle(setup, doors, speed, island);
                ControlPort port = new ControlPort(SimulatedTool.fixedTo(vehicle), control)) {
            faults.forEach(vehicle::bring);
            String where = (vehicle.hasCan() ? " can=" + vehicle.canPort() : "")
                    + (vehicle.hasDoip() ? " doip=" + vehicle.doipPort() : "");
            output().line((where + " control=" + port.port()).strip());
            output().line("listening");
            untilStopped();
        }
        return Main.GOOD;
    }

    private RunningVehicle.Doors doors(Pack pack) {
        boolean onCan = pack.link() instanceof PackLink.Can;
        if (can.isPresent() && !onCan) throw new UsageException("--can: vehicles of this pack speak DoIP");
        Optional<Integer> free = Optional.of(0);
        boolean neither = can.isEmpty() && doip.isEmpty();
        return new RunningVehicle.Doors(neither && onCan ? free : can, neither && !onCan ? free : doip, announce);
    }

    private static Setup setup(Pack pack, String condition) {
        return switch (condition) {
            case "standard" -> Conditions.standard(pack);
            case "healthy" -> Setup.healthy(pack, Conditions.standard(pack).vin());
            case "used-body" -> Conditions.usedBody(pack);
            case "burnt-body" -> Conditions.burntBody(pack);
            default ->
                throw new UsageException("--condition: " + InputFile.quoted(condition)
                        + " (expected standard, healthy, used-body or burnt-body)");
        };
    }

    private int world() throws IOException {
        for (OptionSpec given : spec().commandLine().getParseResult().matchedOptions())
            if (!OF_A_WORLD.contains(given.longestName()))
                throw new UsageException("not understood: " + given.longestName());
        StandinWorld.Ports ports = new StandinWorld.Ports(
                port("CODRANE_CAN_PORT", 8471),
                port("CODRANE_CAN_CONTROL_PORT", 8472),
                port("CODRANE_DOIP_PORT", 8473),
                port("CODRANE_DOIP_CONTROL_PORT", 8474),
                port("CODRANE_SERVICE_PORT", 8475));
        try (StandinWorld island = new StandinWorld(stock(), ports, speed, DELIVERY)) {
            output().line("listening can=" + island.ports().can() + " doip="
                    + island.ports().doip());
            untilStopped();
        }
        return Main.GOOD;
    }

    private static StandinWorld.Stock stock() throws IOException {
        Map<String, Pack> packs = new HashMap<>();
        for (String id : Island.PACKS) packs.put(id, PackFiles.named(id));
        return Island.stock(packs, CHECK);
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

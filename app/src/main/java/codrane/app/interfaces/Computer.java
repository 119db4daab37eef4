package codrane.app.interfaces;

import codrane.app.workshop.CodraneSettings;
import codrane.core.tool.Check;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.URI;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The computer that this node runs on: what can be read about it, and what a person must look at. */
@Component
public class Computer {
    private static final Path POWER = Path.of("/sys/class/power_supply");
    private static final long LEAST_BYTES = 2L << 30;
    private static final int PATIENCE_MILLIS = 1000;

    private final CodraneSettings settings;

    Computer(CodraneSettings settings) {
        this.settings = settings;
    }

    /**
     * @param sleepOff whether a person said that it does not sleep
     * @param updatesOff whether a person said that it does not update by itself
     */
    public List<Check> checks(boolean sleepOff, boolean updatesOff) {
        List<Check> checks = new ArrayList<>();
        checks.add(mains());
        checks.add(said(
                "Sleep",
                sleepOff,
                "It does not fall asleep.",
                "Switch sleep off: a sleeping computer ends a transfer. Then say so below."));
        checks.add(said(
                "Updates",
                updatesOff,
                "It does not update by itself.",
                "Pause automatic updates and restarts for today. Then say so below."));
        checks.add(disk());
        checks.add(network());
        return checks;
    }

    private static Check said(String title, boolean is, String yes, String no) {
        return is ? Check.good(title, yes) : Check.ask(title, no);
    }

    private static Check mains() {
        Optional<Boolean> mains = onMains();
        if (mains.isEmpty()) return Check.ask("Mains", "This computer does not tell. Look whether it is on mains.");
        return mains.get()
                ? Check.good("Mains", "It is on mains.")
                : Check.problem("Mains", "It runs on its battery: plug it in before anything is written.");
    }

    private static Optional<Boolean> onMains() {
        try (DirectoryStream<Path> supplies = Files.newDirectoryStream(POWER)) {
            for (Path supply : supplies) {
                if (read(supply.resolve("type")).equals("Mains"))
                    return Optional.of(read(supply.resolve("online")).equals("1"));
            }
        } catch (IOException e) {
            return Optional.empty(); // another system, or one that does not tell
        }
        return Optional.empty();
    }

    private static String read(Path file) throws IOException {
        return Files.isReadable(file) ? Files.readString(file).strip() : "";
    }

    private Check disk() {
        try {
            long free = Files.getFileStore(settings.var()).getUsableSpace();
            String amount = free / (1 << 30) + " GB free";
            return free >= LEAST_BYTES
                    ? Check.good("Disk", amount + ".")
                    : Check.problem("Disk", "Only " + amount + ": make room, 2 GB at least.");
        } catch (IOException e) {
            return Check.ask("Disk", "It can't be read how much is free.");
        }
    }

    private Check network() {
        URI service = URI.create(settings.serviceUrl());
        try (Socket socket = new Socket()) {
            socket.connect(new InetSocketAddress(service.getHost(), service.getPort()), PATIENCE_MILLIS);
            return Check.good("Network", "The makers' services answer.");
        } catch (IOException e) {
            return Check.problem(
                    "Network", "The makers' services can't be reached: files and authorisations wait for it.");
        }
    }
}

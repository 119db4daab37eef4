package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackLink.Waits;
import codrane.core.run.Reply;
import codrane.core.text.Words;
import codrane.core.uds.MessageText;
import codrane.link.DiagnosticLink;
import codrane.link.LinkLostException;
import codrane.link.doip.DoipLink;
import codrane.link.uds.CanLink;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/**
 * {@code uds --doip HOST:PORT --address 0x101A [--tester 0x0E00] "22 F1 90"}, or {@code uds --can HOST:PORT --request-id
 * 448 --response-id 449 [--fd] "22 F1 90"}: one request, and what is answered.
 */
@Command(name = "uds", description = "One request, and what is answered.")
final class UdsCommand extends Asked {
    private static final Waits WAITS = new Waits(Duration.ofSeconds(1), Duration.ofSeconds(5));
    private static final int LONGEST = 4095;

    private static final int MOST_PORT = 65_535;

    @Option(names = "--doip", paramLabel = "HOST:PORT", description = "of a DoIP entity")
    private Optional<String> doip = Optional.empty();

    @Option(names = "--address", description = "of the module behind it, hex")
    private Optional<String> address = Optional.empty();

    @Option(names = "--tester", description = "our own address, hex")
    private String tester = "0E00";

    @Option(names = "--can", paramLabel = "HOST:PORT", description = "of a CAN hub")
    private Optional<String> can = Optional.empty();

    @Option(names = "--request-id", description = "hex; more than three digits mean 29 bits")
    private Optional<String> requestName = Optional.empty();

    @Option(names = "--response-id", description = "hex")
    private Optional<String> responseName = Optional.empty();

    @Option(names = "--fd", description = "the bus speaks CAN FD")
    private boolean fd;

    @Parameters(paramLabel = "REQUEST", description = "hex octets")
    private String text;

    private record Told(
            String request,
            String outcome,
            Optional<String> response,
            Optional<String> code,
            Optional<String> words,
            Optional<Long> waitedMs) {}

    private record Where(String host, int port) {
        static Where of(String text) {
            String[] parts = text.split(":");
            if (parts.length != 2 || parts[0].isBlank() || !parts[1].matches("\\d{1,9}"))
                throw new UsageException("say HOST:PORT");
            int port = Integer.parseInt(parts[1]);
            if (port < 1 || port > MOST_PORT)
                throw new UsageException("port " + port + ": there is none (expected 1.." + MOST_PORT + ")");
            return new Where(parts[0], port);
        }
    }

    @Override
    public Integer call() {
        if (doip.isPresent() == can.isPresent()) throw new UsageException("say either --doip or --can");
        strangers();
        int to = doip.isPresent() ? hex(needed(address, "--address"), "--address", 4) : 0;
        PackLink link = doip.isPresent() ? new PackLink.Doip(0, hex(tester, "--tester", 4)) : can();
        Bytes request = request(text);
        Where where = Where.of(doip.orElseGet(can::get));
        try (DiagnosticLink open = link instanceof PackLink.Doip d
                ? DoipLink.open(where.host(), where.port(), d)
                : CanLink.open(where.host(), where.port(), (PackLink.Can) link)) {
            return tell(request, open.request(to, request, WAITS));
        } catch (LinkLostException e) {
            return output().error("link", Words.said(e), where.host() + ":" + where.port());
        }
    }

    /** Options of the other kind of link would be passed over in silence. */
    private void strangers() {
        List<String> others =
                doip.isPresent() ? List.of("--request-id", "--response-id", "--fd") : List.of("--address", "--tester");
        for (String other : others)
            if (spec().commandLine().getParseResult().hasMatchedOption(other))
                throw new UsageException("not understood: " + other);
    }

    private static String needed(Optional<String> option, String name) {
        return option.orElseThrow(() -> new UsageException(name + " is missing"));
    }

    private PackLink can() {
        String request = needed(requestName, "--request-id");
        int requestId = hex(request, "--request-id", 8);
        int responseId = hex(needed(responseName, "--response-id"), "--response-id", 8);
        boolean extended = digits(request).length() > 3;
        int most = extended ? 0x1FFFFFFF : 0x7FF;
        if (requestId > most || responseId > most)
            throw new UsageException("--request-id: too large for a CAN identifier");
        return new PackLink.Can(
                500_000, // the bus behind the port has its own rate
                fd ? Optional.of(2_000_000) : Optional.empty(),
                extended,
                new PackLink.Ids(requestId, 0),
                new PackLink.Ids(responseId, 0),
                0);
    }

    private static String digits(String text) {
        return text.startsWith("0x") || text.startsWith("0X") ? text.substring(2) : text;
    }

    private static int hex(String text, String name, int most) {
        String digits = digits(text);
        if (!digits.matches("[0-9A-Fa-f]{1," + most + "}"))
            throw new UsageException(name + ": " + InputFile.quoted(text) + " is no hex number");
        long value = Long.parseLong(digits, 16);
        if (value > Integer.MAX_VALUE) throw new UsageException(name + ": " + InputFile.quoted(text) + " is too large");
        return (int) value;
    }

    private static Bytes request(String text) {
        String digits = text.replaceAll("[\\s:,-]", "");
        boolean good = digits.matches("(?:[0-9A-Fa-f]{2})+") && digits.length() <= 2 * LONGEST;
        if (!good) throw new UsageException("the request \"" + InputFile.quoted(text) + "\" is no row of hex octets");
        return Bytes.parse(digits);
    }

    private int tell(Bytes request, Reply reply) {
        return switch (reply) {
            case Reply.Positive(Bytes message) -> {
                String words = new MessageText(Map.of()).of(message);
                Told told = told(request, "positive", message.hex(), Optional.empty(), words);
                output().result("uds", told, message.spaced() + "\n" + words);
                yield Main.GOOD;
            }
            case Reply.Refused(var code) -> {
                Bytes message = Bytes.of(0x7F, request.u8(0), code.number());
                Optional<String> number = Optional.of("%02X".formatted(code.number()));
                Told told = told(request, "refused", message.hex(), number, code.words());
                output().result("uds", told, message.spaced() + "\nRefused: " + code.words() + ".");
                yield Main.FOUND;
            }
            case Reply.Silent(Duration waited) -> {
                Optional<String> none = Optional.empty();
                Told told = new Told(request.hex(), "silent", none, none, none, Optional.of(waited.toMillis()));
                output().result("uds", told, "No answer within " + waited.toMillis() + " ms.");
                yield Main.FOUND;
            }
        };
    }

    private static Told told(Bytes request, String outcome, String response, Optional<String> code, String words) {
        return new Told(request.hex(), outcome, Optional.of(response), code, Optional.of(words), Optional.empty());
    }
}

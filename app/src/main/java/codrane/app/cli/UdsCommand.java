package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackLink.Waits;
import codrane.core.run.Reply;
import codrane.core.uds.MessageText;
import codrane.link.DiagnosticLink;
import codrane.link.LinkLostException;
import codrane.link.doip.DoipLink;
import codrane.link.uds.CanLink;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;

/**
 * {@code uds --doip HOST:PORT --address 0x101A [--tester 0x0E00] "22 F1 90"}, or {@code uds --can HOST:PORT --request-id
 * 448 --response-id 449 [--fd] "22 F1 90"}: one request, and what is answered.
 */
final class UdsCommand {
    private static final Waits WAITS = new Waits(Duration.ofSeconds(1), Duration.ofSeconds(5));
    private static final int LONGEST = 4095;

    private static final int MOST_PORT = 65_535;

    private UdsCommand() {}

    static int run(Arguments arguments, Output output) {
        arguments.take(1);
        Optional<String> doip = arguments.option("--doip");
        Optional<String> can = arguments.option("--can");
        if (doip.isPresent() == can.isPresent()) throw new UsageException("say either --doip or --can");
        int address = doip.isPresent() ? hex(arguments.needed("--address"), "--address", 4) : 0;
        PackLink link = doip.isPresent() ? doip(arguments) : can(arguments);
        Bytes request = request(arguments.onlyWord("the request, as hex"));
        arguments.end();
        String[] where = doip.orElseGet(can::get).split(":");
        if (where.length != 2 || where[0].isBlank() || !where[1].matches("\\d{1,9}"))
            throw new UsageException("say HOST:PORT");
        int port = Integer.parseInt(where[1]);
        if (port < 1 || port > MOST_PORT)
            throw new UsageException("port " + port + ": there is none (expected 1.." + MOST_PORT + ")");
        try (DiagnosticLink open = link instanceof PackLink.Doip d
                ? DoipLink.open(where[0], port, d)
                : CanLink.open(where[0], port, (PackLink.Can) link)) {
            return tell(request, open.request(address, request, WAITS), output);
        } catch (LinkLostException e) {
            return output.error("link", e.getMessage(), where[0] + ":" + port);
        }
    }

    private static PackLink doip(Arguments arguments) {
        return new PackLink.Doip(
                0,
                arguments
                        .option("--tester")
                        .map(text -> hex(text, "--tester", 4))
                        .orElse(0x0E00));
    }

    private static PackLink can(Arguments arguments) {
        String request = arguments.needed("--request-id");
        int requestId = hex(request, "--request-id", 8);
        int responseId = hex(arguments.needed("--response-id"), "--response-id", 8);
        boolean extended = digits(request).length() > 3;
        int most = extended ? 0x1FFFFFFF : 0x7FF;
        if (requestId > most || responseId > most)
            throw new UsageException("--request-id: too large for a CAN identifier");
        return new PackLink.Can(
                500_000, // the bus behind the port has its own rate
                arguments.flag("--fd") ? Optional.of(2_000_000) : Optional.empty(),
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
            throw new UsageException(name + ": " + text + " is no hex number");
        long value = Long.parseLong(digits, 16);
        if (value > Integer.MAX_VALUE) throw new UsageException(name + ": " + text + " is too large");
        return (int) value;
    }

    private static Bytes request(String text) {
        String digits = text.replaceAll("[\\s:,-]", "");
        boolean good = digits.matches("(?:[0-9A-Fa-f]{2})+") && digits.length() <= 2 * LONGEST;
        if (!good) throw new UsageException("the request \"" + text + "\" is no row of hex octets");
        return Bytes.parse(digits);
    }

    private static int tell(Bytes request, Reply reply, Output output) {
        Map<String, Object> object = Output.object("uds");
        object.put("request", request.hex());
        MessageText text = new MessageText(Map.of());
        switch (reply) {
            case Reply.Positive(Bytes message) -> {
                object.put("outcome", "positive");
                object.put("response", message.hex());
                object.put("words", text.of(message));
                output.result(object, message.spaced() + "\n" + text.of(message));
                return Main.GOOD;
            }
            case Reply.Refused(var code) -> {
                object.put("outcome", "refused");
                object.put(
                        "response", Bytes.of(0x7F, request.u8(0), code.number()).hex());
                object.put("code", "%02X".formatted(code.number()));
                object.put("words", code.words());
                output.result(
                        object, "7F %02X %02X\nRefused: %s.".formatted(request.u8(0), code.number(), code.words()));
                return Main.FOUND;
            }
            case Reply.Silent(Duration waited) -> {
                object.put("outcome", "silent");
                object.put("waitedMs", waited.toMillis());
                output.result(object, "No answer within " + waited.toMillis() + " ms.");
                return Main.FOUND;
            }
        }
    }
}

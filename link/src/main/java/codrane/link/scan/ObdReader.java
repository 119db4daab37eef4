package codrane.link.scan;

import codrane.core.fault.FaultCode;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackLink.Waits;
import codrane.core.run.Reply;
import codrane.core.scan.ObdReading;
import codrane.link.DiagnosticLink;
import codrane.link.DiagnosticLink.Heard;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reads the legislated diagnostics of all modules that take part: 01, 03, 07, 09 and 0A. Only reads. */
public final class ObdReader {
    private static final Waits WAITS = new Waits(Duration.ofMillis(50), Duration.ofSeconds(5));
    private static final int NAME_OCTETS = 16;
    private static final int NUMBER_OCTETS = 4;
    private static final int VIN_OCTETS = 17;

    private final DiagnosticLink link;

    /** @param link with the addresses of the legislated diagnostics */
    public ObdReader(DiagnosticLink link) {
        this.link = link;
    }

    /** @return one reading for each module that answers, by address; none when nobody does */
    public List<ObdReading> read() {
        return link.requestAll(Bytes.of(0x09, 0x00), WAITS).stream()
                .filter(heard -> heard.reply() instanceof Reply.Positive)
                .map(Heard::address)
                .sorted()
                .map(this::read)
                .toList();
    }

    private ObdReading read(int address) {
        return new ObdReading(
                address,
                information(address, 0x02)
                        .filter(v -> v.length() >= VIN_OCTETS)
                        .map(v -> v.slice(0, VIN_OCTETS).text()),
                texts(information(address, 0x04).orElse(Bytes.EMPTY)),
                numbers(information(address, 0x06).orElse(Bytes.EMPTY)),
                faults(address, 0x03),
                faults(address, 0x07),
                faults(address, 0x0A),
                lamp(address));
    }

    private Optional<Bytes> ask(int address, Bytes request) {
        return link.request(address, request, WAITS) instanceof Reply.Positive(Bytes message)
                ? Optional.of(message)
                : Optional.empty();
    }

    /** What follows the number of items. */
    private Optional<Bytes> information(int address, int type) {
        return ask(address, Bytes.of(0x09, type))
                .filter(m -> m.length() > 3 && m.u8(1) == type)
                .map(m -> m.from(3));
    }

    private static List<String> texts(Bytes items) {
        List<String> texts = new ArrayList<>();
        for (int at = 0; at + NAME_OCTETS <= items.length(); at += NAME_OCTETS) {
            texts.add(items.slice(at, NAME_OCTETS).text().replace("\0", "").strip());
        }
        return texts;
    }

    private static List<String> numbers(Bytes items) {
        List<String> numbers = new ArrayList<>();
        for (int at = 0; at + NUMBER_OCTETS <= items.length(); at += NUMBER_OCTETS) {
            numbers.add(items.slice(at, NUMBER_OCTETS).hex());
        }
        return numbers;
    }

    private List<String> faults(int address, int service) {
        List<String> faults = new ArrayList<>();
        Bytes message = ask(address, Bytes.of(service)).orElse(Bytes.EMPTY);
        for (int at = 2; at + 2 <= message.length(); at += 2) {
            faults.add(new FaultCode(message.u16(at) << 8).text().substring(0, 5));
        }
        return faults;
    }

    private boolean lamp(int address) {
        return ask(address, Bytes.of(0x01, 0x01))
                .filter(m -> m.length() >= 3 && (m.u8(2) & 0x80) != 0)
                .isPresent();
    }
}

package codrane.link.scan;

import codrane.core.fault.FaultCode;
import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult;
import codrane.core.pack.PackLink.Waits;
import codrane.core.run.Reply;
import codrane.core.scan.ObdReading;
import codrane.core.uds.UdsRequest;
import codrane.core.uds.UdsRequest.ObdVehicleInformation;
import codrane.core.uds.UdsResponse;
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
    private static final int MONITOR_STATUS = 0x01;

    private final DiagnosticLink link;

    /** @param link with the addresses of the legislated diagnostics */
    public ObdReader(DiagnosticLink link) {
        this.link = link;
    }

    /** @return one reading for each module that answers, by address; none when nobody does */
    public List<ObdReading> read() {
        return link.requestAll(new ObdVehicleInformation(0x00).encode(), WAITS).stream()
                .filter(heard -> heard.reply() instanceof Reply.Positive)
                .map(Heard::address)
                .sorted()
                .map(this::read)
                .toList();
    }

    private ObdReading read(int address) {
        return new ObdReading(
                address,
                items(information(address, 0x02), VIN_OCTETS).stream()
                        .findFirst()
                        .map(Bytes::text),
                items(information(address, 0x04), NAME_OCTETS).stream()
                        .map(name -> name.text().replace("\0", "").strip())
                        .toList(),
                items(information(address, 0x06), NUMBER_OCTETS).stream()
                        .map(Bytes::hex)
                        .toList(),
                faults(ask(address, new UdsRequest.ObdStoredFaults())),
                faults(ask(address, new UdsRequest.ObdPendingFaults())),
                faults(ask(address, new UdsRequest.ObdPermanentFaults())),
                lamp(ask(address, new UdsRequest.ObdCurrentData(List.of(MONITOR_STATUS)))));
    }

    private Optional<UdsResponse> ask(int address, UdsRequest request) {
        return link.request(address, request.encode(), WAITS) instanceof Reply.Positive positive
                ? Optional.of(positive.response())
                : Optional.empty();
    }

    private Optional<UdsResponse> information(int address, int type) {
        return ask(address, new ObdVehicleInformation(type));
    }

    /** How many there are, then each of so many octets. */
    private static List<Bytes> items(Optional<UdsResponse> response, int octets) {
        if (response.isEmpty() || !(response.get() instanceof UdsResponse.ObdVehicleInformation(int type, Bytes items)))
            return List.of();
        return DecodeResult.read(items, in -> {
                    in.u8("number of items");
                    List<Bytes> each = new ArrayList<>();
                    while (in.remaining() >= octets) each.add(in.bytes("item", octets));
                    in.rest();
                    return each;
                })
                .orElse(List.of());
    }

    private static List<String> faults(Optional<UdsResponse> response) {
        List<Integer> numbers = switch (response.orElse(new UdsResponse.ObdClear())) {
            case UdsResponse.ObdStoredFaults(List<Integer> faults) -> faults;
            case UdsResponse.ObdPendingFaults(List<Integer> faults) -> faults;
            case UdsResponse.ObdPermanentFaults(List<Integer> faults) -> faults;
            default -> List.of();
        };
        return numbers.stream()
                .map(number -> new FaultCode(number << 8).text().substring(0, 5))
                .toList();
    }

    /** The highest bit of the first octet behind the identifier. */
    private static boolean lamp(Optional<UdsResponse> response) {
        if (response.isEmpty() || !(response.get() instanceof UdsResponse.ObdCurrentData(Bytes values))) return false;
        return DecodeResult.read(values, in -> {
                    in.expectU8("identifier", MONITOR_STATUS);
                    int first = in.u8("lamp and faults");
                    in.rest();
                    return (first & 0x80) != 0;
                })
                .orElse(false);
    }
}

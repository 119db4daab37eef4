package codrane.core.uds;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult.Decoded;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class UdsMessagesTest {
    private static final Bytes SOME = Bytes.parse("0102A5");

    /** Each request beside the answer that a module gives to it. */
    private record Pair(UdsRequest request, UdsResponse response) {}

    private static final List<Pair> PAIRS = List.of(
            new Pair(
                    new UdsRequest.DiagnosticSessionControl(3),
                    new UdsResponse.DiagnosticSessionControl(3, Duration.ofMillis(50), Duration.ofSeconds(5))),
            new Pair(new UdsRequest.EcuReset(1), new UdsResponse.EcuReset(1)),
            new Pair(new UdsRequest.ClearDiagnosticInformation(0xFFFFFF), new UdsResponse.ClearDiagnosticInformation()),
            new Pair(
                    new UdsRequest.ReportNumberOfDtcByStatusMask(9),
                    new UdsResponse.ReportNumberOfDtcByStatusMask(9, 1, 300)),
            new Pair(
                    new UdsRequest.ReportDtcByStatusMask(0xFF),
                    new UdsResponse.ReportDtcByStatusMask(9, List.of(new UdsResponse.DtcAndStatus(0xD30100, 8)))),
            new Pair(
                    new UdsRequest.ReportDtcSnapshotIdentification(),
                    new UdsResponse.ReportDtcSnapshotIdentification(
                            List.of(new UdsResponse.DtcAndRecord(0xD30100, 1)))),
            new Pair(
                    new UdsRequest.ReportDtcSnapshotRecordByDtcNumber(0xD30100, 0xFF),
                    new UdsResponse.ReportDtcSnapshotRecordByDtcNumber(
                            new UdsResponse.DtcAndStatus(0xD30100, 8), SOME)),
            new Pair(
                    new UdsRequest.ReportDtcExtDataRecordByDtcNumber(0xD30100, 1),
                    new UdsResponse.ReportDtcExtDataRecordByDtcNumber(
                            new UdsResponse.DtcAndStatus(0xD30100, 8), Bytes.EMPTY)),
            new Pair(new UdsRequest.ReportSupportedDtc(), new UdsResponse.ReportSupportedDtc(9, List.of())),
            new Pair(new UdsRequest.ReadDataByIdentifier(0xF190), new UdsResponse.ReadDataByIdentifier(0xF190, SOME)),
            new Pair(
                    new UdsRequest.ReadDataByIdentifier(List.of(0xF189, 0xF18C)),
                    new UdsResponse.ReadDataByIdentifier(0xF18C, SOME)),
            new Pair(
                    new UdsRequest.ReadMemoryByAddress(new MemoryRange(3, 1, 0xFF0000, 3)),
                    new UdsResponse.ReadMemoryByAddress(SOME)),
            new Pair(
                    new UdsRequest.ReadScalingDataByIdentifier(0x0161),
                    new UdsResponse.ReadScalingDataByIdentifier(0x0161, SOME)),
            new Pair(new UdsRequest.RequestSeed(1), new UdsResponse.RequestSeed(1, SOME)),
            new Pair(new UdsRequest.SendKey(1, SOME), new UdsResponse.SendKey(1)),
            new Pair(new UdsRequest.CommunicationControl(3, 1), new UdsResponse.CommunicationControl(3)),
            new Pair(new UdsRequest.DeAuthenticate(), new UdsResponse.DeAuthenticate(0x10)),
            new Pair(
                    new UdsRequest.VerifyCertificateUnidirectional(0, SOME, Bytes.EMPTY),
                    new UdsResponse.VerifyCertificateUnidirectional(0x11, SOME, Bytes.EMPTY)),
            new Pair(
                    new UdsRequest.ProofOfOwnership(SOME, Bytes.EMPTY),
                    new UdsResponse.ProofOfOwnership(0x12, Bytes.EMPTY)),
            new Pair(new UdsRequest.AuthenticationConfiguration(), new UdsResponse.AuthenticationConfiguration(2)),
            new Pair(
                    new UdsRequest.DefineByIdentifier(0xF2F1, List.of(new UdsRequest.Piece(0xF190, 12, 6))),
                    new UdsResponse.DynamicallyDefineDataIdentifier(1, Optional.of(0xF2F1))),
            new Pair(
                    new UdsRequest.ClearDynamicallyDefinedDataIdentifier(Optional.empty()),
                    new UdsResponse.DynamicallyDefineDataIdentifier(3, Optional.empty())),
            new Pair(new UdsRequest.WriteDataByIdentifier(0x0150, SOME), new UdsResponse.WriteDataByIdentifier(0x0150)),
            new Pair(
                    new UdsRequest.InputOutputControlByIdentifier(0x0161, 3, SOME),
                    new UdsResponse.InputOutputControlByIdentifier(0x0161, 3, SOME)),
            new Pair(
                    UdsRequest.RoutineControl.start(0x0203, SOME),
                    new UdsResponse.RoutineControl(1, 0x0203, Bytes.of(1))),
            new Pair(
                    new UdsRequest.RequestDownload(0, MemoryRange.of(0x80000, 0x100000)),
                    new UdsResponse.RequestDownload(1026)),
            new Pair(
                    new UdsRequest.RequestUpload(0, MemoryRange.of(0x80000, 0x100000)),
                    new UdsResponse.RequestUpload(70_000)),
            new Pair(new UdsRequest.TransferData(0xFF, SOME), new UdsResponse.TransferData(0xFF, Bytes.EMPTY)),
            new Pair(new UdsRequest.RequestTransferExit(), new UdsResponse.RequestTransferExit(Bytes.EMPTY)),
            new Pair(
                    new UdsRequest.WriteMemoryByAddress(MemoryRange.of(0xFF0000, 3), SOME),
                    new UdsResponse.WriteMemoryByAddress(MemoryRange.of(0xFF0000, 3))),
            new Pair(new UdsRequest.TesterPresent(), new UdsResponse.TesterPresent()),
            new Pair(new UdsRequest.ControlDtcSetting(2, SOME), new UdsResponse.ControlDtcSetting(2)),
            new Pair(new UdsRequest.VerifyModeTransitionWithFixedParameter(0x12), new UdsResponse.LinkControl(1)),
            new Pair(new UdsRequest.TransitionMode(), new UdsResponse.LinkControl(3)),
            new Pair(new UdsRequest.ObdCurrentData(List.of(1, 12)), new UdsResponse.ObdCurrentData(SOME)),
            new Pair(new UdsRequest.ObdStoredFaults(), new UdsResponse.ObdStoredFaults(List.of(0x0301, 0xD301))),
            new Pair(new UdsRequest.ObdClear(), new UdsResponse.ObdClear()),
            new Pair(new UdsRequest.ObdPendingFaults(), new UdsResponse.ObdPendingFaults(List.of())),
            new Pair(new UdsRequest.ObdVehicleInformation(2), new UdsResponse.ObdVehicleInformation(2, SOME)),
            new Pair(new UdsRequest.ObdPermanentFaults(), new UdsResponse.ObdPermanentFaults(List.of())));

    @Test
    void decode_ofWhatWasEncoded_isTheMessage() {
        for (Pair pair : PAIRS) {
            assertThat(UdsRequest.decode(pair.request().encode())).isEqualTo(new Decoded<>(pair.request()));
            assertThat(UdsResponse.of(pair.response().encode())).isEqualTo(pair.response());
        }
    }

    /** Every record is among the pairs: one that is added without a pair fails here. */
    @Test
    void pairs_areOfEveryRecord() {
        assertThat(PAIRS.stream().map(p -> p.request().getClass()).distinct())
                .hasSize(UdsRequest.class.getPermittedSubclasses().length);
        assertThat(PAIRS.stream().map(p -> p.response().getClass()).distinct())
                .hasSize(UdsResponse.class.getPermittedSubclasses().length - 2); // refused, unreadable
    }

    @Test
    void quiet_ofThoseWithASubFunction_asksTheSameOnly_thatNothingIsAnswered() {
        for (Pair pair : PAIRS) {
            Bytes loud = pair.request().encode();
            if (!Service.of(loud.u8(0)).orElseThrow().hasSubFunction()) continue;
            Bytes quiet = pair.request().quiet();
            assertThat(Service.suppressed(loud)).isFalse();
            assertThat(Service.suppressed(quiet)).isTrue();
            assertThat(UdsRequest.decode(quiet)).isEqualTo(new Decoded<>(pair.request()));
        }
    }

    /** Whatever comes over a wire: no exception, and what is read writes the same octets again. */
    @Test
    void decode_anyOctets_areReadOrMalformed_neverSomethingElse() {
        Random random = new Random(11);
        for (int i = 0; i < 200_000; i++) {
            Bytes octets = any(random);
            if (UdsRequest.decode(octets) instanceof Decoded<UdsRequest>(UdsRequest request) && !shapeless(request))
                assertThat(request.encode()).isIn(octets, loud(octets));
            UdsResponse response = UdsResponse.of(octets);
            assertThat(UdsResponse.of(response.encode())).isEqualTo(response);
        }
    }

    private static Bytes any(Random random) {
        Service[] services = Service.values();
        int sid = services[random.nextInt(services.length)].sid() | (random.nextBoolean() ? Service.POSITIVE : 0);
        byte[] rest = new byte[random.nextInt(14)];
        random.nextBytes(rest);
        if (rest.length > 0 && random.nextBoolean()) rest[0] = (byte) random.nextInt(12);
        return Bytes.of(sid).plus(Bytes.copyOf(rest));
    }

    private static Bytes loud(Bytes octets) {
        if (octets.length() < 2) return octets;
        return Bytes.of(octets.u8(0), octets.u8(1) & ~Service.SUPPRESS).plus(octets.from(2));
    }

    /** Of an unknown address format nothing is kept. */
    private static boolean shapeless(UdsRequest request) {
        return switch (request) {
            case UdsRequest.ReadMemoryByAddress(MemoryRange range) -> !range.known();
            case UdsRequest.WriteMemoryByAddress(MemoryRange range, Bytes data) -> !range.known();
            case UdsRequest.RequestDownload(int format, MemoryRange range) -> !range.known();
            case UdsRequest.RequestUpload(int format, MemoryRange range) -> !range.known();
            default -> false;
        };
    }

    @Test
    void belongs_eachAnswer_toItsRequestAndToNoneOfAnotherService() {
        for (Pair asked : PAIRS) {
            for (Pair other : PAIRS) {
                boolean same = asked.request().encode().u8(0)
                        == other.request().encode().u8(0);
                boolean belongs = UdsExchange.belongs(asked.request().encode(), other.response());
                if (asked.equals(other))
                    assertThat(belongs).as(asked.toString()).isTrue();
                else if (!same) assertThat(belongs).isFalse();
            }
        }
    }

    /** A late answer repeats what was asked before, not what is asked now. */
    @ParameterizedTest
    @CsvSource({
        "1003, 5001003201F4",
        "1101, 5103",
        "1902FF, 590109010001",
        "1904D3010001, 5904D3020008",
        "22F18C, 62F18931",
        "240161, 640162010203",
        "2701, 670301020304",
        "2701, 6702",
        "270211223344, 670111223344",
        "280301, 6800",
        "29030001010000, 69011100000000",
        "2C01F2F1F1900C06, 6C01F2F2",
        "2E015001, 6E0151",
        "2F01610300C8, 6F01620300C8",
        "2F01610300C8, 6F016100",
        "31010203, 7101020100",
        "31030203, 7101020300",
        "3602AABB, 7601",
        "8501, C502",
        "8703, C701",
        "0902, 490400",
        "22F18C, 7F3131",
        "22F18C, 54"
    })
    void belongs_whatRepeatsSomethingElse_doesNot(String request, String response) {
        assertThat(UdsExchange.belongs(Bytes.parse(request), UdsResponse.of(Bytes.parse(response))))
                .isFalse();
    }

    /** Nobody here knows what it should repeat: it counts as the answer, and whoever asked judges it. */
    @ParameterizedTest
    @CsvSource({"1003, 5003", "3E00, 7E3C", "22F190, 62F1", "BA01, FA02", "1983, 5983"})
    void belongs_whatCantBeRead_byItsServiceAlone(String request, String response) {
        assertThat(UdsExchange.belongs(Bytes.parse(request), UdsResponse.of(Bytes.parse(response))))
                .isTrue();
    }
}

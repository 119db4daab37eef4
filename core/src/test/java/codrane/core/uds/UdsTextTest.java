package codrane.core.uds;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class UdsTextTest {
    private final MessageText text = new MessageText(Map.of(0xF190, "VIN"));

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1003|DiagnosticSessionControl: extended session",
                "1082|DiagnosticSessionControl: programming session, no answer wanted",
                "5003003201F4|DiagnosticSessionControl answered: extended session",
                "14FFFFFF|ClearDiagnosticInformation: all faults",
                "1904D3010001|ReadDTCInformation: snapshot of U1301-00",
                "22F190|ReadDataByIdentifier: F190 VIN",
                "22ABCD|ReadDataByIdentifier: ABCD",
                "2701|SecurityAccess: seed, level 01",
                "270211223344|SecurityAccess: key, level 01",
                "3101FF00|RoutineControl: start FF00",
                "3601AABB|TransferData: block 01, 2 octets",
                "7F2231|ReadDataByIdentifier refused: it does not have what was asked for (31)",
                "7F3178|RoutineControl pending: it is still working",
                "7F|incomplete refusal",
                "BA|unknown service BA",
                "3E|TesterPresent",
                "22|ReadDataByIdentifier"
            })
    void of_messages_areInTheStandardsWords(String hex, String words) {
        assertThat(text.of(Bytes.parse(hex))).isEqualTo(words);
    }

    /** Written by hand from the services' layouts. */
    @Test
    void requests_areTheHandWrittenOctets() {
        assertHex(new UdsRequest.ReadDataByIdentifier(List.of(0xF190, 0xF18C)), "22F190F18C");
        assertHex(new UdsRequest.RequestDownload(0, MemoryRange.of(0x00080000, 0x00100000)), "3400440008000000100000");
        assertHex(
                new UdsRequest.WriteMemoryByAddress(MemoryRange.of(0xFF0000, 2), Bytes.parse("AABB")),
                "3D4400FF000000000002AABB");
        assertHex(UdsRequest.RoutineControl.start(0x0203, Bytes.of(1)), "3101020301");
        assertHex(new UdsRequest.InputOutputControlByIdentifier(0x0161, 3, Bytes.parse("00C8")), "2F01610300C8");
        assertHex(
                new UdsRequest.DefineByIdentifier(0xF2F1, List.of(new UdsRequest.Piece(0xF190, 12, 6))),
                "2C01F2F1F1900C06");
        assertHex(new UdsRequest.ReportDtcSnapshotRecordByDtcNumber(0xD30100, 0xFF), "1904D30100FF");
        assertHex(
                new UdsRequest.VerifyCertificateUnidirectional(0, Bytes.parse("AA"), Bytes.EMPTY), "2901000001AA0000");
        assertHex(new UdsRequest.ProofOfOwnership(Bytes.parse("BBCC"), Bytes.EMPTY), "29030002BBCC0000");
        assertHex(new UdsRequest.CommunicationControl(3, 1), "280301");
        assertHex(new UdsRequest.ControlDtcSetting(UdsRequest.ControlDtcSetting.OFF), "8502");
        assertHex(new UdsRequest.SendKey(1, Bytes.parse("0102")), "27020102");
        assertThat(new UdsRequest.TesterPresent().quiet().hex()).isEqualTo("3E80");
    }

    private static void assertHex(UdsRequest request, String hex) {
        assertThat(request.encode().hex()).isEqualTo(hex);
    }

    @Test
    void service_everyOne_isFoundByItsNumber() {
        for (Service service : Service.values())
            assertThat(Service.of(service.sid())).contains(service);
        assertThat(Service.of(0xBA)).isEmpty();
    }
}

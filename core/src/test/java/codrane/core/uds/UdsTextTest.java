package codrane.core.uds;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
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
        assertThat(Requests.readDataByIdentifier(0xF190, 0xF18C).hex()).isEqualTo("22F190F18C");
        assertThat(Requests.requestDownload(0x00080000, 0x00100000).hex()).isEqualTo("3400440008000000100000");
        assertThat(Requests.writeMemoryByAddress(0xFF0000, Bytes.parse("AABB")).hex())
                .isEqualTo("3D4400FF000000000002AABB");
        assertThat(Requests.startRoutine(0x0203, Bytes.of(1)).hex()).isEqualTo("3101020301");
        assertThat(Requests.shortTermAdjustment(0x0161, Bytes.parse("00C8")).hex())
                .isEqualTo("2F01610300C8");
        assertThat(Requests.defineByIdentifier(0xF2F1, 0xF190, 12, 6).hex()).isEqualTo("2C01F2F1F1900C06");
        assertThat(Requests.reportDtcSnapshotRecordByDtcNumber(0xD30100, 0xFF).hex())
                .isEqualTo("1904D30100FF");
        assertThat(Requests.verifyCertificateUnidirectional(Bytes.parse("AA")).hex())
                .isEqualTo("2901000001AA0000");
        assertThat(Requests.proofOfOwnership(Bytes.parse("BBCC")).hex()).isEqualTo("29030002BBCC0000");
        assertThat(Requests.communicationControl(3).hex()).isEqualTo("280301");
        assertThat(Requests.controlDtcSetting(false).hex()).isEqualTo("8502");
        assertThat(Requests.sendKey(1, Bytes.parse("0102")).hex()).isEqualTo("27020102");
    }

    @Test
    void service_everyOne_isFoundByItsNumber() {
        for (Service service : Service.values())
            assertThat(Service.of(service.sid())).contains(service);
        assertThat(Service.of(0xBA)).isEmpty();
    }
}

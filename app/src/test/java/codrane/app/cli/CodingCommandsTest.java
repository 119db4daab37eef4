package codrane.app.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** {@code coding decode}, {@code coding encode} and {@code crc}. */
class CodingCommandsTest {
    private final Commanded command = new Commanded();

    private int coding(String what, String hex, String... values) {
        List<String> args =
                new ArrayList<>(List.of("coding", what, "brennick-lorne", "tail-lift", "lift-main", hex, "--json"));
        args.addAll(List.of(values));
        return command.run(args);
    }

    @ParameterizedTest
    @CsvSource({
        "CRC8-J1850, 4B",
        "CRC16-CCITT-FALSE, 29B1",
        "CRC32, CBF43926",
    })
    void crc_theDesignsVectors(String kind, String crc) {
        assertThat(command.run("crc", kind, "313233343536373839", "--json")).isZero();
        assertThat(command.json().path("crc").asString()).isEqualTo(crc);
        assertThat(command.run("crc", kind, "31 32 33 34 35 36 37 38 39")).isZero();
        assertThat(command.out().strip()).isEqualTo(crc);
    }

    @ParameterizedTest
    @CsvSource({"CRC7, 31", "CRC32, 3", "CRC32, GG", "crc32, 31"})
    void crc_badInput_isUsage(String kind, String hex) {
        assertThat(command.run("crc", kind, hex)).isEqualTo(2);
    }

    @Test
    void decode_andEncode_areEachOthersReverse() {
        String blank = "00".repeat(length());
        assertThat(coding("encode", blank, "beeper=loud")).isZero();
        String hex = command.json().path("hex").asString();
        JsonNode changed = command.json().path("changedBits");
        // the setting at bit 64 holds 2: one bit, and the check follows
        assertThat(changed.get(0).path("byte").asInt()).isEqualTo(8);
        assertThat(changed.get(0).path("bit").asInt()).isEqualTo(7);
        assertThat(coding("decode", hex)).isZero();
        List<String> said = new ArrayList<>();
        command.json().path("fields").forEach(f -> {
            if (f.path("key").asString().equals("beeper"))
                said.add(f.path("raw").asInt() + " " + f.path("value").asString());
        });
        assertThat(said).containsExactly("2 loud");
        assertThat(command.json().path("checks").get(0).path("valid").asBoolean())
                .isTrue();
        assertThat(command.json().path("unknownBits")).isEmpty();
        assertThat(coding("encode", hex, "beeper=off")).isZero();
        assertThat(coding("encode", command.json().path("hex").asString(), "beeper=loud"))
                .isZero();
        assertThat(command.json().path("hex").asString()).isEqualTo(hex);
    }

    @Test
    void decode_bySoftware_choosesItsLayout_andRefusesWhatIsNotIts() {
        List<String> limits = List.of("coding", "decode", "brennick-lorne", "tail-lift", "lift-limits");
        assertThat(command.run(with(limits, "00".repeat(9) + "00", "--software", "3.08", "--json")))
                .isEqualTo(1); // the check does not fit zeros
        assertThat(command.json().path("fields").findValuesAsString("key"))
                .containsExactly("load.most", "tilt.most", "height.top");
        assertThat(command.run(with(limits, "00".repeat(10)))).isEqualTo(2);
        assertThat(command.err()).contains("10 bytes", "has 12", "so many it has with software 3.00 to before 3.10");
        assertThat(command.run(with(limits, "00".repeat(12), "--software", "3.08")))
                .isEqualTo(2);
        assertThat(command.err()).contains("of software 3.08 has 10", "so many it has with software 3.10 and newer");
        assertThat(command.run(with(limits, "00".repeat(12), "--software", "2.9")))
                .isEqualTo(2);
        assertThat(command.err()).contains("how 2.9 keeps lift-limits is not known");
    }

    private static List<String> with(List<String> command, String... more) {
        List<String> all = new ArrayList<>(command);
        all.addAll(List.of(more));
        return all;
    }

    @Test
    void decode_wrongCheck_isFound() {
        assertThat(coding("encode", "00".repeat(length()), "beeper=loud")).isZero();
        String hex = command.json().path("hex").asString();
        char last = hex.charAt(hex.length() - 1);
        String wrong = hex.substring(0, hex.length() - 1) + (last == '0' ? '1' : '0');
        assertThat(coding("decode", wrong)).isEqualTo(1);
        assertThat(command.json().path("checks").get(0).path("valid").asBoolean())
                .isFalse();
    }

    @Test
    void encode_valueThatCannotBe_namesWhatCan() {
        assertThat(coding("encode", "00".repeat(length()), "beeper=shrill")).isEqualTo(1);
        assertThat(command.json().path("message").asString()).contains("It can be loud, off, quiet");
    }

    @ParameterizedTest
    @CsvSource({"beeper", "=loud", "nothing=1"})
    void encode_whatIsNoAssignment_changesNothing(String assignment) {
        assertThat(coding("encode", "00".repeat(length()), assignment)).isPositive();
        assertThat(command.out()).isEmpty();
    }

    @Test
    void badInput_isSaid() {
        assertThat(coding("decode", "00")).isEqualTo(2);
        assertThat(coding("encode", "00".repeat(length()), "beeper=loud", "beeper=off"))
                .isEqualTo(2);
        assertThat(command.run("coding", "decode", "brennick-lorne", "tail-lift", "body-main", "00"))
                .isEqualTo(2);
        assertThat(command.err()).contains("lift-main");
        assertThat(command.run("coding", "decode", "brennick-lorne", "nothing", "lift-main", "00"))
                .isEqualTo(2);
    }

    /** Told by the refusal of another length. */
    private int length() {
        assertThat(command.run("coding", "decode", "brennick-lorne", "tail-lift", "lift-main", "00"))
                .isEqualTo(2);
        return Integer.parseInt(command.err().replaceAll("(?s).*has (\\d+)\\).*", "$1"));
    }
}

package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.octets.Bytes;
import codrane.core.octets.Checksums;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** {@code crc CRC8-J1850|CRC16-CCITT-FALSE|CRC32 HEX [--json]}. */
@Command(name = "crc", description = "A check number over octets.")
final class CrcCommand extends Asked {
    @Parameters(index = "0", paramLabel = "KIND", description = "CRC8-J1850, CRC16-CCITT-FALSE or CRC32")
    private String kind;

    @Parameters(index = "1", paramLabel = "HEX")
    private String hex;

    private record Told(String kind, int bytes, String crc) {}

    @Override
    public Integer call() {
        Bytes octets = Hex.octets("HEX", hex);
        String crc = switch (kind) {
            case "CRC8-J1850" -> "%02X".formatted(Checksums.crc8J1850(octets));
            case "CRC16-CCITT-FALSE" -> "%04X".formatted(Checksums.crc16CcittFalse(octets));
            case "CRC32" -> "%08X".formatted(Checksums.crc32(octets));
            default ->
                throw new UsageException(
                        "KIND: \"" + InputFile.quoted(kind) + "\" (expected CRC8-J1850, CRC16-CCITT-FALSE or CRC32)");
        };
        output().result("crc", new Told(kind, octets.length(), crc), crc);
        return Main.GOOD;
    }
}

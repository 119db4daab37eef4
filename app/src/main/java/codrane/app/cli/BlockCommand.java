package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.coding.BlockReading;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.io.IOException;
import java.util.List;
import picocli.CommandLine.Parameters;

/** A command about one block of coding: {@code PACK MODULE BLOCK HEX}. */
abstract class BlockCommand extends Asked {
    @Parameters(index = "0", paramLabel = "PACK")
    private String packName;

    @Parameters(index = "1", paramLabel = "MODULE")
    private String module;

    @Parameters(index = "2", paramLabel = "BLOCK", description = "layout id, as in the pack")
    private String blockId;

    @Parameters(index = "3", paramLabel = "HEX")
    private String hex;

    /** A bit as it is told: byte from 0, bit 7 the most significant. */
    record Bit(@JsonProperty("byte") int octet, int bit) {

        static List<Bit> of(List<BlockReading.Bit> bits) {
            return bits.stream().map(b -> new Bit(b.octet(), b.bit())).toList();
        }
    }

    /** As it was typed. */
    final String packName() {
        return packName;
    }

    final String module() {
        return module;
    }

    final Layout layout() throws IOException {
        Pack pack = PackFiles.named(packName);
        if (!pack.modules().containsKey(module))
            throw new UsageException("MODULE: this pack has no \"" + InputFile.quoted(module) + "\"");
        List<String> blocks = pack.module(module).blocks();
        if (!blocks.contains(blockId))
            throw new UsageException("BLOCK: " + module + " has no \"" + InputFile.quoted(blockId) + "\" (it has "
                    + (blocks.isEmpty() ? "none" : String.join(", ", blocks)) + ")");
        return pack.layout(blockId);
    }

    final Bytes block(Layout layout) {
        Bytes block = Hex.octets("HEX", hex);
        if (block.length() != layout.length())
            throw new UsageException(
                    "HEX: " + block.length() + " bytes (the block " + blockId + " has " + layout.length() + ")");
        return block;
    }
}

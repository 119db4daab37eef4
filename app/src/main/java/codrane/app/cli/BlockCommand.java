package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.coding.BlockReading;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.LayoutVersion;
import codrane.core.pack.Pack;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import picocli.CommandLine.Option;
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

    @Option(
            names = "--software",
            paramLabel = "V",
            description = "of the module, by which the layout is chosen (default: the newest)")
    private String software = "";

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
        Pack kept = pack.as(Map.of(module, software));
        if (!kept.knows(blockId))
            throw new UsageException("--software: how " + InputFile.quoted(software) + " keeps " + blockId
                    + " is not known (the pack knows it of " + known(pack, v -> true) + ")");
        return kept.layout(blockId);
    }

    final Bytes block(Layout layout) throws IOException {
        Bytes block = Hex.octets("HEX", hex);
        if (block.length() != layout.length())
            throw new UsageException("HEX: " + block.length() + " bytes (the block " + blockId
                    + (software.isEmpty() ? "" : " of software " + software) + " has " + layout.length()
                    + fitting(block.length()) + ")");
        return block;
    }

    /** The software whose layout is so long, in words; empty when there is none. */
    private String fitting(int length) throws IOException {
        String fits = known(PackFiles.named(packName), v -> v.layout().length() == length);
        return fits.isEmpty() ? "" : "; so many it has with software " + fits;
    }

    private String known(Pack pack, Predicate<LayoutVersion> which) {
        return pack.versions().getOrDefault(blockId, List.of()).stream()
                .filter(which)
                .map(LayoutVersion::range)
                .collect(Collectors.joining(", "));
    }
}

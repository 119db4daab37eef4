package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.calibration.Manifest;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/** A manifest beside its file: the same name, ending in {@code .json}. */
final class ManifestFile {
    private static final long LONGEST = 1L << 20;

    private final Path file;
    private final JsonNode in;

    private ManifestFile(Path file, JsonNode in) {
        this.file = file;
        this.in = in;
    }

    /** Where it would be; empty when the file itself is named so. */
    static Optional<Path> beside(Path file) {
        String name = String.valueOf(file.getFileName());
        int dot = name.lastIndexOf('.');
        Path json = file.resolveSibling((dot < 1 ? name : name.substring(0, dot)) + ".json");
        return json.equals(file) ? Optional.empty() : Optional.of(json);
    }

    /** @throws UsageException when it is no manifest, naming the member */
    static Manifest read(Path file) throws IOException {
        ManifestFile manifest = new ManifestFile(file, InputFile.json(file, LONGEST));
        return new Manifest(
                manifest.text("id"),
                manifest.text("pack"),
                manifest.text("module"),
                manifest.text("title"),
                manifest.texts("hardware"),
                manifest.texts("softwareBefore"),
                manifest.text("softwareAfter"),
                manifest.size(),
                manifest.crc32(),
                manifest.text("sha256"),
                manifest.in.has("signature") ? manifest.text("signature") : "");
    }

    private UsageException wrong(String member, String expected) {
        return new UsageException(file + ": " + member + " (expected " + expected + ")");
    }

    private String text(String member) {
        if (!in.path(member).isString()) throw wrong(member, "a text");
        return in.path(member).asString();
    }

    private List<String> texts(String member) {
        List<String> texts = new ArrayList<>();
        if (!in.path(member).isArray()) throw wrong(member, "a list of texts");
        for (JsonNode each : in.path(member)) {
            if (!each.isString()) throw wrong(member, "a list of texts");
            texts.add(each.asString());
        }
        return texts;
    }

    private long size() {
        JsonNode size = in.path("size");
        if (!size.isIntegralNumber() || !size.canConvertToLong() || size.asLong() < 0)
            throw wrong("size", "octets of the file");
        return size.asLong();
    }

    /** A number, as the makers' services send it, or eight hex digits. */
    private long crc32() {
        JsonNode crc = in.path("crc32");
        if (crc.isString() && crc.asString().matches("[0-9A-Fa-f]{8}")) return Long.parseLong(crc.asString(), 16);
        if (!crc.isIntegralNumber() || !crc.canConvertToLong()) throw wrong("crc32", "a number or eight hex digits");
        return crc.asLong();
    }
}

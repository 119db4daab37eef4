package codrane.app.shelf;

import codrane.core.calibration.Manifest;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;

/** Reads a manifest that somebody wrote or changed: member by member, so that what is wrong is named. */
public final class ManifestReader {
    private final JsonNode in;

    private ManifestReader(JsonNode in) {
        this.in = in;
    }

    /** @throws IllegalArgumentException when it is no manifest, naming the member */
    public static Manifest read(JsonNode json) {
        ManifestReader manifest = new ManifestReader(json);
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
                json.path("signature").isNull() || !json.has("signature") ? "" : manifest.text("signature"));
    }

    private static IllegalArgumentException wrong(String member, String expected) {
        return new IllegalArgumentException(member + " (expected " + expected + ")");
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

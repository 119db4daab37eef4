package codrane.app.shelf;

import codrane.core.calibration.Manifest;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.ObjectMapper;

/** A manifest, as it is stored. */
record ManifestStored(
        String id,
        String pack,
        String module,
        String title,
        List<String> hardware,
        List<String> softwareBefore,
        String softwareAfter,
        long size,
        long crc32,
        String sha256,
        @Nullable String signature) {
    static final int FORM = 1;

    private static final ObjectMapper JSON = new ObjectMapper();

    static String write(Manifest m) {
        return JSON.writeValueAsString(new ManifestStored(
                m.id(),
                m.pack(),
                m.module(),
                m.title(),
                m.hardware(),
                m.softwareBefore(),
                m.softwareAfter(),
                m.size(),
                m.crc32(),
                m.sha256(),
                m.signature()));
    }

    /** @param form in which it was stored */
    static Manifest read(int form, String json) {
        if (form != FORM) throw new IllegalStateException("a manifest of form " + form + " is too new");
        ManifestStored s = JSON.readValue(json, ManifestStored.class);
        return new Manifest(
                s.id(),
                s.pack(),
                s.module(),
                s.title(),
                s.hardware(),
                s.softwareBefore(),
                s.softwareAfter(),
                s.size(),
                s.crc32(),
                s.sha256(),
                s.signature() == null ? "" : s.signature()); // none in what was stored before there were any
    }
}

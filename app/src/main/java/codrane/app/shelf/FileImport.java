package codrane.app.shelf;

import codrane.app.packs.PackShelf;
import codrane.app.records.AuditTrail;
import codrane.core.calibration.CalibrationCheck;
import codrane.core.calibration.CalibrationWriter;
import codrane.core.calibration.Manifest;
import codrane.core.calibration.Shelved;
import codrane.core.octets.Bytes;
import codrane.core.octets.Checksums;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Locale;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.ObjectMapper;

/**
 * Takes a calibration that somebody carried here, with the maker's manifest beside it: Intel HEX, S-record or plain
 * binary, or a zip of both. Nothing is taken that the maker's service did not sign.
 */
@Component
public class FileImport {
    private static final int LONGEST = 32 << 20;
    private static final ObjectMapper JSON = new ObjectMapper();

    private final Shelf shelf;
    private final PackShelf packs;
    private final AuditTrail audit;

    FileImport(Shelf shelf, PackShelf packs, AuditTrail audit) {
        this.shelf = shelf;
        this.packs = packs;
        this.audit = audit;
    }

    /** Why not; the message is for people. */
    public static final class NotTakenException extends RuntimeException {
        private static final long serialVersionUID = 1;

        NotTakenException(String message) {
            super(message);
        }
    }

    private record Parts(Bytes file, Bytes manifest) {}

    /**
     * @param file or a zip that holds file and manifest
     * @param beside the manifest as JSON; empty when a zip holds it
     */
    @Transactional
    public Shelved take(byte[] file, byte[] beside, String who) {
        Parts parts = isZip(file) ? unpacked(file, beside) : new Parts(Bytes.copyOf(file), Bytes.copyOf(beside));
        Manifest manifest = manifest(parts.manifest().toArray());
        Pack pack = packs.all().stream()
                .filter(p -> p.id().equals(manifest.pack()))
                .findFirst()
                .orElseThrow(() -> new NotTakenException(
                        "The manifest is for " + manifest.pack() + "; that vehicle's pack is not here."));
        PackModule module = Optional.ofNullable(pack.modules().get(manifest.module()))
                .filter(m -> m.flash().isPresent())
                .orElseThrow(() -> new NotTakenException("The manifest is for " + manifest.module()
                        + ", which is no module of the " + pack.title() + " that is programmed."));
        if (pack.serviceKey().isEmpty())
            throw new NotTakenException("The pack does not name the key with which " + pack.maker()
                    + "'s service signs: take the file in a job, where the service is asked for it.");
        CalibrationCheck.origin(manifest, pack).ifPresent(FileImport::refuse);
        Shelved taken = stored(manifest, parts.file().toArray(), module);
        audit.record(who, "put on the shelf", manifest.id(), manifest.sha256());
        return taken;
    }

    private Shelved stored(Manifest manifest, byte[] content, PackModule module) {
        if (isBinary(content, manifest, module)) {
            byte[] hex = CalibrationWriter.intelHex(CalibrationWriter.image(
                    module.flash().orElseThrow().segment().start(), content));
            return shelf.add(manifest.inForm(hex.length, Checksums.sha256(hex)), hex);
        }
        CalibrationCheck.damage(content, manifest).ifPresent(FileImport::refuse);
        return shelf.add(manifest, content);
    }

    /** The whole memory of the module, octet by octet, and the one that the manifest describes. */
    private static boolean isBinary(byte[] content, Manifest manifest, PackModule module) {
        return content.length == module.flash().orElseThrow().segment().length()
                && content.length == manifest.size()
                && Checksums.sha256(content).equals(manifest.sha256())
                && Checksums.crc32(Bytes.copyOf(content)) == manifest.crc32();
    }

    private static void refuse(CalibrationCheck check) {
        throw new NotTakenException("Not taken. " + String.join(" ", check.reasons()));
    }

    private static Manifest manifest(byte[] json) {
        if (json.length == 0)
            throw new NotTakenException("Not taken: the maker's manifest (JSON) is not beside it. Without it nobody can"
                    + " tell what the file is for.");
        try {
            return ManifestReader.read(JSON.readTree(json));
        } catch (JacksonException e) {
            throw new NotTakenException("What lies beside it is no manifest that can be read.");
        } catch (IllegalArgumentException e) {
            throw new NotTakenException("What lies beside it is no manifest: " + e.getMessage() + ".");
        }
    }

    private static boolean isZip(byte[] content) {
        return content.length > 4 && content[0] == 'P' && content[1] == 'K' && content[2] == 3 && content[3] == 4;
    }

    /** One file and one manifest; what is more makes it something that nobody meant, and is not even unpacked. */
    private static Parts unpacked(byte[] zip, byte[] beside) {
        Optional<Bytes> file = Optional.empty();
        Optional<Bytes> manifest = Optional.of(Bytes.copyOf(beside)).filter(m -> !m.isEmpty());
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                boolean json = entry.getName().toLowerCase(Locale.ROOT).endsWith(".json");
                if ((json ? manifest : file).isPresent())
                    throw new NotTakenException(
                            "More than one " + (json ? "manifest" : "file") + " came: one is wanted.");
                byte[] content = in.readNBytes(LONGEST + 1);
                if (content.length > LONGEST)
                    throw new NotTakenException("Unpacked it has more than " + (LONGEST >> 20) + " MB.");
                if (json) manifest = Optional.of(Bytes.copyOf(content));
                else file = Optional.of(Bytes.copyOf(content));
            }
        } catch (IOException | IllegalArgumentException e) {
            throw new NotTakenException("The zip can't be read.");
        }
        return new Parts(
                file.orElseThrow(() -> new NotTakenException("The zip holds no file beside the manifest.")),
                manifest.orElse(Bytes.EMPTY));
    }
}

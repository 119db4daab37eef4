package codrane.app.shelf;

import codrane.app.packs.PackShelf;
import codrane.app.records.AuditTrail;
import codrane.core.calibration.CalibrationCheck;
import codrane.core.calibration.CalibrationWriter;
import codrane.core.calibration.Manifest;
import codrane.core.calibration.MemoryImage;
import codrane.core.calibration.Shelved;
import codrane.core.octets.Bytes;
import codrane.core.octets.Checksums;
import codrane.core.octets.Source;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.text.Words;
import codrane.link.file.FileSource;
import codrane.link.file.SourceStream;
import java.io.BufferedInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.Locale;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
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
    private static final long LONGEST = 1L << 30;
    private static final int LONGEST_MANIFEST = 1 << 20;
    private static final Bytes ZIP = Bytes.of('P', 'K', 3, 4);
    private static final ObjectMapper JSON = new ObjectMapper();

    private final Shelf shelf;
    private final PackShelf packs;
    private final AuditTrail audit;
    private final Scratch scratch;

    FileImport(Shelf shelf, PackShelf packs, AuditTrail audit, Scratch scratch) {
        this.scratch = scratch;
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

    /** @param file not closed */
    private record Parts(Source file, Bytes manifest) {}

    /**
     * @param file or a zip that holds file and manifest
     * @param beside the manifest as JSON; empty when a zip holds it
     */
    @Transactional
    public Shelved take(Source file, byte[] beside, String who) {
        return isZip(file) ? unpacked(file, beside, who) : taken(new Parts(file, Bytes.copyOf(beside)), who);
    }

    private Shelved taken(Parts parts, String who) {
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
        Shelved taken = stored(manifest, parts.file(), module);
        audit.record(who, "put on the shelf", manifest.id(), manifest.sha256());
        return taken;
    }

    private Shelved stored(Manifest manifest, Source content, PackModule module) {
        if (!isBinary(content, manifest, module)) return added(manifest, content);
        MemoryImage image = new MemoryImage(scratch.pages());
        image.put(module.flash().orElseThrow().segment().start(), content);
        if (image.crc32() != manifest.crc32())
            throw new NotTakenException("Not taken. Its CRC-32 is %08X, the manifest says %08X."
                    .formatted(image.crc32(), manifest.crc32()));
        try (FileSource hex = scratch.written(out -> CalibrationWriter.intelHex(image, out::write))) {
            return added(manifest.inForm(hex.length(), Checksums.sha256(hex)), hex);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private Shelved added(Manifest manifest, Source content) {
        try {
            return shelf.add(manifest, content);
        } catch (IllegalArgumentException e) {
            throw new NotTakenException("Not taken. " + Words.said(e));
        }
    }

    /** The whole memory of the module, octet by octet, and the one that the manifest describes. */
    private static boolean isBinary(Source content, Manifest manifest, PackModule module) {
        return content.length() == module.flash().orElseThrow().segment().length()
                && content.length() == manifest.size()
                && Checksums.sha256(content).equals(manifest.sha256());
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

    private static boolean isZip(Source content) {
        return content.length() > 4 && Bytes.owning(content.head(4)).equals(ZIP);
    }

    /** One file and one manifest; what is more makes it something that nobody meant, and is not even unpacked. */
    private Shelved unpacked(Source zip, byte[] beside, String who) {
        Bytes manifest = Bytes.copyOf(beside);
        Optional<FileSource> file = Optional.empty();
        try (ZipInputStream in = new ZipInputStream(new BufferedInputStream(new SourceStream(zip)))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                if (entry.isDirectory()) continue;
                boolean json = entry.getName().toLowerCase(Locale.ROOT).endsWith(".json");
                if (json ? !manifest.isEmpty() : file.isPresent())
                    throw new NotTakenException(
                            "More than one " + (json ? "manifest" : "file") + " came: one is wanted.");
                if (json) manifest = Bytes.owning(in.readNBytes(LONGEST_MANIFEST));
                else file = Optional.of(scratch.written(out -> copied(in, out, LONGEST)));
            }
            Source unpacked =
                    file.orElseThrow(() -> new NotTakenException("The zip holds no file beside the manifest."));
            return taken(new Parts(unpacked, manifest), who);
        } catch (IOException | IllegalArgumentException e) {
            throw new NotTakenException("The zip can't be read.");
        } catch (UncheckedIOException e) {
            boolean broken = e.getCause() instanceof ZipException || e.getCause() instanceof EOFException;
            throw broken ? new NotTakenException("The zip can't be read.") : e; // or the disk is full
        } finally {
            file.ifPresent(FileImport::closed);
        }
    }

    static void copied(InputStream in, OutputStream out, long most) throws IOException {
        byte[] piece = new byte[Source.PIECE];
        long all = 0;
        for (int n = in.read(piece); n >= 0; n = in.read(piece)) {
            all += n;
            if (all > most) throw new NotTakenException("Unpacked it has more than " + (most >> 20) + " MB.");
            out.write(piece, 0, n);
        }
    }

    private static void closed(FileSource file) {
        try {
            file.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

package codrane.standin.service;

import codrane.core.calibration.CalibrationFile;
import codrane.core.calibration.CalibrationWriter;
import codrane.core.calibration.Manifest;
import codrane.core.calibration.ManifestSignature;
import codrane.core.calibration.MemoryImage;
import codrane.core.calibration.ReadResult;
import codrane.core.calibration.Release;
import codrane.core.octets.Source;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.link.file.FileSource;
import codrane.link.file.ScratchFile;
import codrane.standin.module.CalibrationImage;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/** Calibration files that a maker offers for its models: Intel HEX, made when first asked for, always the same. */
final class CalibrationShelf {
    /** Octets of data; what has more is made as a file. */
    private static final long IN_THE_HEAP = 8 << 20;

    private final List<Offer> offers = new ArrayList<>();
    private final Map<String, Source> files = new ConcurrentHashMap<>();
    private final Map<String, Manifest> manifests = new ConcurrentHashMap<>();

    /** @param hardwareFamily beginning of the hardware numbers that the image accepts */
    private record Offer(
            String id,
            Pack pack,
            PackModule module,
            String hardwareFamily,
            List<String> hardware,
            List<String> before,
            String after) {
        /** Whether it is for the hardware that the pack fits. */
        boolean fits() {
            return hardwareFamily.equals(module.parts().family());
        }
    }

    CalibrationShelf(List<Pack> packs) {
        for (Pack pack : packs) {
            for (PackModule module : pack.modules().values()) {
                if (module.flash().isPresent()) offer(pack, module);
            }
        }
    }

    /** The current version for the fitted hardware family, and the same for another family, which does not fit. */
    private void offer(Pack pack, PackModule module) {
        String family = module.parts().family();
        String other = family.substring(0, family.length() - 1) + "Z";
        String version = module.software().current();
        String id = module.tag() + "-" + version.replace(".", "") + "-";
        List<String> fitting = List.of(family + "2", family + "3");
        offers.add(
                new Offer(id + family.charAt(family.length() - 1), pack, module, family, fitting, List.of(), version));
        offers.add(new Offer(id + "Z", pack, module, other, List.of(other + "1"), List.of(), version));
    }

    Source file(String id) {
        return files.computeIfAbsent(id, this::make);
    }

    private Source make(String id) {
        Offer offer = find(id).orElseThrow();
        MemoryImage image = CalibrationImage.of(offer.module(), offer.hardwareFamily(), offer.after());
        if (image.size() <= IN_THE_HEAP) return Source.of(CalibrationWriter.intelHex(image));
        try {
            return written(image);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Its name goes at once, its room with this program. */
    private static Source written(MemoryImage image) throws IOException {
        Path path = Files.createTempFile("codrane-", ".hex");
        try {
            try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(path))) {
                CalibrationWriter.intelHex(image, out::write);
            }
            return new FileSource(path);
        } finally {
            Files.delete(path);
        }
    }

    boolean has(String id) {
        return find(id).isPresent();
    }

    /** Whether the maker sends this one by mail instead of having it downloaded. */
    boolean sentByMail(String id) {
        return find(id).map(o -> MailRoom.sends(o.module())).orElse(false);
    }

    private Optional<Offer> find(String id) {
        return offers.stream().filter(o -> o.id().equals(id)).findFirst();
    }

    List<Manifest> manifests(String service, String pack, String module) {
        return offers.stream()
                .filter(o -> o.pack().service().equals(service))
                .filter(o -> o.pack().id().equals(pack) && o.module().id().equals(module))
                .map(o -> manifests.computeIfAbsent(o.id(), id -> manifest(o)))
                .toList();
    }

    private Manifest manifest(Offer offer) {
        CalibrationFile file =
                ((ReadResult.Read) CalibrationFile.read(file(offer.id()), ScratchFile.temporary())).file();
        Manifest manifest = new Manifest(
                offer.id(),
                offer.pack().id(),
                offer.module().id(),
                offer.module().title() + " " + offer.after(),
                offer.hardware(),
                offer.before(),
                offer.after(),
                file.length(),
                file.crc32(),
                file.sha256(),
                "");
        return ManifestSignature.sign(
                manifest, ServiceKeys.of(offer.pack().service()).getPrivate());
    }

    /** Every version of a module for its own hardware, the oldest first. */
    List<Release> releases(String service, String pack, String module) {
        return offers.stream()
                .filter(o -> o.pack().service().equals(service) && o.fits())
                .filter(o -> o.pack().id().equals(pack) && o.module().id().equals(module))
                .flatMap(o -> releases(o).stream())
                .toList();
    }

    private static List<Release> releases(Offer offer) {
        List<String> versions = offer.module().software().versions();
        List<Release> releases = new ArrayList<>();
        for (int i = 0; i < versions.size(); i++) {
            MemoryImage image = CalibrationImage.of(offer.module(), offer.hardwareFamily(), versions.get(i));
            releases.add(new Release(
                    versions.get(i),
                    i == 0 ? List.of() : List.of(versions.get(i - 1)),
                    "%08X".formatted(image.crc32())));
        }
        return releases;
    }
}

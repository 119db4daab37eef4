package codrane.standin.service;

import codrane.core.calibration.CalibrationFile;
import codrane.core.calibration.CalibrationWriter;
import codrane.core.calibration.Manifest;
import codrane.core.calibration.ReadResult;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.standin.vehicle.CalibrationImage;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/** Calibration files that a maker offers for its models: Intel HEX, made when first asked for, always the same. */
final class CalibrationShelf {
    private final List<Offer> offers = new ArrayList<>();
    private final Map<String, byte[]> files = new ConcurrentHashMap<>();

    /** @param hardwareFamily beginning of the hardware numbers that the image accepts */
    private record Offer(
            String id,
            Pack pack,
            PackModule module,
            String hardwareFamily,
            List<String> hardware,
            List<String> before,
            String after) {}

    CalibrationShelf(List<Pack> packs) {
        for (Pack pack : packs) {
            for (PackModule module : pack.modules().values()) {
                if (module.flash().isPresent()) offer(pack, module);
            }
        }
    }

    /** The needed version for hardware B, the one before, and one for hardware C that does not fit. */
    private void offer(Pack pack, PackModule module) {
        String base = module.parts().pattern().pattern().replaceAll(".*<base>([^)]*)\\).*", "$1");
        String needed = module.software().current();
        List<String> familyB = List.of(base + "-B2", base + "-B3");
        String tag = module.tag();
        String number = needed.replace(".", "");
        offers.add(new Offer(tag + "-" + number + "-B", pack, module, base + "-B", familyB, List.of(), needed));
        offers.add(new Offer(
                tag + "-" + number + "-C", pack, module, base + "-C", List.of(base + "-C1"), List.of(), needed));
    }

    byte[] file(String id) {
        return files.computeIfAbsent(id, this::make);
    }

    private byte[] make(String id) {
        Offer offer = find(id).orElseThrow();
        byte[] image = CalibrationImage.of(offer.module(), offer.hardwareFamily(), offer.after());
        return CalibrationWriter.intelHex(CalibrationWriter.image(
                offer.module().flash().orElseThrow().segment().start(), image));
    }

    boolean has(String id) {
        return find(id).isPresent();
    }

    private Optional<Offer> find(String id) {
        return offers.stream().filter(o -> o.id().equals(id)).findFirst();
    }

    List<Manifest> manifests(String service, String pack, String module) {
        return offers.stream()
                .filter(o -> o.pack().service().equals(service))
                .filter(o -> o.pack().id().equals(pack) && o.module().id().equals(module))
                .map(this::manifest)
                .toList();
    }

    private Manifest manifest(Offer offer) {
        byte[] content = file(offer.id());
        CalibrationFile file = ((ReadResult.Read) CalibrationFile.read(content)).file();
        return new Manifest(
                offer.id(),
                offer.pack().id(),
                offer.module().id(),
                offer.module().title() + " " + offer.after(),
                offer.hardware(),
                offer.before(),
                offer.after(),
                content.length,
                file.crc32(),
                file.sha256());
    }
}

package codrane.core.calibration;

import codrane.core.pack.Pack;
import codrane.core.part.Version;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** May this file go into this module? Judged from file, manifest and what the module itself reported. */
public record CalibrationCheck(Verdict verdict, List<String> reasons) {
    /** Only {@code UPDATE} and {@code SAME_VERSION} may be written without a lead. */
    public enum Verdict {
        UPDATE,
        SAME_VERSION,
        OLDER,
        NOT_FOR_THIS_MODULE,
        NOT_FOR_THIS_HARDWARE,
        NOT_FOR_THIS_SOFTWARE,
        FILE_DAMAGED,
        /** Not the maker's, or nobody can tell. */
        SIGNATURE_UNKNOWN
    }

    /**
     * The module as it was read.
     *
     * @param software version it reports; empty when only its boot software answers
     */
    public record Target(String pack, String module, String hardware, Optional<String> software) {}

    public CalibrationCheck {
        reasons = List.copyOf(reasons);
    }

    public boolean usable() {
        return verdict == Verdict.UPDATE || verdict == Verdict.SAME_VERSION;
    }

    /** The same with one reason more. */
    public CalibrationCheck because(String reason) {
        return new CalibrationCheck(
                verdict, Stream.concat(reasons.stream(), Stream.of(reason)).toList());
    }

    public static CalibrationCheck of(ReadResult file, Manifest manifest, Target target) {
        return damage(file, manifest).orElseGet(() -> fit(manifest, target));
    }

    /** The part that needs no vehicle: is the file the one that the manifest describes? */
    public static Optional<CalibrationCheck> damage(ReadResult read, Manifest manifest) {
        return switch (read) {
            case ReadResult.Damaged damaged -> damaged(damaged.sentence());
            case ReadResult.Read(CalibrationFile file) -> {
                if (file.length() != manifest.size())
                    yield damaged(
                            "The file has " + file.length() + " bytes, the manifest says " + manifest.size() + ".");
                if (!file.sha256().equals(manifest.sha256())) yield damaged("Its SHA-256 is not the manifest's.");
                if (file.crc32() != manifest.crc32()) {
                    yield damaged(
                            "Its CRC-32 is %08X, the manifest says %08X.".formatted(file.crc32(), manifest.crc32()));
                }
                yield Optional.empty();
            }
        };
    }

    /**
     * Why a manifest that comes from outside is not taken; empty when the maker's service signed it, or the pack does not
     * name its key.
     */
    public static Optional<CalibrationCheck> origin(Manifest manifest, Pack pack) {
        return switch (ManifestSignature.judge(manifest, pack.serviceKey())) {
            case MAKERS, NO_KEY -> Optional.empty();
            case MISSING ->
                Optional.of(refused(
                        Verdict.SIGNATURE_UNKNOWN,
                        "Its manifest is not signed: whether it is " + pack.maker() + "'s, nobody can tell."));
            case FOREIGN ->
                Optional.of(refused(
                        Verdict.SIGNATURE_UNKNOWN,
                        "The signature under its manifest is not that of " + pack.maker()
                                + "'s service: it was changed, or somebody else made it."));
        };
    }

    private static Optional<CalibrationCheck> damaged(String reason) {
        return Optional.of(new CalibrationCheck(Verdict.FILE_DAMAGED, List.of(reason)));
    }

    /** The part that needs no file: is the manifest for this module as it was read? */
    public static CalibrationCheck fit(Manifest manifest, Target target) {
        if (!manifest.pack().equals(target.pack()) || !manifest.module().equals(target.module())) {
            return refused(
                    Verdict.NOT_FOR_THIS_MODULE, "The file is for " + manifest.pack() + "/" + manifest.module() + ".");
        }
        if (!manifest.hardware().contains(target.hardware())) {
            return refused(
                    Verdict.NOT_FOR_THIS_HARDWARE,
                    "The module's hardware is " + target.hardware() + "; the file is for "
                            + String.join(", ", manifest.hardware()) + ".");
        }
        List<String> reasons = new ArrayList<>();
        reasons.add("Hardware " + target.hardware() + " is in the manifest's list.");
        if (target.software().isEmpty()) {
            reasons.add("The module reports no software of its own; " + manifest.softwareAfter() + " fills it.");
            return new CalibrationCheck(Verdict.UPDATE, reasons);
        }
        return compare(manifest, target.software().get(), reasons);
    }

    private static CalibrationCheck compare(Manifest manifest, String software, List<String> reasons) {
        if (software.equals(manifest.softwareAfter())) {
            reasons.add("The module already reports " + software + ": the same version again.");
            return new CalibrationCheck(Verdict.SAME_VERSION, reasons);
        }
        if (Version.parse(software).compareTo(Version.parse(manifest.softwareAfter())) > 0) {
            return refused(
                    Verdict.OLDER,
                    "The module has " + software + ", the file is the older " + manifest.softwareAfter() + ".");
        }
        if (!manifest.softwareBefore().isEmpty() && !manifest.softwareBefore().contains(software)) {
            return refused(
                    Verdict.NOT_FOR_THIS_SOFTWARE,
                    "The file replaces " + String.join(", ", manifest.softwareBefore()) + ", the module has " + software
                            + ".");
        }
        reasons.add("Software " + software + " becomes " + manifest.softwareAfter() + ".");
        return new CalibrationCheck(Verdict.UPDATE, reasons);
    }

    private static CalibrationCheck refused(Verdict verdict, String reason) {
        return new CalibrationCheck(verdict, List.of(reason));
    }
}

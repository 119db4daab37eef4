package codrane.core.calibration;

import codrane.core.calibration.CalibrationCheck.Verdict;
import codrane.core.pack.PackModule;
import codrane.core.part.Version;
import java.util.List;

/**
 * May this file go into this module, when no manifest is beside it? Judged from the file's own addresses and texts, and from
 * what the pack knows. What only a manifest tells stays unknown, and is said.
 *
 * @param software that the file holds; empty when it is for another memory
 * @param hardware that the file is for, as its own text says
 */
public record FileInModule(CalibrationCheck check, String software, String hardware) {
    private static final String UNKNOWN =
            "No manifest is beside it: which software it may replace, and who signed it, nobody can tell.";

    /**
     * @param hardware number that the module reports
     * @param current software that the module reports; empty when only its boot software answers
     */
    public static FileInModule of(CalibrationFile file, PackModule module, String hardware, String current) {
        PackModule.Flash flash = module.flash().orElseThrow();
        List<MemoryImage.Segment> segments = file.segments();
        long start = flash.segment().start();
        long length = flash.segment().length();
        boolean fills = segments.size() == 1
                && segments.getFirst().start() == start
                && segments.getFirst().length() == length;
        if (!fills)
            return new FileInModule(
                    refused(
                            Verdict.NOT_FOR_THIS_MODULE,
                            "The file holds %08X to %08X%s, the memory of the %s is %08X to %08X."
                                    .formatted(
                                            segments.getFirst().start(),
                                            segments.getLast().end() - 1,
                                            segments.size() > 1 ? " with gaps" : "",
                                            module.lowerTitle(),
                                            start,
                                            start + length - 1)),
                    "",
                    "");
        String version = text(file, flash.version());
        String wanted = text(file, flash.hardware());
        if (version.isEmpty())
            return new FileInModule(
                    refused(
                            Verdict.NOT_FOR_THIS_MODULE,
                            "The file tells no software version where those of the " + module.lowerTitle()
                                    + " have it, at %08X."
                                            .formatted(flash.version().start())),
                    "",
                    wanted);
        return new FileInModule(judge(module, version, wanted, hardware, current), version, wanted);
    }

    /** Empty when what stands there is no text. */
    private static String text(CalibrationFile file, PackModule.Range range) {
        String text = file.image().read(range.start(), range.length()).text().strip();
        return text.chars().allMatch(c -> c >= 0x20 && c < 0x7F) ? text : "";
    }

    private static CalibrationCheck judge(
            PackModule module, String version, String wanted, String hardware, String current) {
        if (wanted.isEmpty() || !hardware.startsWith(wanted))
            return refused(
                    Verdict.NOT_FOR_THIS_HARDWARE,
                    "The module's hardware is " + hardware + "; the file says it is for "
                            + (wanted.isEmpty() ? "none" : wanted) + ".");
        String fits =
                "The file fills the memory of the " + module.lowerTitle() + " and is for hardware " + wanted + ".";
        if (current.isEmpty())
            return new CalibrationCheck(
                    Verdict.UPDATE,
                    List.of(fits, "The module reports no software of its own; " + version + " fills it.", UNKNOWN));
        int order = Version.parse(current).compareTo(Version.parse(version));
        if (order > 0)
            return refused(Verdict.OLDER, "The module has " + current + ", the file is the older " + version + ".");
        return order == 0
                ? new CalibrationCheck(
                        Verdict.SAME_VERSION,
                        List.of(fits, "The module already reports " + current + ": the same version again.", UNKNOWN))
                : new CalibrationCheck(
                        Verdict.UPDATE, List.of(fits, "Software " + current + " becomes " + version + ".", UNKNOWN));
    }

    private static CalibrationCheck refused(Verdict verdict, String reason) {
        return new CalibrationCheck(verdict, List.of(reason));
    }
}

package codrane.core.plan;

import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.timing.ProgrammingEstimate;

/** Expected programming time from the pack's figures. */
public final class ProgrammingSeconds {
    private static final int RESTART_SECONDS = 4;

    private ProgrammingSeconds() {}

    public static int of(Pack pack, PackModule.Flash flash) {
        return (int) estimate(pack, flash).total().toSeconds() + RESTART_SECONDS;
    }

    /** For the whole flash segment. */
    public static ProgrammingEstimate estimate(Pack pack, PackModule.Flash flash) {
        return estimate(pack, flash, flash.segment().length());
    }

    /** @param bytes octets of data, at least 1 */
    public static ProgrammingEstimate estimate(Pack pack, PackModule.Flash flash, long bytes) {
        return ProgrammingEstimate.of(
                bytes,
                new ProgrammingEstimate.Figures(
                        pack.link().wire(),
                        flash.blockBytes(),
                        flash.blockSize(),
                        flash.separationTime(),
                        flash.erase(),
                        flash.block(),
                        flash.verify()));
    }
}

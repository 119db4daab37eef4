package codrane.core.plan;

import codrane.core.pack.Pack;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackModule;
import codrane.core.timing.ProgrammingEstimate;

/** Expected programming time from the pack's figures, for the whole flash segment. */
public final class ProgrammingSeconds {
    /** A DoIP transfer is bound by the module's processing, not by the link. */
    private static final int ETHERNET_BITRATE = 1_000_000;

    private static final int RESTART_SECONDS = 4;

    private ProgrammingSeconds() {}

    public static int of(Pack pack, PackModule.Flash flash) {
        return (int) estimate(pack, flash).total().toSeconds() + RESTART_SECONDS;
    }

    public static ProgrammingEstimate estimate(Pack pack, PackModule.Flash flash) {
        int bitrate = pack.link() instanceof PackLink.Can can ? can.bitrate() : ETHERNET_BITRATE;
        return ProgrammingEstimate.of(
                flash.segment().length(),
                new ProgrammingEstimate.Figures(
                        bitrate,
                        flash.blockBytes(),
                        flash.separationTime(),
                        flash.erase(),
                        flash.block(),
                        flash.verify()));
    }
}

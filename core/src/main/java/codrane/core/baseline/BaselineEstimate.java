package codrane.core.baseline;

import codrane.core.pack.Pack;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackModule;
import java.time.Duration;
import java.util.Collection;

/** How long a deep read takes, from the pack: every request with its answer on the wire, and the module's own time. */
public final class BaselineEstimate {
    /** A module seldom takes longer to look something up. */
    private static final Duration THINKING = Duration.ofMillis(4);

    private static final Duration OVER_DOIP = Duration.ofMillis(6);
    private static final int BITS_PER_FRAME = 130;
    private static final int OCTETS_PER_FRAME = 7;
    private static final int TYPICAL_ANSWER = 20;

    private BaselineEstimate() {}

    public static Duration of(Pack pack, Collection<PackModule> modules) {
        return modules.stream().map(m -> module(pack, m)).reduce(Duration.ZERO, Duration::plus);
    }

    private static Duration module(Pack pack, PackModule module) {
        int requests = 2 // whether it is there, and its faults
                + module.identification().size()
                + module.live().size()
                + module.adaptations().size();
        Duration all = exchange(pack, TYPICAL_ANSWER).multipliedBy(requests);
        for (var layout : pack.blocksOf(module)) all = all.plus(exchange(pack, layout.length()));
        return all;
    }

    private static Duration exchange(Pack pack, int answerOctets) {
        if (!(pack.link() instanceof PackLink.Can can)) return OVER_DOIP;
        int frames = 2 + (answerOctets > OCTETS_PER_FRAME ? 1 + answerOctets / OCTETS_PER_FRAME : 0);
        return THINKING.plus(Duration.ofNanos(1_000_000_000L * frames * BITS_PER_FRAME / can.bitrate()));
    }
}

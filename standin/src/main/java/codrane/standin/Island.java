package codrane.standin;

import static java.util.Objects.requireNonNull;

import codrane.core.pack.Pack;
import codrane.standin.vehicle.Setup;
import java.time.Duration;
import java.util.List;
import java.util.Map;

/** The island's vehicles, as the demo finds them. */
public final class Island {
    /** Packs that it needs. */
    public static final List<String> PACKS = List.of(
            "brennick-lorne", "brennick-almery", "peregil-dunlin", "tolvane-chorus", "tolvane-wisp", "ardwyn-gannet");

    private Island() {}

    /**
     * @param packs all of {@link #PACKS}, by id
     * @param check how long an authority takes to check a workshop
     */
    public static StandinWorld.Stock stock(Map<String, Pack> packs, Duration check) {
        Pack lorne = pack(packs, "brennick-lorne");
        Pack almery = pack(packs, "brennick-almery");
        Pack dunlin = pack(packs, "peregil-dunlin");
        Pack chorus = pack(packs, "tolvane-chorus");
        Pack gannet = pack(packs, "ardwyn-gannet");
        return new StandinWorld.Stock(
                List.of(
                        Conditions.usedTailLift(lorne),
                        Conditions.lockedAlmery(almery),
                        Conditions.blankBody(dunlin),
                        Conditions.changedBus(lorne),
                        Conditions.newRadar(almery),
                        Conditions.newSteering(dunlin)),
                List.of(
                        Setup.healthy(pack(packs, "tolvane-wisp"), Conditions.WISP),
                        Conditions.newRamp(chorus),
                        Setup.healthy(gannet, Conditions.GANNET),
                        Setup.healthy(chorus, Conditions.CHORUS_SECOND),
                        Conditions.newSpreader(gannet)),
                check);
    }

    private static Pack pack(Map<String, Pack> packs, String id) {
        return requireNonNull(packs.get(id), id);
    }
}

package codrane.standin;

import codrane.core.baseline.Baseline;
import codrane.core.pack.Pack;
import codrane.link.scan.DeepReader;
import codrane.standin.vehicle.Setup;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Baselines of earlier visits, read in virtual time: what a workshop has in its archive when the demo begins. */
public final class History {
    /** A healthy fleet of this size makes known-good references. */
    private static final int FLEET = 24;

    private History() {}

    /**
     * One visit.
     *
     * @param purpose as-left, or reference for a healthy vehicle
     */
    public record Visit(String vin, String pack, String takenAt, String purpose, String baseline, String sha256) {}

    /**
     * @param packs by id; what is not there has no history
     * @param now when the demo begins
     */
    public static List<Visit> of(Map<String, Pack> packs, Instant now) {
        List<Visit> visits = new ArrayList<>();
        Pack lorne = packs.get("brennick-lorne");
        if (lorne != null) {
            for (int i = 1; i <= FLEET; i++)
                visits.add(visit(Conditions.ofFleet(lorne, i), "reference", now.minus(Duration.ofDays(13L * i))));
        }
        Pack wisp = packs.get("tolvane-wisp");
        if (wisp != null)
            visits.add(visit(Setup.healthy(wisp, Conditions.WISP), "as-left", now.minus(Duration.ofDays(47))));
        Pack almery = packs.get("brennick-almery");
        if (almery != null)
            visits.add(visit(Setup.healthy(almery, Conditions.ALMERY), "as-left", now.minus(Duration.ofDays(120))));
        Pack dunlin = packs.get("peregil-dunlin");
        if (dunlin != null) {
            visits.add(visit(Conditions.ofFleet(dunlin, 1), "as-left", now.minus(Duration.ofDays(34))));
            visits.add(visit(Conditions.privateDunlin(dunlin), "as-left", now.minus(Duration.ofDays(61))));
        }
        return visits;
    }

    private static Visit visit(Setup setup, String purpose, Instant takenAt) {
        Pack pack = setup.pack();
        VirtualWorkshop workshop = new VirtualWorkshop(setup);
        var reading = new DeepReader(workshop.link(), pack).read(pack.modules().values(), List.of(), done -> {});
        Baseline baseline = Baseline.of(pack, setup.vin().text(), takenAt, reading);
        return new Visit(
                setup.vin().text(), pack.id(), takenAt.toString(), purpose, baseline.json(), baseline.sha256());
    }
}

package codrane.core.job;

import codrane.core.plan.PartOrigin;
import codrane.core.vin.VinComparison;
import codrane.core.vin.VinComparison.Held;
import codrane.core.vin.VinComparison.State;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * What a scan says of the vehicle's identity, and what may be accepted of it.
 *
 * @param expected modules whose other or missing VIN belongs to this job's work: the replaced part
 * @param unexpected the others, which this job does not write
 * @param about both, as a text that changes when they do
 */
public record IdentityFinding(VinComparison vins, List<Odd> expected, List<Odd> unexpected, String about) {
    /**
     * A module that does not carry the vehicle's VIN.
     *
     * @param vin that it carries; empty when it holds none
     */
    public record Odd(String module, String title, String vin) {
        String words() {
            return title + (vin.isEmpty() ? " holds no VIN" : " carries " + vin);
        }
    }

    public static IdentityFinding of(JobState state, Scan scan) {
        VinComparison vins = state.matrix(scan).vins();
        List<Odd> expected = new ArrayList<>();
        List<Odd> unexpected = new ArrayList<>();
        for (Held held : vins.held()) {
            if (held.state() != State.DIFFERS && held.state() != State.EMPTY) continue;
            Odd odd = new Odd(held.module(), state.pack().module(held.module()).title(), held.text());
            (ownPart(state, odd) ? expected : unexpected).add(odd);
        }
        String about = vins.held().stream()
                .filter(h -> h.state() == State.DIFFERS || h.state() == State.EMPTY)
                .map(h -> h.module() + "=" + h.text())
                .sorted()
                .collect(Collectors.joining(" "));
        return new IdentityFinding(vins, expected, unexpected, about);
    }

    /** A new part holds none, a used one its donor's; a module that learns the VIN is what such a job is about. */
    private static boolean ownPart(JobState state, Odd odd) {
        if (!state.job().replacedModule().equals(Optional.of(odd.module()))) return false;
        boolean fresh = state.job().origin().equals(Optional.of(PartOrigin.NEW));
        return odd.vin().isEmpty() || !fresh;
    }

    /** Not when most modules carry another VIN: then nothing is written, whoever says so. */
    public boolean acceptable() {
        return switch (vins.verdict()) {
            case DONOR, MODULE_EMPTY, ALL_AGREE -> true;
            case VEHICLE_DISAGREES, NOTHING_READ -> false;
        };
    }

    public String unexpectedWords() {
        return unexpected.stream().map(Odd::words).collect(Collectors.joining(", "));
    }
}

package codrane.standin.module;

import codrane.core.fault.FaultCode;
import codrane.core.vin.Vin;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The part that is in a module's place.
 *
 * @param vin it holds; absent: blank
 * @param software it has; absent: boot software only
 * @param madeFor vehicle its coding was made for; absent: blank coding
 * @param values coding values that differ from the factory's
 * @param order option codes it holds; absent: the factory's
 * @param faults stored from before
 * @param paired with this vehicle's immobiliser
 * @param altered whether somebody changed its software without changing the version
 */
public record Part(
        Optional<Vin> vin,
        Optional<String> software,
        Optional<Vin> madeFor,
        Map<String, String> values,
        Optional<List<String>> order,
        List<FaultCode> faults,
        Health health,
        boolean paired,
        boolean altered) {
    /** What state the part is in. */
    public enum Health {
        GOOD,
        /** Not there at all. */
        ABSENT,
        /** Connected, but it never answers. */
        BURNT,
        /** Answers what is read, fails at every writing. */
        HALF_DEAD,
        /** Connected, but not in its place. */
        NOT_MOUNTED
    }

    public Part {
        values = Map.copyOf(values);
        order = order.map(List::copyOf);
        faults = List.copyOf(faults);
    }

    /** As built into this vehicle. */
    public static Part fitted(Vin vin, String software) {
        return new Part(
                Optional.of(vin),
                Optional.of(software),
                Optional.of(vin),
                Map.of(),
                Optional.empty(),
                List.of(),
                Health.GOOD,
                true,
                false);
    }

    /** Out of another vehicle. */
    public static Part used(Vin donor, String software) {
        Part part = fitted(donor, software);
        return new Part(
                part.vin, part.software, part.madeFor, Map.of(), part.order, List.of(), Health.GOOD, false, false);
    }

    /** Never was in a vehicle: no VIN, no application, no coding. */
    public static Part blank() {
        return new Part(
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Map.of(),
                Optional.of(List.of()),
                List.of(),
                Health.GOOD,
                false,
                false);
    }

    /** As delivered by the maker: software in it, no VIN and no coding. */
    public static Part unwritten(String software) {
        return new Part(
                Optional.empty(),
                Optional.of(software),
                Optional.empty(),
                Map.of(),
                Optional.of(List.of()),
                List.of(),
                Health.GOOD,
                false,
                false);
    }

    public Part withValues(Map<String, String> coding) {
        return new Part(vin, software, madeFor, coding, order, faults, health, paired, altered);
    }

    public Part withFaults(String... codes) {
        List<FaultCode> parsed =
                java.util.Arrays.stream(codes).map(FaultCode::parse).toList();
        return new Part(vin, software, madeFor, values, order, parsed, health, paired, altered);
    }

    public Part withOrder(List<String> codes) {
        return new Part(vin, software, madeFor, values, Optional.of(codes), faults, health, paired, altered);
    }

    public Part in(Health state) {
        return new Part(vin, software, madeFor, values, order, faults, state, paired, altered);
    }

    public Part unpaired() {
        return new Part(vin, software, madeFor, values, order, faults, health, false, altered);
    }

    public Part withAlteredSoftware() {
        return new Part(vin, software, madeFor, values, order, faults, health, paired, true);
    }
}

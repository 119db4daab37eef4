package codrane.core.tool;

import codrane.core.part.SerialMask;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/**
 * What is known about an interface today.
 *
 * @param told what it tells about itself; empty when it does not answer
 * @param wanted versions that the workshop uses
 * @param licenceUntil last day of its licence; empty when nobody noted it
 * @param registration whether the authority of this vehicle's gateway has it; empty when there is none to ask
 * @param cables that fit this vehicle's model year
 * @param cableSeen whether a person said that one of them is used
 * @param wiredOnly whether this job's writes need a wired link
 * @param answeredAt when a module of this vehicle answered over it
 */
public record ToolFacts(
        String name,
        Optional<Told> told,
        Versions wanted,
        Optional<LocalDate> licenceUntil,
        Optional<Boolean> registration,
        List<String> cables,
        boolean cableSeen,
        boolean wiredOnly,
        Optional<Instant> answeredAt) {
    public record Versions(String driver, String firmware) {}

    /**
     * @param mask form of its model's serial numbers
     * @param celsius its temperature
     */
    public record Told(String serial, SerialMask mask, Versions versions, boolean wireless, double celsius) {}

    public ToolFacts {
        cables = List.copyOf(cables);
    }
}

package codrane.core.tool;

import codrane.core.part.Version;
import codrane.core.text.Words;
import codrane.core.tool.ToolFacts.Told;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/** Judges an interface, one thing at a time. That it calls itself ready proves nothing: an answered request does. */
public final class ToolReadiness {
    /** Warmer than this it should cool before a long transfer (policy). */
    public static final double WARM_CELSIUS = 60;

    private static final double AMBIENT_CELSIUS = 24;
    private static final double COOLING_SECONDS = 240;
    private static final int SOON_DAYS = 14;

    private ToolReadiness() {}

    /**
     * For one vehicle.
     *
     * @param today for the licence
     */
    public static List<Check> judge(ToolFacts facts, LocalDate today) {
        List<Check> checks = itself(facts, today);
        checks.add(cable(facts));
        checks.add(answer(facts));
        return checks;
    }

    /** As {@link #judge}, without a vehicle: which cable it takes is a matter of that. */
    public static List<Check> judgeAlone(ToolFacts facts, LocalDate today) {
        List<Check> checks = itself(facts, today);
        checks.add(answer(facts));
        return checks;
    }

    private static Check answer(ToolFacts facts) {
        return facts.answeredAt().isPresent()
                ? Check.good("Answer", "A module answered over it.")
                : Check.ask("Answer", "Nothing was asked yet. \"Ready\" from a computer proves nothing.");
    }

    private static List<Check> itself(ToolFacts facts, LocalDate today) {
        List<Check> checks = new ArrayList<>();
        checks.add(
                facts.told().isPresent()
                        ? Check.good(
                                "Interface",
                                facts.name() + " is connected, number "
                                        + facts.told().get().serial() + ".")
                        : Check.problem(
                                "Interface",
                                facts.name()
                                        + " does not tell about itself. Plug it in again, try another port, then another driver."));
        facts.told().ifPresent(told -> told(checks, facts, told));
        checks.add(licence(facts, today));
        facts.registration()
                .ifPresent(
                        registered -> checks.add(
                                registered
                                        ? Check.good("Registration", "The authority of this vehicle's gateway has it.")
                                        : Check.problem(
                                                "Registration",
                                                "The authority of this vehicle's gateway does not have it: see Unlock. Reading goes on without.")));
        return checks;
    }

    private static void told(List<Check> checks, ToolFacts facts, Told told) {
        if (!told.mask().judge(told.serial()).valid())
            checks.add(Check.problem("Number", "Its number is not of this model: another device may be plugged in."));
        checks.add(version(
                "Driver",
                told.versions().driver(),
                facts.wanted().driver(),
                "Install it, restart the computer, then plug the interface in."));
        checks.add(version(
                "Firmware",
                told.versions().firmware(),
                facts.wanted().firmware(),
                "Update it before the vehicle is on the cable."));
        checks.add(
                !told.wireless()
                        ? Check.good("Link", "By cable.")
                        : facts.wiredOnly()
                                ? Check.problem(
                                        "Link",
                                        "Wireless: what this job writes needs the cable. Unpair, plug in, ask again.")
                                : Check.ask("Link", "Wireless: enough for reading; keep within a few metres."));
        checks.add(heat(told.celsius()));
    }

    private static Check version(String title, String is, String wanted, String remedy) {
        if (!is.matches("\\d+(\\.\\d+)*") || !wanted.matches("\\d+(\\.\\d+)*"))
            return Check.good(title, is.isEmpty() ? "None is needed." : "Version " + is + ".");
        boolean old = Version.parse(is).compareTo(Version.parse(wanted)) < 0;
        return old
                ? Check.problem(title, "Version " + is + "; the workshop uses " + wanted + ". " + remedy)
                : Check.good(title, "Version " + is + ".");
    }

    private static Check heat(double celsius) {
        String is = Math.round(celsius) + " °C";
        if (celsius < WARM_CELSIUS) return Check.good("Temperature", is + ".");
        return Check.problem(
                "Temperature",
                is + ": it may give up in the middle. Let it cool, about " + minutes(coolDown(celsius))
                        + " min, out of the sun.");
    }

    /** How long until it is below the warm limit, by how such interfaces cool; zero when it is already. */
    public static Duration coolDown(double celsius) {
        if (celsius <= WARM_CELSIUS) return Duration.ZERO;
        double seconds = COOLING_SECONDS * Math.log((celsius - AMBIENT_CELSIUS) / (WARM_CELSIUS - AMBIENT_CELSIUS));
        return Duration.ofSeconds(Math.round(seconds));
    }

    private static long minutes(Duration span) {
        return (span.toSeconds() + 59) / 60;
    }

    private static Check licence(ToolFacts facts, LocalDate today) {
        if (facts.licenceUntil().isEmpty())
            return Check.ask("Licence", "Nobody noted until when it runs: note its day under Tools.");
        LocalDate until = facts.licenceUntil().get();
        if (until.isBefore(today)) return Check.problem("Licence", "It ended on " + Words.day(until) + ": renew it.");
        return until.isBefore(today.plusDays(SOON_DAYS))
                ? Check.ask("Licence", "It ends soon, on " + Words.day(until) + ": renew it in time.")
                : Check.good("Licence", "It runs until " + Words.day(until) + ".");
    }

    private static Check cable(ToolFacts facts) {
        if (facts.cables().isEmpty()) return Check.ask("Cable", "The pack names none for this model year.");
        String names = String.join(" or ", facts.cables());
        return facts.cableSeen()
                ? Check.good("Cable", "It is the " + names + ".")
                : Check.ask("Cable", "This model year needs the " + names + ". Look, then say so below.");
    }
}

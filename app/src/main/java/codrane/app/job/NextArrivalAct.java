package codrane.app.job;

import static codrane.app.job.NextActs.minutes;
import static codrane.app.job.NextActs.stop;

import codrane.app.job.NextAct.Act;
import codrane.app.job.NextAct.Tone;
import codrane.core.baseline.BaselineEstimate;
import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.JobProgress.Hold;
import codrane.core.plan.Stage;
import java.util.List;
import java.util.Locale;

/** What to do next from arrival to baseline. */
final class NextArrivalAct {
    private NextArrivalAct() {}

    /** @param stage intake, bench, identify or baseline */
    static NextAct of(JobFacts facts, Stage stage) {
        return switch (stage) {
            case INTAKE -> intake(facts);
            case BENCH -> bench(facts);
            case IDENTIFY -> identify(facts);
            default -> baseline(facts);
        };
    }

    private static NextAct intake(JobFacts facts) {
        if (facts.progress().hold(HoldPoint.OLD_MODULE_ASKED) == Hold.OPEN) {
            String old = facts.replaced().map(PackModule::lowerTitle).orElse("module");
            return new NextAct(
                    "Is the old " + old + " still in the vehicle?",
                    "Then it is read before anyone removes it: its coding is the best source. Once it is out, nobody gets it back.",
                    stop(facts),
                    Tone.PERSON,
                    List.of(
                            Act.read("It is still in", "/old-module/still-in"),
                            Act.read("It is out already", "/old-module/out").second()));
        }
        if (facts.progress().hold(HoldPoint.PAPERS_AGREE) == Hold.OPEN) {
            return new NextAct(
                    "Plate and papers name two vehicles",
                    "The plate says " + facts.job().vin().grouped() + ", the papers "
                            + facts.intake().details().papersVin()
                            + ". Read both aloud again; correct it below, or begin a new job.",
                    stop(facts),
                    Tone.DIFFERS,
                    List.of(Act.waive("Go on all the same", "/waive/papers-agree")));
        }
        if (facts.progress().hold(HoldPoint.OWNERSHIP_PROVED) == Hold.OPEN) {
            return new NextAct(
                    "See the proof of ownership, and note it",
                    "Keys or the immobiliser are touched. Note below what was shown, and count the keys: all are needed for pairing. Local law may want a licensed locksmith.",
                    stop(facts),
                    Tone.PERSON,
                    List.of());
        }
        String what = facts.job().kind() == JobKind.CLEAR_FAULTS
                ? "clearing faults after they are written down"
                : facts.job().kind() == JobKind.FIND_LOST_SETTING
                        ? "finding a lost setting, and putting it back if you choose so"
                        : facts.job().kind().replaces()
                                ? "replacing the "
                                        + facts.replaced().orElseThrow().lowerTitle()
                                : facts.job().kind() == JobKind.BASELINE_ONLY
                                        ? "reading the vehicle"
                                        : "\"" + facts.job().kind().title() + "\"";
        return new NextAct(
                "Does the customer agree?",
                "Say what will be done: " + what + ". Check the VIN aloud against the plate: the groups are below.",
                stop(facts),
                Tone.PERSON,
                List.of(Act.keep("The customer agrees", "/hold/consent")));
    }

    private static NextAct bench(JobFacts facts) {
        if (facts.progress().passed(HoldPoint.LINK_PROVEN) && facts.progress().passed(HoldPoint.SUPPLY_HELD)) {
            String old = facts.replaced().map(PackModule::lowerTitle).orElse("module");
            return new NextAct(
                    "Read the old " + old + " before anyone removes it",
                    "Coding, VIN, counter and part data. That it can't be read is a result, too.",
                    stop(facts),
                    Tone.DO,
                    List.of(
                            Act.read("Read it", "/old-module-read"),
                            Act.waive("It is not read", "/waive/old-module-read")));
        }
        if (facts.stranger().isPresent()) {
            return new NextAct(
                    "Another vehicle is on the cable",
                    facts.stranger().get().sentence()
                            + " What the other one said counts for nothing here. Then ask once more.",
                    stop(facts),
                    Tone.PERSON,
                    List.of(Act.read("Ask the vehicle", "/bench")));
        }
        if (facts.bench().isPresent()) {
            String volts = facts.bench()
                    .get()
                    .volts()
                    .map(v -> String.format(Locale.ROOT, "%.2f V", v))
                    .orElse("not readable");
            return new NextAct(
                    "Raise the supply, then check again",
                    "The supply is " + volts
                            + "; 12.5 V are needed to work on the vehicle. Clamp the support unit at the jump posts, in programming mode.",
                    stop(facts),
                    Tone.DIFFERS,
                    List.of(Act.read("Check again", "/bench")));
        }
        return new NextAct(
                "Prove the link with one answered request",
                "\"Ready\" from a computer proves nothing; an answer does. Plug the interface in, turn the key on, clamp the support unit. No open flame: batteries gas.",
                stop(facts),
                Tone.DO,
                List.of(Act.read("Ask the vehicle", "/bench")));
    }

    private static NextAct identify(JobFacts facts) {
        if (facts.progress().hold(HoldPoint.VARIANT_NAMED) == Hold.OPEN) {
            return new NextAct(
                    "Which " + facts.job().model() + " is it?",
                    "The VIN does not tell, and detection by reading is weak here. Look at the vehicle, then choose below.",
                    stop(facts),
                    Tone.PERSON,
                    List.of());
        }
        if (facts.before().isEmpty()) {
            return new NextAct(
                    facts.intake().stillIn() ? "Fit the new part, then scan all modules" : "Scan all modules",
                    "Every module is asked for its VIN, numbers, coding and faults. Faults are written down here before anything can clear them.",
                    stop(facts),
                    Tone.DO,
                    List.of(Act.read("Scan " + facts.pack().modules().size() + " modules", "/scan")));
        }
        IdentityFinding finding = IdentityFinding.of(facts, facts.before().get());
        return switch (finding.vins().verdict()) {
            case DONOR, MODULE_EMPTY ->
                finding.unexpected().isEmpty() ? ownPart(facts, finding) : notOurs(facts, finding);
            case VEHICLE_DISAGREES ->
                new NextAct(
                        "This may be the wrong vehicle",
                        finding.vins().sentence()
                                + " Nothing is written while most modules carry another VIN. Compare plate, papers and"
                                + " windscreen. If the VIN was typed wrong, begin a new job.",
                        stop(facts),
                        Tone.PERSON,
                        List.of(Act.read("Scan again", "/scan")));
            case NOTHING_READ ->
                new NextAct(
                        "No module told a VIN",
                        "Check key, cable and supply, then scan again.",
                        stop(facts),
                        Tone.DIFFERS,
                        List.of(Act.read("Scan again", "/scan")));
            case ALL_AGREE ->
                new NextAct(
                        "Scan again",
                        "The VINs agree, and something else of the scan is missing: faults could not be read.",
                        stop(facts),
                        Tone.DIFFERS,
                        List.of(Act.read("Scan again", "/scan")));
        };
    }

    private static NextAct ownPart(JobFacts facts, IdentityFinding finding) {
        IdentityFinding.Odd part = finding.expected().getFirst();
        boolean empty = part.vin().isEmpty();
        return new NextAct(
                empty
                        ? "The " + lower(part) + " holds no VIN yet"
                        : "The " + lower(part) + " still carries its donor's VIN",
                finding.vins().sentence()
                        + (empty
                                ? " That is expected of a part that is new to this vehicle."
                                : " That is expected of a second-hand part; what becomes of it stands in the plan."),
                stop(facts),
                Tone.PERSON,
                List.of(
                        Act.keep(empty ? "It is the new part" : "Accept as donor", "/hold/identity-settled"),
                        Act.read("Scan again", "/scan").second()));
    }

    /** A module that this job is not about: was it swapped before, or is it another vehicle's? */
    private static NextAct notOurs(JobFacts facts, IdentityFinding finding) {
        return new NextAct(
                finding.unexpected().size() == 1
                        ? "The " + lower(finding.unexpected().getFirst()) + " is not this vehicle's by its VIN"
                        : finding.unexpected().size() + " modules are not this vehicle's by their VIN",
                finding.unexpectedWords()
                        + ". This job is not about that and does not write it. Was it swapped before? Ask, then go on"
                        + " with the reason, or settle it in a job of its own.",
                stop(facts),
                Tone.PERSON,
                List.of(
                        Act.waive("Go on, and say why", "/waive/identity-settled"),
                        Act.read("Scan again", "/scan").second()));
    }

    private static String lower(IdentityFinding.Odd odd) {
        return odd.title().toLowerCase(Locale.ROOT);
    }

    private static NextAct baseline(JobFacts facts) {
        boolean others = facts.baseline().isPresent();
        return new NextAct(
                others ? "Store a baseline again" : "Store a baseline",
                (others ? "The one that is there shows parts with other serial numbers than the newest scan. " : "")
                        + "Everything readable is read once more and kept: raw to restore it, labelled to read it. About "
                        + minutes((int) BaselineEstimate.of(
                                                facts.pack(),
                                                facts.pack().modules().values())
                                        .toSeconds()
                                + 1)
                        + ".",
                stop(facts),
                Tone.DO,
                List.of(Act.read("Read and store", "/baseline")));
    }
}

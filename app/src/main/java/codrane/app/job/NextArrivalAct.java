package codrane.app.job;

import static codrane.app.job.NextActs.NOTHING_WRITTEN;
import static codrane.app.job.NextActs.minutes;

import codrane.app.job.NextAct.Act;
import codrane.app.job.NextAct.Tone;
import codrane.core.baseline.BaselineEstimate;
import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.JobProgress.Hold;
import codrane.core.plan.Stage;
import codrane.core.scan.AgreementMatrix;
import codrane.core.vin.VinComparison;
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
                    NOTHING_WRITTEN,
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
                    NOTHING_WRITTEN,
                    Tone.DIFFERS,
                    List.of(Act.waive("Go on all the same", "/waive/papers-agree")));
        }
        if (facts.progress().hold(HoldPoint.OWNERSHIP_PROVED) == Hold.OPEN) {
            return new NextAct(
                    "See the proof of ownership, and note it",
                    "Keys or the immobiliser are touched. Note below what was shown, and count the keys: all are needed for pairing. Local law may want a licensed locksmith.",
                    NOTHING_WRITTEN,
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
                NOTHING_WRITTEN,
                Tone.PERSON,
                List.of(Act.keep("The customer agrees", "/hold/consent")));
    }

    private static NextAct bench(JobFacts facts) {
        if (facts.progress().passed(HoldPoint.LINK_PROVEN) && facts.progress().passed(HoldPoint.SUPPLY_HELD)) {
            String old = facts.replaced().map(PackModule::lowerTitle).orElse("module");
            return new NextAct(
                    "Read the old " + old + " before anyone removes it",
                    "Coding, VIN, counter and part data. That it can't be read is a result, too.",
                    NOTHING_WRITTEN,
                    Tone.DO,
                    List.of(
                            Act.read("Read it", "/old-module-read"),
                            Act.waive("It is not read", "/waive/old-module-read")));
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
                    NOTHING_WRITTEN,
                    Tone.DIFFERS,
                    List.of(Act.read("Check again", "/bench")));
        }
        return new NextAct(
                "Prove the link with one answered request",
                "\"Ready\" from a computer proves nothing; an answer does. Plug the interface in, turn the key on, clamp the support unit. No open flame: batteries gas.",
                NOTHING_WRITTEN,
                Tone.DO,
                List.of(Act.read("Ask the vehicle", "/bench")));
    }

    private static NextAct identify(JobFacts facts) {
        if (facts.progress().hold(HoldPoint.VARIANT_NAMED) == Hold.OPEN) {
            return new NextAct(
                    "Which " + facts.job().model() + " is it?",
                    "The VIN does not tell, and detection by reading is weak here. Look at the vehicle, then choose below.",
                    NOTHING_WRITTEN,
                    Tone.PERSON,
                    List.of());
        }
        if (facts.before().isEmpty()) {
            return new NextAct(
                    facts.intake().stillIn() ? "Fit the new part, then scan all modules" : "Scan all modules",
                    "Every module is asked for its VIN, numbers, coding and faults. Faults are written down here before anything can clear them.",
                    NOTHING_WRITTEN,
                    Tone.DO,
                    List.of(Act.read("Scan " + facts.pack().modules().size() + " modules", "/scan")));
        }
        VinComparison vins = facts.matrix(facts.before().get()).vins();
        return switch (vins.verdict()) {
            case DONOR ->
                new NextAct(
                        donorTitle(facts),
                        vins.sentence() + " That is expected of a second-hand part, and is written anew in Run.",
                        NOTHING_WRITTEN,
                        Tone.PERSON,
                        List.of(
                                Act.keep("Accept as donor", "/hold/identity-settled"),
                                Act.read("Scan again", "/scan").second()));
            case MODULE_EMPTY ->
                new NextAct(
                        "A module holds no VIN",
                        vins.sentence() + " That is expected of a new part.",
                        NOTHING_WRITTEN,
                        Tone.PERSON,
                        List.of(
                                Act.keep("It is the new part", "/hold/identity-settled"),
                                Act.read("Scan again", "/scan").second()));
            case VEHICLE_DISAGREES ->
                new NextAct(
                        "This may be the wrong vehicle",
                        vins.sentence()
                                + " Compare plate, papers and windscreen. If the VIN was typed wrong, begin a new job.",
                        NOTHING_WRITTEN,
                        Tone.DIFFERS,
                        List.of(
                                Act.read("Scan again", "/scan"),
                                Act.waive("It is the right vehicle", "/waive/identity-settled")));
            case NOTHING_READ, ALL_AGREE ->
                new NextAct(
                        "No module answered enough",
                        "Check key, cable and supply, then scan again.",
                        NOTHING_WRITTEN,
                        Tone.DIFFERS,
                        List.of(Act.read("Scan again", "/scan")));
        };
    }

    private static String donorTitle(JobFacts facts) {
        List<String> donors = facts.matrix(facts.before().orElseThrow()).rows().stream()
                .filter(r -> r.vin().mark() == AgreementMatrix.Mark.DIFFERS)
                .map(AgreementMatrix.Row::title)
                .toList();
        return "The " + String.join(", ", donors).toLowerCase(Locale.ROOT) + " still carries its donor's VIN";
    }

    private static NextAct baseline(JobFacts facts) {
        return new NextAct(
                "Store a baseline",
                "Everything readable is read once more and kept: raw to restore it, labelled to read it. About "
                        + minutes((int) BaselineEstimate.of(
                                                facts.pack(),
                                                facts.pack().modules().values())
                                        .toSeconds()
                                + 1)
                        + ".",
                NOTHING_WRITTEN,
                Tone.DO,
                List.of(Act.read("Read and store", "/baseline")));
    }
}

package codrane.app.job;

import codrane.app.job.NextAct.Act;
import codrane.app.job.NextAct.Tone;
import codrane.app.live.RunRecord;
import codrane.core.baseline.BaselineEstimate;
import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.JobProgress.Hold;
import codrane.core.plan.Operation;
import codrane.core.plan.Plan;
import codrane.core.plan.Stage;
import codrane.core.scan.AgreementMatrix;
import codrane.core.vin.VinComparison;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Says what to do next, from the facts alone. */
final class NextActs {
    private static final String NOTHING_WRITTEN = "Safe to stop here: nothing was written.";

    private NextActs() {}

    /** The act for the page of a stage; on a page other than the current stage's, the way to it. */
    static NextAct of(JobFacts facts, Stage shown, String who) {
        Stage current = facts.progress().current();
        boolean readingOn = current == Stage.UNLOCK && shown.compareTo(Stage.UNLOCK) > 0;
        if (readingOn) current = facts.progress().currentUnauthorised();
        if (shown == current || shown == Stage.RUN && facts.runHolds())
            return current(facts, facts.runHolds() ? Stage.RUN : current, who);
        boolean later = shown.compareTo(current) > 0;
        if (facts.job().kind() == JobKind.BASELINE_ONLY && later && current == Stage.RECORD) return record(facts);
        String title = later ? current.title() + " comes before " + shown.title() : shown.title() + " is done";
        String why =
                later ? "What this stage rests on is not there yet." : "What was found and decided here is kept below.";
        return new NextAct(
                title,
                why,
                stop(facts),
                later ? Tone.PERSON : Tone.SETTLED,
                List.of(Act.go("Go to " + current.title(), "/" + current.key())));
    }

    private static String stop(JobFacts facts) {
        if (facts.run().isEmpty()) return NOTHING_WRITTEN;
        return facts.runHolds() ? "The run holds the vehicle: look at Run." : "Safe to stop here: no run is under way.";
    }

    private static NextAct current(JobFacts facts, Stage stage, String who) {
        return switch (stage) {
            case INTAKE -> intake(facts);
            case BENCH -> bench(facts);
            case IDENTIFY -> identify(facts);
            case BASELINE -> baseline(facts);
            case DECIDE -> decide(facts);
            case PREPARE -> prepare(facts);
            case RUN -> run(facts);
            case PROVE -> prove(facts);
            case UNLOCK -> NextUnlockAct.of(facts, who);
            case SETTLE, RECORD -> record(facts);
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
        String what = facts.job().kind() == JobKind.CLEAR_FAULTS
                ? "clearing faults after they are written down"
                : facts.job().kind() == JobKind.FIND_LOST_SETTING
                        ? "finding a lost setting, and putting it back if you choose so"
                        : facts.replaced()
                                .map(m -> "replacing the " + m.lowerTitle())
                                .orElse("reading the vehicle");
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

    private static NextAct decide(JobFacts facts) {
        if (facts.plan().isEmpty() && facts.job().kind() == JobKind.FIND_LOST_SETTING) {
            return new NextAct(
                    "Choose what is put back",
                    "Compared with how the vehicle was left. Tick below what is to go back; with nothing ticked the finding is the result.",
                    NOTHING_WRITTEN,
                    Tone.PERSON,
                    List.of(Act.read("Plan what is ticked", "/put-back")));
        }
        if (facts.plan().isEmpty()) {
            return new NextAct(
                    "Let the rules make a plan",
                    "From what was read: which operations, on which module, in which order, and why.",
                    NOTHING_WRITTEN,
                    Tone.DO,
                    List.of(Act.read("Make the plan", "/plan")));
        }
        Plan plan = facts.plan().get().plan();
        if (plan.blocked()) {
            return new NextAct(
                    "The plan is blocked",
                    String.join(" ", plan.blocks()),
                    NOTHING_WRITTEN,
                    Tone.DIFFERS,
                    List.of(
                            Act.read("Scan again", "/scan"),
                            Act.read("Plan again", "/plan").second()));
        }
        long writes = plan.writes().count();
        return new NextAct(
                writes == 0
                        ? "Agree: nothing is written"
                        : "Agree to " + writes + (writes == 1 ? " writing step" : " writing steps in this order"),
                "Read the reasons below. Nothing outside this list is written. Expected: " + minutes(plan.seconds())
                        + ".",
                NOTHING_WRITTEN,
                Tone.PERSON,
                List.of(
                        Act.keep("Agree to this plan", "/hold/plan-agreed"),
                        Act.read("Plan again", "/plan").second()));
    }

    private static NextAct prepare(JobFacts facts) {
        String module = facts.replaced().map(PackModule::lowerTitle).orElse("module");
        if (facts.progress().hold(HoldPoint.FILE_CHECKED) == Hold.OPEN) {
            return new NextAct(
                    "Fetch the calibration for the " + module,
                    "Choose the file for its hardware below; size, SHA-256 and CRC-32 are checked before it is used.",
                    NOTHING_WRITTEN,
                    Tone.DO,
                    List.of());
        }
        if (facts.progress().hold(HoldPoint.SHEET_CHECKED) == Hold.OPEN) {
            return new NextAct(
                    "Fetch the line sheet of this VIN",
                    "It is the maker's record of how this vehicle was coded. Each line's check byte is judged.",
                    NOTHING_WRITTEN,
                    Tone.DO,
                    List.of(Act.read("Fetch the line sheet", "/line-sheet")));
        }
        return new NextAct(
                "The supply is not ready",
                facts.power().reason()
                        + " Clamp the support unit at the jump posts, in programming mode; no open flame near the battery.",
                NOTHING_WRITTEN,
                Tone.DIFFERS,
                List.of(Act.go("Look again", "/prepare")));
    }

    private static NextAct run(JobFacts facts) {
        Optional<RunRecord> run = facts.run();
        if (run.isPresent() && run.get().running()) return running(facts, run.get());
        if (run.isPresent() && run.get().interrupted()) return interrupted(run.get());
        long writes = facts.plan().map(p -> p.plan().writes().count()).orElse(0L);
        String before = run.filter(r -> r.state() == RunRecord.State.STOPPED)
                .map(r -> r.sentence() + " " + r.nextStep() + " ")
                .orElse("");
        String module = facts.replaced().map(PackModule::lowerTitle).orElse("vehicle");
        String steps = writes == 1 ? "1 writing step on the " : writes + " writing steps on the ";
        String program = facts.planHas(Operation.Kind.PROGRAM)
                ? "From erase to verify it can pause, but not stop. Keep the support unit on and leave the key."
                : "Each write is read back.";
        return new NextAct(
                (run.isPresent() ? "Run again: release " : "Release ") + steps + module,
                before + "Tick each below. " + program,
                run.isPresent() ? "Safe to stop here: the run stopped where nothing is half written." : NOTHING_WRITTEN,
                Tone.WRITE,
                List.of(Act.keep("Release and start", "/run")));
    }

    private static NextAct running(JobFacts facts, RunRecord run) {
        List<String> looks = facts.replaced().map(m -> m.traits().looks()).orElse(List.of());
        String normal = looks.isEmpty() ? "" : " Normal meanwhile: " + String.join(", ", looks) + ".";
        return new NextAct(
                "Leave everything as it is",
                run.taskTitle() + " is under way." + normal,
                "If anything fails now: keep the support unit on, Codrane finds the way back.",
                Tone.WRITE,
                List.of());
    }

    private static NextAct interrupted(RunRecord run) {
        String where = run.blocks() > 0 ? " It was at block " + run.block() + " of " + run.blocks() + "." : "";
        return new NextAct(
                "The run was interrupted: recover it",
                run.sentence() + where + " " + run.nextStep(),
                run.committed()
                        ? "Don't leave it here: the module has no valid software until this is done. Keep the power on."
                        : "The module is whole, but the steps after this one are not done.",
                Tone.WRITE,
                List.of(Act.keep("Recover the run", "/recover")));
    }

    private static NextAct prove(JobFacts facts) {
        if (facts.after().isEmpty()) {
            return new NextAct(
                    "Scan again and compare",
                    "Done is what a fresh scan reads back, not what a write reported.",
                    "Safe to stop here: no run is under way.",
                    Tone.DO,
                    List.of(Act.read("Scan " + facts.pack().modules().size() + " modules", "/scan")));
        }
        List<String> troubles = facts.readBackTroubles().orElse(List.of());
        if (facts.progress().hold(HoldPoint.READ_BACK_AGREES) == Hold.OPEN) {
            return new NextAct(
                    "What was read back differs",
                    String.join(" ", troubles) + " Scan again; if it stays, plan again.",
                    "Safe to stop here: no run is under way.",
                    Tone.DIFFERS,
                    List.of(
                            Act.read("Scan again", "/scan"),
                            Act.waive("Go on all the same", "/waive/read-back-agrees")));
        }
        if (facts.job().kind() == JobKind.CLEAR_FAULTS) {
            return new NextAct(
                    "Do the faults stay away?",
                    "Work what they were about, drive if needed, then scan again. Is the complaint mended: \""
                            + facts.job().complaint() + "\"?",
                    "Safe to stop here: what was cleared reads back clear.",
                    Tone.PERSON,
                    List.of(
                            Act.keep("They stay away", "/hold/function-tested"),
                            Act.read("Scan again", "/scan").second(),
                            Act.waive("Not tried", "/waive/function-tested")));
        }
        String what = facts.replaced()
                .map(m -> "Work the " + m.lowerTitle() + " through its whole movement, nobody under or on it.")
                .orElse("");
        return new NextAct(
                "Try the function itself",
                what + " Is the complaint mended: \"" + facts.job().complaint() + "\"?",
                "Safe to stop here: what was written reads back right.",
                Tone.PERSON,
                List.of(
                        Act.keep("It works", "/hold/function-tested"),
                        Act.waive("Not tried", "/waive/function-tested")));
    }

    private static NextAct record(JobFacts facts) {
        if (facts.job().closedAt().isPresent()) {
            return new NextAct(
                    "This job is closed",
                    "The report stays here and prints.",
                    "Nothing is left to do.",
                    Tone.SETTLED,
                    List.of());
        }
        boolean written = facts.run().map(RunRecord::finished).orElse(false);
        if (written && facts.asLeft().isEmpty()) {
            return new NextAct(
                    "Store how the vehicle is left",
                    "A second baseline: a setting that an update wipes later is found by it, and can be put back.",
                    "Safe to stop here.",
                    Tone.DO,
                    List.of(
                            Act.read("Read and store", "/baseline"),
                            Act.read("Close the job without it", "/close").second()));
        }
        return new NextAct(
                "Print the report and close the job",
                "It says what was found, changed and proved, with who waived what.",
                "Safe to stop here.",
                Tone.DO,
                List.of(Act.read("Close the job", "/close")));
    }

    static String minutes(int seconds) {
        return seconds < 60 ? seconds + " s" : seconds / 60 + " min " + seconds % 60 + " s";
    }
}

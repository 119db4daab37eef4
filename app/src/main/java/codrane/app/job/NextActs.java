package codrane.app.job;

import codrane.app.job.NextAct.Act;
import codrane.app.job.NextAct.Tone;
import codrane.core.job.JobRun;
import codrane.core.pack.MarketRules;
import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.JobProgress.Hold;
import codrane.core.plan.Operation;
import codrane.core.plan.Plan;
import codrane.core.plan.Stage;
import codrane.core.planner.LawAllows;
import codrane.core.planner.PlanQuestions;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

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
        String title = later ? current.title() + " comes before " + shown.title() : done(facts, shown);
        String why = later ? "What this stage rests on is not there yet." : StageFound.of(facts, shown);
        return new NextAct(
                title,
                why,
                stop(facts),
                later ? Tone.PERSON : Tone.SETTLED,
                List.of(Act.go("Go to " + current.title(), "/" + current.key())));
    }

    /** A stage at which this job has nothing to do was not done. */
    private static String done(JobFacts facts, Stage shown) {
        boolean nothing = facts.progress().of(shown).isEmpty();
        return nothing ? shown.title() + ": this job has nothing to do here" : shown.title() + " is done";
    }

    static String stop(JobFacts facts) {
        if (!facts.written()) return NOTHING_WRITTEN;
        return facts.runHolds() ? "The run holds the vehicle: look at Run." : "Safe to stop here: no run is under way.";
    }

    private static NextAct current(JobFacts facts, Stage stage, String who) {
        return switch (stage) {
            case INTAKE, BENCH, IDENTIFY, BASELINE -> NextArrivalAct.of(facts, stage);
            case DECIDE -> decide(facts);
            case PREPARE -> prepare(facts);
            case RUN -> run(facts);
            case PROVE -> prove(facts);
            case UNLOCK -> NextUnlockAct.of(facts, who);
            case SETTLE -> settle(facts);
            case RECORD -> record(facts);
        };
    }

    private static NextAct decide(JobFacts facts) {
        if (facts.plan().isEmpty() && facts.job().kind() == JobKind.FIND_LOST_SETTING) {
            return new NextAct(
                    "Choose what is put back",
                    "Compared with how the vehicle was left. Tick below what is to go back; with nothing ticked the finding is the result.",
                    stop(facts),
                    Tone.PERSON,
                    List.of(Act.read("Plan what is ticked", "/put-back")));
        }
        List<PlanQuestions.Question> questions = questions(facts);
        if (!questions.isEmpty()) {
            String more = questions.size() == 1
                    ? ""
                    : " And: "
                            + questions.stream()
                                    .skip(1)
                                    .map(PlanQuestions.Question::text)
                                    .collect(Collectors.joining(" "));
            return new NextAct(
                    questions.getFirst().text(),
                    "A plan is made from facts, and this one is missing or contradicts another." + more
                            + " Answer below.",
                    stop(facts),
                    Tone.PERSON,
                    List.of());
        }
        if (facts.plan().isEmpty()) {
            return new NextAct(
                    "Let the rules make a plan",
                    "From what was read: which operations, on which module, in which order, and why.",
                    stop(facts),
                    Tone.DO,
                    List.of(Act.read("Make the plan", "/plan")));
        }
        Plan plan = facts.plan().get().plan();
        if (facts.planIsOld()) {
            return new NextAct(
                    "Plan again: the vehicle was read since",
                    "The plan rests on an earlier scan. What is written must rest on the newest one.",
                    stop(facts),
                    Tone.DIFFERS,
                    List.of(Act.read("Plan again", "/plan")));
        }
        if (plan.blocked()) {
            return new NextAct(
                    "The plan is blocked",
                    String.join(" ", plan.blocks()),
                    stop(facts),
                    Tone.DIFFERS,
                    List.of(
                            Act.read("Scan again", "/scan"),
                            Act.read("Plan again", "/plan").second()));
        }
        if (facts.progress().hold(HoldPoint.LEAD_APPROVED) == Hold.OPEN) {
            return new NextAct(
                    "The lead approves this first",
                    LawAllows.rules(facts.vehicleFacts(facts.before().orElseThrow())).stream()
                            .filter(r -> r.says() == MarketRules.Says.APPROVAL)
                            .map(r -> r.cited() + ".")
                            .collect(Collectors.joining(" ")),
                    stop(facts),
                    Tone.PERSON,
                    List.of(
                            Act.keep("Approve it", "/hold/lead-approved"),
                            Act.read("Plan again", "/plan").second()));
        }
        long writes = plan.writes().count();
        return new NextAct(
                writes == 0
                        ? "Agree: nothing is written"
                        : "Agree to " + writes + (writes == 1 ? " writing step" : " writing steps in this order"),
                "Read the reasons below. Nothing outside this list is written. Expected: " + minutes(plan.seconds())
                        + ".",
                stop(facts),
                Tone.PERSON,
                List.of(
                        Act.keep("Agree to this plan", "/hold/plan-agreed"),
                        Act.read("Plan again", "/plan").second()));
    }

    private static List<PlanQuestions.Question> questions(JobFacts facts) {
        return facts.before()
                .map(scan -> PlanQuestions.of(facts.vehicleFacts(scan)))
                .orElse(List.of());
    }

    private static NextAct prepare(JobFacts facts) {
        String module = facts.replaced().map(PackModule::lowerTitle).orElse("module");
        if (facts.progress().hold(HoldPoint.FILE_CHECKED) == Hold.OPEN) {
            if (NextNeedAct.byMail(facts)) return NextNeedAct.file(facts);
            return new NextAct(
                    "Fetch the calibration for the " + module,
                    "Choose the file for its hardware below; size, SHA-256 and CRC-32 are checked before it is used.",
                    stop(facts),
                    Tone.DO,
                    List.of());
        }
        if (facts.progress().hold(HoldPoint.SHEET_CHECKED) == Hold.OPEN) {
            return new NextAct(
                    "Fetch the line sheet of this VIN",
                    "It is the maker's record of how this vehicle was coded. Each line's check byte is judged.",
                    stop(facts),
                    Tone.DO,
                    List.of(Act.read("Fetch the line sheet", "/line-sheet")));
        }
        Optional<NextAct> missing = NextNeedAct.of(facts);
        if (missing.isPresent()) return missing.get();
        return new NextAct(
                "The supply is not ready",
                facts.power().reason()
                        + " Clamp the support unit at the jump posts, in programming mode; no open flame near the battery.",
                stop(facts),
                Tone.DIFFERS,
                List.of(Act.go("Look again", "/prepare")));
    }

    private static NextAct run(JobFacts facts) {
        Optional<JobRun> run = facts.run();
        if (run.isPresent() && run.get().running()) return running(facts, run.get());
        if (run.isPresent() && run.get().interrupted()) return interrupted(run.get());
        List<String> unable = RunOrders.unable(facts);
        if (!unable.isEmpty()) {
            return new NextAct(
                    "Codrane can't carry out all of this plan yet",
                    "Planned, and to be done with another tool: " + String.join("; ", unable)
                            + ". What is not carried out whole is not begun here.",
                    stop(facts),
                    Tone.DIFFERS,
                    List.of(Act.go("Back to the plan", "/decide")));
        }
        if (facts.progress().hold(HoldPoint.NO_WAY_BACK) == Hold.OPEN) {
            return new NextAct(
                    "Look at VIN and part once more",
                    "What follows can't be undone: " + facts.job().vin().grouped() + ", aloud "
                            + facts.job().vin().spelled() + ".",
                    stop(facts),
                    Tone.PERSON,
                    List.of(Act.keep("It is this vehicle and this part", "/hold/no-way-back")));
        }
        List<Operation> left = RunOrders.left(facts);
        String before = run.filter(r -> r.state() == JobRun.State.STOPPED)
                .map(r -> r.sentence() + " " + r.nextStep() + " ")
                .orElse("");
        String module = facts.replaced().map(PackModule::lowerTitle).orElse("vehicle");
        String steps = left.size() == 1 ? "1 writing step on the " : left.size() + " writing steps on the ";
        boolean programs = left.stream().anyMatch(o -> o.kind() == Operation.Kind.PROGRAM);
        String program = programs
                ? "From erase to verify it can pause, but not stop. Keep the support unit on and leave the key."
                : "Each write is read back.";
        return new NextAct(
                (run.isPresent() ? "Go on: release " : "Release ") + steps + module,
                before + "Tick each below. " + program,
                run.isPresent() ? "Safe to stop here: the run stopped where nothing is half written." : stop(facts),
                Tone.WRITE,
                List.of(Act.keep(run.isPresent() ? "Release and go on" : "Release and start", "/run")));
    }

    private static NextAct running(JobFacts facts, JobRun run) {
        List<String> looks = facts.replaced().map(m -> m.traits().looks()).orElse(List.of());
        String normal = looks.isEmpty() ? "" : " Normal meanwhile: " + String.join(", ", looks) + ".";
        return new NextAct(
                "Leave everything as it is",
                run.taskTitle() + " is under way." + normal,
                "If anything fails now: keep the support unit on, Codrane finds the way back.",
                Tone.WRITE,
                run.committed()
                        ? List.of()
                        : List.of(Act.read("Stop before the next step", "/run/stop")
                                .second()));
    }

    private static NextAct interrupted(JobRun run) {
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

    /** Done by a person, in the plan's order; Codrane waits for neither sleep nor battery. */
    private static NextAct settle(JobFacts facts) {
        List<Operation> wanted = facts.settling();
        String what = wanted.stream()
                .map(o -> o.title() + ", " + minutes(o.seconds()) + ".")
                .collect(Collectors.joining(" "));
        return new NextAct(
                "Let the vehicle come to rest: "
                        + minutes(wanted.stream().mapToInt(Operation::seconds).sum()),
                what + " Codrane can't see it done: say so when it is.",
                "Safe to stop here: no run is under way.",
                Tone.PERSON,
                List.of(Act.keep("It was done", "/hold/settled"), Act.waive("Not done", "/waive/settled")));
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
                            Act.read("Plan again", "/plan").second(),
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
                            Act.read("They came back: plan again", "/plan").second(),
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
                        Act.read("It does not work: plan again", "/plan").second(),
                        Act.waive("Not tried", "/waive/function-tested")));
    }

    private static NextAct record(JobFacts facts) {
        if (facts.job().closedAt().isPresent()) {
            return new NextAct(
                    "This job is closed",
                    "The report stays here and prints. Nothing of the job changes any more." + leftOpen(facts),
                    "To work on it again, reopen it and say why.",
                    Tone.SETTLED,
                    List.of(Act.waive("Reopen the job", "/reopen")));
        }
        if (facts.written() && facts.asLeft().isEmpty()) {
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

    /** What was waived at the end, or never tried, stays said. */
    private static String leftOpen(JobFacts facts) {
        List<String> open = Stream.of(HoldPoint.SETTLED, HoldPoint.READ_BACK_AGREES, HoldPoint.FUNCTION_TESTED)
                .filter(p -> facts.progress().hold(p) == Hold.WAIVED)
                .flatMap(p -> facts.personHold(p).stream())
                .map(h -> "“" + h.point().title() + "” (" + h.why() + ")")
                .toList();
        return open.isEmpty() ? "" : " It was closed without this: " + String.join(", ", open) + ".";
    }

    static String minutes(int seconds) {
        return seconds < 60 ? seconds + " s" : seconds / 60 + " min " + seconds % 60 + " s";
    }
}

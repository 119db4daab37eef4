package codrane.app.job;

import codrane.app.Times;
import codrane.core.job.BenchCheck;
import codrane.core.job.JobRun;
import codrane.core.job.PlanVersion;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Stage;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What was found or decided at a stage that is done, in a sentence. */
final class StageFound {
    private StageFound() {}

    static String of(JobFacts facts, Stage stage) {
        Optional<String> found = switch (stage) {
            case INTAKE -> by(facts, HoldPoint.CONSENT, "Consent was given");
            case BENCH -> facts.bench().map(StageFound::bench);
            case IDENTIFY ->
                facts.before()
                        .map(scan -> IdentityFinding.of(facts, scan).vins().sentence());
            case UNLOCK ->
                Optional.of(
                        !facts.access().there()
                                ? "This vehicle has no secure gateway."
                                : facts.access().open() ? "The gateway was seen open." : "Nothing had to be unlocked.");
            case BASELINE -> facts.baseline().map(b -> "Stored by " + b.takenBy() + ", " + at(b.takenAt()) + ".");
            case DECIDE -> facts.plan().map(plan -> decide(facts, plan));
            case PREPARE -> Optional.of(prepare(facts));
            case RUN -> facts.run().map(StageFound::run);
            case SETTLE -> by(facts, HoldPoint.SETTLED, "It was done");
            case PROVE -> by(facts, HoldPoint.FUNCTION_TESTED, "The function was tried");
            case RECORD -> Optional.empty();
        };
        return found.orElse("Nothing is open here.");
    }

    /** Who kept or waived it, when, and why it was waived. */
    private static Optional<String> by(JobFacts facts, HoldPoint point, String kept) {
        return facts.personHold(point)
                .map(h -> h.waived()
                        ? "Waived by " + h.who() + ", " + at(h.at()) + ": " + ended(h.why())
                        : kept + ", as " + h.who() + " noted, " + at(h.at()) + ".");
    }

    private static String bench(BenchCheck check) {
        String volts = check.volts()
                .map(v -> String.format(Locale.ROOT, "; the supply was %.2f V", v))
                .orElse("");
        return check.module() + " answered over " + check.interfaceName() + ", " + at(check.at()) + volts + ".";
    }

    private static String decide(JobFacts facts, PlanVersion plan) {
        long writes = plan.plan().writes().count();
        String what = writes == 0 ? "nothing is written" : writes + (writes == 1 ? " writing step" : " writing steps");
        String agreed = facts.personHold(HoldPoint.PLAN_AGREED)
                .map(h -> "; agreed to by " + h.who() + ", " + at(h.at()))
                .orElse("");
        return "Plan version " + plan.version() + ": " + what + agreed + ".";
    }

    private static String prepare(JobFacts facts) {
        List<HoldPoint> points = facts.progress().of(Stage.PREPARE);
        if (points.isEmpty()) return "The plan needs nothing.";
        return facts.calibration()
                .map(file -> "At hand: " + file.manifest().title() + "; everything else that the plan needs is here.")
                .orElse("Everything that the plan needs is here.");
    }

    private static String run(JobRun run) {
        return run.endedAt()
                .map(end -> run.sentence() + " " + at(end) + ", released by " + run.startedBy() + ".")
                .orElse(run.sentence());
    }

    /** A person's reason may end as a sentence already. */
    private static String ended(String why) {
        return why.matches("(?s).*[.!?]") ? why : why + ".";
    }

    private static String at(java.time.Instant instant) {
        return Times.dayAndTime(instant);
    }
}

package codrane.app.stage.decide;

import codrane.app.tools.MenuMap;
import codrane.core.job.JobState;
import codrane.core.job.PlanVersion;
import codrane.core.job.RunTasks;
import codrane.core.plan.Operation;
import codrane.core.plan.Plan;
import codrane.core.plan.PlanChange;
import codrane.core.text.Words;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The plan as it is read.
 *
 * @param change against the version before; empty when there is none, or it is the same
 * @param said what every rule said, by its name
 */
public record PlanView(
        String made,
        Optional<Change> change,
        List<Step> steps,
        List<Calls.Call> calls,
        Optional<PowerPicture> power,
        Map<String, String> said) {
    public record Change(String title, List<PlanChange.Line> lines, List<PlanChange.Reason> reasons) {}

    /**
     * An operation.
     *
     * @param done how it was seen to be done already; empty when it is to be done
     * @param says what is to be known, in this order
     */
    public record Step(String title, boolean writes, String done, String lasts, List<Line> says) {}

    /** @param css class of the line: empty, care, unable, firm or menu */
    public record Line(String css, String text) {}

    static PlanView of(
            JobState state, PlanVersion version, Optional<Plan> before, Map<String, List<MenuMap.Entry>> menus) {
        Plan plan = version.plan();
        Map<String, String> done = done(state);
        Map<String, String> said = new LinkedHashMap<>();
        plan.decisions().forEach(d -> said.put(d.rule(), d.judgement().reason()));
        return new PlanView(
                "Plan, version " + version.version() + ", made " + state.now().dayAndTime(version.madeAt()) + " by "
                        + version.madeBy(),
                before.map(b -> PlanChange.of(b, plan))
                        .filter(c -> !c.empty())
                        .map(c ->
                                new Change("Changed since version " + (version.version() - 1), c.lines(), c.reasons())),
                plan.operations().stream()
                        .map(o ->
                                step(state, o, done.getOrDefault(o.key(), ""), menus.getOrDefault(o.key(), List.of())))
                        .toList(),
                Calls.of(state, state.vehicleFacts(state.before().orElseThrow())),
                PowerPicture.of(state, plan),
                said);
    }

    /** Operations that a reading shows to be done, by their key. */
    private static Map<String, String> done(JobState state) {
        Map<String, String> done = new LinkedHashMap<>();
        state.before().ifPresent(scan -> done.put("scan", state.now().soon(scan.takenAt())));
        state.baseline().ifPresent(b -> done.put("baseline", state.now().soon(b.takenAt())));
        if (state.access().open()) done.put("unlock", "seen open");
        if (!state.oldCoding().isEmpty())
            done.put("read-coding-" + state.job().replacedModule().orElse(""), "kept");
        return done;
    }

    private static Step step(JobState state, Operation o, String done, List<MenuMap.Entry> menus) {
        List<Line> says = new ArrayList<>();
        if (o.kind().writes() && !RunTasks.able(state, o))
            says.add(new Line("unable", "Planned here; Codrane can’t carry it out yet. It is done with another tool."));
        o.reasons().forEach(r -> says.add(new Line("", r)));
        if (!o.needs().isEmpty()) says.add(new Line("", "Needs: " + String.join(", ", o.needs()) + "."));
        o.prompts().forEach(p -> says.add(new Line("", p + ".")));
        o.cautions().forEach(c -> says.add(new Line("care", c)));
        if (!o.safeToStopDuring()) says.add(new Line("firm", firm(o)));
        if (!o.ifLeftHere().isEmpty()) says.add(new Line("", "If left after this: " + o.ifLeftHere()));
        menus.forEach(m -> says.add(new Line("menu", menu(m))));
        return new Step(
                o.title(), o.kind().writes(), done.isEmpty() ? "" : "done, " + done, Words.lasting(o.seconds()), says);
    }

    private static String firm(Operation o) {
        return o.kind() == Operation.Kind.PROGRAM
                ? "Can pause, can’t stop, from erase to verify."
                : "Once begun, finish it: don’t stop in the middle.";
    }

    private static String menu(MenuMap.Entry m) {
        return m.tool() + " calls it “" + m.wording() + "”: " + m.path()
                + (m.warning().isEmpty() ? "" : ". It warns: " + m.warning()) + " (learned on job " + m.job() + ")";
    }
}

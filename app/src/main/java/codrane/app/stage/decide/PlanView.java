package codrane.app.stage.decide;

import codrane.app.tools.MenuMap;
import codrane.core.job.BeforeAgreeing;
import codrane.core.job.JobState;
import codrane.core.job.PlanVersion;
import codrane.core.job.RunTasks;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Plan;
import codrane.core.plan.PlanChange;
import codrane.core.plan.VehicleFacts;
import codrane.core.planner.Beside;
import codrane.core.planner.FaultOutlook;
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
 * @param stops what stands against it, before anybody agrees
 * @param faults what becomes of each fault
 * @param beside modules that differ, and are no part of the job
 * @param applied what rules said that planned or blocked something, by their name
 * @param notNeeded what the others said, by their name
 */
public record PlanView(
        String made,
        Optional<Change> change,
        List<Step> steps,
        List<Calls.Call> calls,
        Optional<PowerPicture> power,
        List<String> stops,
        List<FaultSeen> faults,
        List<Other> beside,
        Map<String, String> applied,
        Map<String, String> notNeeded) {
    public record Change(String title, List<PlanChange.Line> lines, List<PlanChange.Reason> reasons) {}

    /**
     * An operation.
     *
     * @param done how it was seen to be done already; empty when it is to be done
     * @param change against the plan before, in a word; empty when there is none
     * @param why the first reason
     * @param says what else is to be known, in this order
     */
    public record Step(
            String title, boolean writes, String done, String change, String lasts, String why, List<Line> says) {}

    /**
     * A module that differs and is no part of the job.
     *
     * @param job that is open about it
     */
    public record Other(String sentence, Optional<Long> job) {}

    /** @param mark of the outcome */
    public record FaultSeen(String code, String title, String mark, String outcome, String why) {}

    /** @param css classes of the line */
    public record Line(String css, String text) {}

    static PlanView of(
            JobState state,
            PlanVersion version,
            Optional<Plan> before,
            Map<String, List<MenuMap.Entry>> menus,
            Map<String, Long> jobs) {
        Plan plan = version.plan();
        Map<String, String> done = done(state);
        Optional<PlanChange> change = before.map(b -> PlanChange.of(b, plan)).filter(c -> !c.empty());
        Map<String, String> changed = new LinkedHashMap<>();
        change.ifPresent(
                c -> c.lines().forEach(l -> changed.put(l.title(), l.kind().words())));
        VehicleFacts facts = state.vehicleFacts(state.before().orElseThrow());
        return new PlanView(
                "Plan, version " + version.version() + ", made " + state.now().dayAndTime(version.madeAt()) + " by "
                        + version.madeBy(),
                change.map(c -> new Change("Changed since version " + (version.version() - 1), c.lines(), c.reasons())),
                plan.operations().stream()
                        .map(o -> step(
                                state,
                                o,
                                done.getOrDefault(o.key(), ""),
                                changed.getOrDefault(o.title(), ""),
                                menus.getOrDefault(o.key(), List.of())))
                        .toList(),
                Calls.of(state, facts),
                PowerPicture.of(state, plan),
                stops(state),
                faults(state, facts, plan),
                Beside.of(facts, plan.writes().map(Operation::module).toList()).stream()
                        .map(odd -> new Other(odd.sentence(), Optional.ofNullable(jobs.get(odd.module()))))
                        .toList(),
                said(plan, true),
                said(plan, false));
    }

    private static List<String> stops(JobState state) {
        List<String> stops = new ArrayList<>();
        if (BeforeAgreeing.factsChanged(state))
            stops.add("What is known has changed since: this plan does not hold as it stands. Plan again.");
        stops.addAll(BeforeAgreeing.of(state));
        return stops;
    }

    private static Map<String, String> said(Plan plan, boolean applied) {
        Map<String, String> said = new LinkedHashMap<>();
        plan.decisions().stream()
                .filter(d -> !(d.judgement() instanceof Judgement.NotNeeded) == applied)
                .forEach(d -> said.put(d.rule(), d.judgement().reason()));
        return said;
    }

    private static List<FaultSeen> faults(JobState state, VehicleFacts facts, Plan plan) {
        return FaultOutlook.of(facts, plan, state::faultNote).stream()
                .map(f -> new FaultSeen(
                        f.fault().code().text(),
                        state.pack().module(f.fault().module()).title() + ": " + f.title(),
                        mark(f.outcome()),
                        f.outcome().words(),
                        f.sentence()))
                .toList();
    }

    private static String mark(FaultOutlook.Outcome outcome) {
        return switch (outcome) {
            case GOES -> "agrees";
            case MAY_STAY -> "hold";
            case PHYSICAL -> "silent";
            case REAL -> "differs";
        };
    }

    /** Operations that a reading shows to be done, by their key. */
    private static Map<String, String> done(JobState state) {
        Map<String, String> done = new LinkedHashMap<>();
        state.before().ifPresent(scan -> done.put("scan", state.now().soon(scan.takenAt())));
        state.baseline().ifPresent(b -> done.put("baseline", state.now().soon(b.takenAt())));
        state.asLeft().ifPresent(b -> done.put("as-left", state.now().soon(b.takenAt())));
        if (state.access().open()) done.put("unlock", "seen open");
        boolean kept = state.baseline().isPresent() && !state.job().kind().replaces();
        if (kept) state.replaced().ifPresent(m -> done.put("read-coding-" + m.id(), "in the baseline"));
        if (!state.oldCoding().isEmpty())
            done.put("read-coding-" + state.job().replacedModule().orElse(""), "kept");
        return done;
    }

    private static Step step(JobState state, Operation o, String done, String change, List<MenuMap.Entry> menus) {
        List<Line> says = new ArrayList<>();
        if (o.conditional()) o.reasons().stream().limit(1).forEach(r -> says.add(new Line("", r)));
        if (o.kind().writes() && !o.conditional() && !RunTasks.able(state, o))
            says.add(new Line(
                    "text-danger fw-semibold",
                    "Planned here; Codrane can’t carry it out yet. It is done with another tool."));
        o.reasons().stream().skip(1).forEach(r -> says.add(new Line("", r)));
        if (!o.needs().isEmpty()) says.add(new Line("", "Needs: " + String.join(", ", o.needs()) + "."));
        o.prompts().forEach(p -> says.add(new Line("", p + ".")));
        o.cautions().forEach(c -> says.add(new Line("text-warning fw-semibold", c)));
        if (!o.safeToStopDuring()) says.add(new Line("text-body fw-bold", firm(o)));
        if (!o.ifLeftHere().isEmpty()) says.add(new Line("", "If left after this: " + o.ifLeftHere()));
        menus.forEach(m -> says.add(new Line("small", menu(m))));
        return new Step(
                o.title(),
                o.kind().writes(),
                mark(state, o, done),
                change,
                Words.lasting(o.seconds()),
                o.conditional() ? "Only if " + o.onlyIf() + "." : o.reasons().getFirst(),
                says);
    }

    /** What stands behind its title: done already, perhaps, or not here. */
    private static String mark(JobState state, Operation o, String done) {
        if (!done.isEmpty()) return "done, " + done;
        if (o.conditional()) return "perhaps";
        return o.kind().writes() && !RunTasks.able(state, o) ? "not here" : "";
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

package codrane.core.job.stage;

import codrane.core.job.BeforeAgreeing;
import codrane.core.job.Clash;
import codrane.core.job.JobState;
import codrane.core.job.PlanBasis;
import codrane.core.job.PlanVersion;
import codrane.core.job.act.Ask;
import codrane.core.job.act.NextAct;
import codrane.core.job.act.NextAct.Act;
import codrane.core.job.act.NextAct.Tone;
import codrane.core.job.act.RunHolds;
import codrane.core.job.act.Stop;
import codrane.core.job.act.StopRule;
import codrane.core.job.act.TooEarly;
import codrane.core.job.hold.HoldRules;
import codrane.core.pack.MarketRules;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.JobProgress.Hold;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.Plan;
import codrane.core.plan.Stage;
import codrane.core.planner.Cautions;
import codrane.core.planner.LawAllows;
import codrane.core.planner.PlanQuestions;
import codrane.core.planner.WhatBlocks;
import codrane.core.text.Words;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Decide: what is to be said for the plan, the plan itself, and agreeing to it. */
public final class DecideStage implements StageRules {
    private static final StopRule EARLY = new TooEarly(Stage.DECIDE);
    private static final StopRule HELD = new RunHolds("the plan stays as it is");

    public static final Ask PLAN = Ask.of(
            "plan",
            "planned",
            EARLY,
            HELD,
            state -> Stop.unless(
                    state.baseline().isPresent() && state.before().isPresent(), "Scan and store a baseline first."),
            state -> Stop.unless(
                    PlanBasis.of(state).isPresent(),
                    "Scan again first: a plan rests on how the vehicle is now, and it was worked on since."));
    public static final Ask PUT_BACK = say("put-back", "chose settings to put back");
    public static final Ask LEFT = say("decide/left", "chose with what to compare");
    public static final Ask NOTE = say("decide", "noted for the plan");
    public static final Ask ORIGIN = say("decide/origin", "said where the part comes from");
    public static final Ask FEATURE = say("decide/feature", "chose equipment");
    public static final Ask FEATURE_OUT = say("decide/feature-out", "took equipment out");
    /** Before the variant is chosen, and when it is proven. */
    public static final Ask SOUND = Ask.of("sound", "measured how it sounds", EARLY);

    public static final Ask TURN_OFF = say("decide/turn-off", "chose equipment to turn off");
    public static final Ask ORDER = say("decide/order", "changed the wished options");
    public static final Ask SETTING = say("decide/setting", "chose a setting");
    public static final Ask BIT = say("decide/bit", "opened a bit that no setting explains");
    public static final Ask AS_BEFORE = say("decide/as-before", "chose what goes back to what it was");
    public static final Ask LINE = say("decide/line", "chose a line");
    public static final Ask SETTING_OUT = say("decide/setting-out", "took a setting out");
    public static final Ask OVERRULE = say("overrule", "overruled a judgement");
    public static final Ask TAKE_BACK = say("overrule/back", "took an overrule back");

    /** The new part was put in, or mounted: what was read before says nothing of it. */
    public static final Ask SWAPPED = Ask.of(
            "decide/swapped",
            "put the new part in",
            EARLY,
            HELD,
            state -> Stop.unless(state.planHas(Kind.SWAP), "The plan has no part to put in."));

    public static final Ask NEWER_RIGHT = say("decide/newer-right", "said that newer software is right");

    private static Ask say(String name, String said) {
        return Ask.of(name, said, EARLY, HELD);
    }

    private static Act planAgain() {
        return Act.simple("Plan again", PLAN);
    }

    @Override
    public Stage stage() {
        return Stage.DECIDE;
    }

    @Override
    public NextAct next(JobState state, String who) {
        if (choosesWhatGoesBack(state))
            return new NextAct(
                    "Choose what is put back",
                    "Compared with an earlier visit. Tick below what is to go back; with nothing ticked the"
                            + " finding is the result.",
                    Safe.toStop(state),
                    Tone.PERSON,
                    List.of(Act.simple("Plan what is ticked", PUT_BACK)));
        List<PlanQuestions.Question> questions = state.before()
                .map(scan -> PlanQuestions.of(state.vehicleFacts(scan)))
                .orElse(List.of());
        if (!questions.isEmpty()) return answer(state, questions);
        if (state.plan().isEmpty())
            return new NextAct(
                    "Let the rules make a plan",
                    "From what was read: which operations, on which module, in which order, and why.",
                    Safe.toStop(state),
                    Tone.DO,
                    List.of(Act.simple("Make the plan", PLAN)));
        if (state.swappedSince(state.before().orElseThrow())) return scanTheNewOne(state);
        if (state.planIsOld())
            return new NextAct(
                    "Plan again: the vehicle was read since",
                    "The plan rests on an earlier scan. What is written must rest on the newest one.",
                    Safe.toStop(state),
                    Tone.DIFFERS,
                    List.of(planAgain()));
        if (BeforeAgreeing.factsChanged(state))
            return new NextAct(
                    "Plan again: what is known has changed",
                    "The plan below was made from other facts, and does not hold as it stands.",
                    Safe.toStop(state),
                    Tone.DIFFERS,
                    List.of(planAgain()));
        return agree(state, state.plan().get().plan());
    }

    private static NextAct answer(JobState state, List<PlanQuestions.Question> questions) {
        String others =
                questions.stream().skip(1).map(PlanQuestions.Question::text).collect(Collectors.joining(" "));
        return new NextAct(
                questions.getFirst().text(),
                "A plan is made from facts, and this one is missing or contradicts another."
                        + (others.isEmpty() ? "" : " And: " + others) + " Answer below.",
                Safe.toStop(state),
                Tone.PERSON,
                List.of());
    }

    /** Of what was lost: nothing is chosen yet, or it was compared anew since the plan was made. */
    public static boolean choosesWhatGoesBack(JobState state) {
        return state.job().kind() == JobKind.FIND_LOST_SETTING
                && !state.runHolds()
                && (state.plan().isEmpty() || state.putBack().isEmpty() && BeforeAgreeing.factsChanged(state));
    }

    private static NextAct agree(JobState state, Plan plan) {
        List<Clash> clashes = Clash.of(state);
        if (plan.blocked() && !clashes.isEmpty() && clashes.stream().allMatch(Clash::canGo))
            return new NextAct(
                    "Decide which of them stays",
                    String.join(" ", plan.blocks()),
                    Safe.toStop(state),
                    Tone.DIFFERS,
                    List.of(Act.simple(
                            "Turn "
                                    + clashes.stream()
                                            .map(c -> c.other().title())
                                            .collect(Collectors.joining(" and "))
                                    + " off",
                            TURN_OFF)));
        if (plan.blocked())
            return new NextAct(
                    "The plan is blocked",
                    String.join(" ", plan.blocks()),
                    Safe.toStop(state),
                    Tone.DIFFERS,
                    WhatBlocks.onlyPeople(plan)
                            ? List.of(planAgain(), IdentifyStage.scanAgain().second())
                            : List.of(IdentifyStage.scanAgain(), planAgain().second()));
        if (HoldRules.progress(state).hold(HoldPoint.LEAD_APPROVED) == Hold.OPEN)
            return new NextAct(
                    "The lead approves this first",
                    whyTheLead(state, plan),
                    Safe.toStop(state),
                    Tone.PERSON,
                    List.of(
                            Act.keep("Approve it", HoldPoint.LEAD_APPROVED),
                            planAgain().second()));
        if (HoldRules.progress(state).passed(HoldPoint.PLAN_AGREED)
                && HoldRules.progress(state).hold(HoldPoint.PART_IN_PLACE) == Hold.OPEN) return swap(state, plan);
        List<String> stops = BeforeAgreeing.of(state);
        if (!stops.isEmpty())
            return new NextAct(
                    "Look before you agree: not all of this can be done here",
                    String.join(" ", stops),
                    Safe.toStop(state),
                    Tone.DIFFERS,
                    List.of(
                            planAgain(),
                            Act.keep("Agree to this plan", HoldPoint.PLAN_AGREED)
                                    .second()));
        long writes = state.writes().size();
        return new NextAct(
                writes == 0
                        ? plan.has(Kind.SWAP)
                                ? "Agree: nothing is written before the swap"
                                : "Agree: nothing is written"
                        : "Agree to " + Words.count(writes, "writing step") + (writes == 1 ? "" : " in this order"),
                "Nothing outside this list is written. Expected: " + Words.lasting(plan.seconds()) + "."
                        + BeforeAgreeing.missing(state).map(m -> " " + m).orElse(""),
                Safe.toStop(state),
                Tone.PERSON,
                List.of(
                        Act.keep("Agree to this plan", HoldPoint.PLAN_AGREED),
                        planAgain().second()));
    }

    /** What the market's rules say, and what the plan itself leaves to the lead. */
    private static String whyTheLead(JobState state, Plan plan) {
        Stream<String> law = LawAllows.rules(state.vehicleFacts(state.before().orElseThrow())).stream()
                .filter(r -> r.says() == MarketRules.Says.APPROVAL)
                .map(r -> r.cited() + ".");
        Stream<String> work = plan.operations().stream()
                .filter(o -> o.holds().contains(HoldPoint.LEAD_APPROVED))
                .flatMap(o -> o.reasons().stream());
        Stream<String> worker = plan.decisions().stream()
                .filter(d -> d.rule().equals("who-works"))
                .map(d -> d.judgement().reason());
        return Stream.concat(law, Stream.concat(work, worker).filter(why -> why.contains("the lead")))
                .distinct()
                .collect(Collectors.joining(" "));
    }

    static NextAct swap(JobState state, Plan plan) {
        Operation swap = plan.operations().stream()
                .filter(o -> o.kind() == Kind.SWAP)
                .findFirst()
                .orElseThrow();
        List<String> cautions = state.before()
                .map(scan -> Cautions.of(state.vehicleFacts(scan), swap))
                .orElse(swap.cautions());
        return new NextAct(
                swap.title(),
                String.join(" ", swap.reasons()) + " " + String.join(". ", swap.prompts()) + "."
                        + (cautions.isEmpty() ? "" : " " + String.join(" ", cautions)),
                Safe.toStop(state),
                Tone.PERSON,
                List.of(Act.simple("The new one is in its place", SWAPPED)));
    }

    static NextAct scanTheNewOne(JobState state) {
        return new NextAct(
                "Scan again: the new part is in",
                "What was read before was the vehicle without it.",
                Safe.toStop(state),
                Tone.DO,
                List.of(IdentifyStage.scanAll(state)));
    }

    @Override
    public Optional<String> found(JobState state) {
        return state.plan().map(plan -> found(state, plan));
    }

    private static String found(JobState state, PlanVersion plan) {
        int writes = state.writes().size();
        String agreed = state.personHold(HoldPoint.PLAN_AGREED)
                .map(h -> "; agreed to by " + h.who() + ", " + state.now().dayAndTime(h.at()))
                .orElse("");
        return "Plan version " + plan.version() + ": "
                + (writes == 0 ? "nothing is written" : Words.count(writes, "writing step")) + agreed + ".";
    }
}

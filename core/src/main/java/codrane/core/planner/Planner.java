package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.Plan;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * Asks every rule in fixed order and puts their operations into the order of their kinds. The same facts give the same
 * plan. A blocked plan has nothing in it that writes: what can't be finished is not begun.
 */
public final class Planner {
    private static final Set<Kind> IN_A_BLOCKED_PLAN = Set.of(Kind.SCAN, Kind.BASELINE, Kind.READ_CODING);
    private static final List<Rule> RULES = List.of(
            new MakeToolReady(),
            new RecordFaultsFirst(),
            new BaselineBeforeWriting(),
            new CompareWithKnownGood(),
            new OneVehicle(),
            new PartMustFit(),
            new PartMustBeFree(),
            new PartMustAnswer(),
            new ReadBeforeRemoval(),
            new ProgramOrCode(),
            new RestoreSoftware(),
            new UpdateSoftware(),
            new NeighboursToo(),
            new RequiredUpdates(),
            new CountersElsewhere(),
            new WriteVehicleVin(),
            new LearnVinFromNeighbour(),
            new WriteOrderBack(),
            new WriteVehicleCoding(),
            new ChangeVehicleOrder(),
            new CodeAgainAfterErase(),
            new BringBackLearned(),
            new IsItThereAlready(),
            new ValueAllowed(),
            new ChangeSettings(),
            new EnableFeature(),
            new LayoutOfSoftware(),
            new PairImmobiliser(),
            new LearnKeys(),
            new ResetAfterWriting(),
            new SleepAfterCoding(),
            new LearnAfterWriting(),
            new CalibrateAfterWriting(),
            new InitialiseAsAsked(),
            new SettleByLadder(),
            new WrittenMustAnswer(),
            new ClearAfterWriting(),
            new ClearWhatWasAsked(),
            new AuthoriseBeforeWriting(),
            new CompareVerification(),
            new ProveByReading(),
            new TryAndDrive(),
            new LeaveABaseline(),
            new SwapPart(),
            new LawAllows(),
            new WhoWorks(),
            new HoldTheVoltage(),
            new BatteryBears(),
            new WiredOrWireless(),
            new SocketIsOurs(),
            new InterfaceIsCool(),
            new OnlineWhereNeeded(),
            new SupportUnitOrEngine());

    /** While the old module is in its place, only what is said of it and of the vehicle is judged. */
    private static final List<Rule> BEFORE_THE_SWAP = List.of(
            new RecordFaultsFirst(),
            new BaselineBeforeWriting(),
            new OneVehicle(),
            new PartMustFit(),
            new PartMustBeFree(),
            new ReadBeforeRemoval(),
            new SwapPart(),
            new WhoWorks(),
            new SupportUnitOrEngine());

    private Planner() {}

    /** What the rules said of facts. */
    private record Judged(VehicleFacts facts, Draft draft, List<Plan.Decision> decisions) {}

    /** Whether something is programmed does not depend on layouts; how its coding is kept then depends on that. */
    public static Plan plan(VehicleFacts facts) {
        Judged asRead = judged(facts.programming(Set.of()));
        Set<String> programmed = Set.copyOf(asRead.draft().modulesOf(Set.of(Kind.PROGRAM)));
        Judged judged = programmed.isEmpty() ? asRead : judged(facts.programming(programmed));
        boolean blocked = judged.decisions().stream().anyMatch(d -> d.judgement() instanceof Judgement.Blocked);
        List<Operation> operations = judged.draft().operations().stream()
                .filter(o -> !blocked || IN_A_BLOCKED_PLAN.contains(o.kind()))
                .sorted(PlanOrder.comparator())
                .map(o -> finished(judged.facts(), readAsTheNewest(judged, o)))
                .toList();
        return new Plan(PlanOrder.saidOnce(operations), judged.decisions());
    }

    private static Judged judged(VehicleFacts facts) {
        List<Plan.Decision> decisions = new ArrayList<>();
        Draft draft = new Draft();
        Grammar grammar = new Grammar(facts.pack());
        for (Rule rule : facts.oldInPlace() ? BEFORE_THE_SWAP : RULES) {
            Judgement judgement = grammar.agree(rule.judge(facts, draft));
            decisions.add(new Plan.Decision(rule.id(), judgement));
            if (judgement instanceof Judgement.Applies applies) draft.add(applies.operations());
        }
        return new Judged(facts, draft, decisions);
    }

    /** Nobody knows how software that is newer than the pack keeps its coding. */
    private static Operation readAsTheNewest(Judged judged, Operation operation) {
        if (operation.kind() != Kind.WRITE_CODING && operation.kind() != Kind.DERIVE_CODING) return operation;
        PackModule module = judged.facts().pack().module(operation.module());
        String has = judged.facts().answer(module.id()).software();
        boolean newer = ProgramModule.isOlder(module.software().current(), has);
        return newer && !judged.draft().has(Kind.PROGRAM, module.id())
                ? operation.because("Software " + has
                        + " is newer than any that the pack knows: its coding is taken to be kept as "
                        + module.software().current() + " keeps it. Compare the values as read first.")
                : operation;
    }

    /** Hold points and cautions that come from what an operation is, whichever rule planned it. */
    private static Operation finished(VehicleFacts facts, Operation operation) {
        Operation with = operation.warning(Cautions.of(facts, operation));
        if (!operation.kind().writes()) return with;
        if (LawAllows.approvalNeeded(facts) || WhoWorks.leadStays(facts)) with = with.holding(HoldPoint.LEAD_APPROVED);
        if (!facts.strangers().isEmpty()) with = with.holding(HoldPoint.IDENTITY_SETTLED);
        if (Irreversible.is(facts, operation)) with = with.holding(HoldPoint.IDENTITY_SETTLED, HoldPoint.NO_WAY_BACK);
        return with.holding(HoldPoint.WRITES_RELEASED);
    }
}

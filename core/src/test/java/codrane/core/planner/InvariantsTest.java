package codrane.core.planner;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.pack.Feature;
import codrane.core.pack.Pack;
import codrane.core.pack.Packs;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.Plan;
import codrane.core.plan.PlanChange;
import codrane.core.plan.School;
import codrane.core.plan.VehicleFacts;
import codrane.core.scan.CodingState;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What holds of every plan, over random facts of every kind and every pack. */
class InvariantsTest {
    private static final int ROUNDS = 4_000;

    @Test
    void plan_randomFacts_keepEveryInvariant() {
        Random random = new Random(10);
        List<Pack> packs = Packs.all().stream().map(Packs::load).toList();
        Set<JobKind> wrote = new HashSet<>();
        for (int round = 0; round < ROUNDS; round++) {
            VehicleFacts facts = new RandomFacts(random, packs.get(round % packs.size())).make();
            Plan plan = Planner.plan(facts);
            try {
                check(facts, plan);
            } catch (AssertionError e) {
                throw new AssertionError(
                        "round " + round + ", " + facts.kind() + " on "
                                + facts.pack().id() + ": "
                                + plan.operations().stream().map(Operation::key).toList(),
                        e);
            }
            if (plan.writes().findAny().isPresent()) wrote.add(facts.kind());
        }
        // the property says nothing about a kind that was never let write
        Set<JobKind> expected = new HashSet<>(Set.of(JobKind.values()));
        expected.removeAll(Set.of(JobKind.BASELINE_ONLY, JobKind.READY_TOOL));
        assertThat(wrote).containsExactlyInAnyOrderElementsOf(expected);
    }

    private static void check(VehicleFacts facts, Plan plan) {
        List<Operation> operations = plan.operations();
        List<Kind> kinds = operations.stream().map(Operation::kind).toList();
        assertThat(operations).extracting(Operation::key).doesNotHaveDuplicates();
        assertThat(operations).allSatisfy(o -> {
            assertThat(o.reasons()).isNotEmpty().allMatch(r -> !r.isBlank());
            assertThat(o.seconds()).isNotNegative();
        });
        assertThat(plan.decisions())
                .allSatisfy(d -> assertThat(d.judgement().reason()).endsWith("."));
        assertThat(Planner.plan(facts)).isEqualTo(plan);
        assertThat(PlanChange.of(plan, Planner.plan(facts)).empty()).isTrue();
        boolean writes = plan.writes().findAny().isPresent();
        if (plan.blocked()) assertThat(writes).isFalse();
        if (!writes) return;
        assertThat(operations.getLast().ifLeftHere())
                .as("safe to stop at the end")
                .isEmpty();
        order(kinds, facts);
        holds(facts, plan);
        onlyWhatIsListed(facts, plan);
    }

    /** The order of computation.md 10. */
    private static void order(List<Kind> kinds, VehicleFacts facts) {
        int firstWrite = first(kinds, Kind::writes);
        assertThat(kinds.indexOf(Kind.SCAN))
                .as("faults recorded before any clear")
                .isBetween(0, firstWrite - 1);
        assertThat(kinds.indexOf(Kind.BASELINE)).as("baseline before any write").isBetween(0, firstWrite - 1);
        if (!(facts.gateway() instanceof Gateway.None))
            assertThat(kinds.indexOf(Kind.UNLOCK))
                    .as("authorised before what the gateway blocks")
                    .isBetween(0, firstWrite - 1);
        before(kinds, Kind.WRITE_VIN, Kind.PAIR);
        before(kinds, Kind.PAIR, Kind.ADD_KEY);
        before(kinds, Kind.PROGRAM, Kind.WRITE_CODING);
        before(kinds, Kind.WRITE_ORDER, Kind.WRITE_CODING);
        before(kinds, Kind.WRITE_CODING, Kind.CALIBRATE);
        before(kinds, Kind.WRITE_CODING, Kind.INITIALISE);
        for (Kind settle : List.of(Kind.SLEEP, Kind.RELEARN, Kind.RESET, Kind.BATTERY_OFF, Kind.CLEAR))
            before(kinds, settle, Kind.PROVE);
        before(kinds, Kind.SLEEP, Kind.RELEARN);
        assertThat(kinds).as("what is written is proved").contains(Kind.PROVE);
        if (!facts.unmounted()) assertThat(kinds).contains(Kind.FUNCTION_TEST);
        if (kinds.contains(Kind.ADD_KEY)) assertThat(kinds).contains(Kind.PAIR);
    }

    private static int first(List<Kind> kinds, java.util.function.Predicate<Kind> is) {
        for (int i = 0; i < kinds.size(); i++) if (is.test(kinds.get(i))) return i;
        return kinds.size();
    }

    private static void before(List<Kind> kinds, Kind first, Kind then) {
        if (kinds.contains(first) && kinds.contains(then))
            assertThat(kinds.lastIndexOf(first)).as(first + " before " + then).isLessThan(kinds.indexOf(then));
    }

    private static void holds(VehicleFacts facts, Plan plan) {
        assertThat(plan.writes()).allSatisfy(write -> {
            assertThat(write.holds()).contains(HoldPoint.WRITES_RELEASED);
            if (Irreversible.is(facts, write))
                assertThat(write.holds()).contains(HoldPoint.IDENTITY_SETTLED, HoldPoint.NO_WAY_BACK);
            if (LawAllows.approvalNeeded(facts)) assertThat(write.holds()).contains(HoldPoint.LEAD_APPROVED);
            if (!write.module().isEmpty()) {
                assertThat(facts.answer(write.module()).answers())
                        .as("what is written answers")
                        .isTrue();
                if (facts.answer(write.module()).bootOnly())
                    assertThat(plan.operations().stream().map(Operation::key)).contains("program-" + write.module());
            }
            if (write.kind() == Kind.PROGRAM) {
                boolean coded = !facts.pack().module(write.module()).blocks().isEmpty()
                        && !facts.answer(write.module()).bootOnly()
                        && facts.answer(write.module()).coding() != CodingState.NONE;
                if (coded)
                    assertThat(plan.operations().stream().map(Operation::key))
                            .as("what is erased is coded again")
                            .contains("write-coding-" + write.module());
                assertThat(write.holds()).contains(HoldPoint.FILE_CHECKED, HoldPoint.POWER_READY);
                assertThat(write.safeToStopDuring()).isFalse();
            }
            if (write.kind() == Kind.PAIR || write.kind() == Kind.ADD_KEY) {
                assertThat(write.holds()).contains(HoldPoint.OWNERSHIP_PROVED);
                assertThat(write.safeToStopDuring()).isFalse();
            }
            if (write.kind() == Kind.CLEAR) assertThat(write.holds()).contains(HoldPoint.FAULTS_RECORDED);
        });
    }

    /** Nothing but the job's own module, what was wished for, and what a rule names may be written. */
    private static void onlyWhatIsListed(VehicleFacts facts, Plan plan) {
        Set<String> listed = new HashSet<>(Set.of(""));
        facts.part().module().filter(m -> facts.kind().namesModule()).ifPresent(listed::add);
        if (!facts.kind().namesModule()) {
            facts.wishes().settings().forEach(s -> listed.add(s.module()));
            facts.pack()
                    .equipment()
                    .features()
                    .forEach(f -> f.on().keySet().forEach(s -> listed.add(holder(facts.pack(), s))));
            facts.pack().equipment().order().ifPresent(o -> {
                listed.addAll(o.holders());
                o.follow().values().forEach(listed::addAll);
                o.rules().forEach(rule -> listed.add(holder(facts.pack(), rule.setting())));
            });
        }
        facts.wished().forEach(s -> listed.add(s.module()));
        facts.askedFeatures().forEach(f -> f.on().keySet().forEach(s -> listed.add(holder(facts.pack(), s))));
        facts.pack()
                .equipment()
                .immobiliser()
                .filter(i -> listed.contains(i.master()))
                .ifPresent(i -> listed.addAll(i.members()));
        if (!facts.aids().settled().isEmpty()) // the next rung of settling
        facts.pack().equipment().procedures().values().forEach(p -> listed.add(p.module()));
        boolean level = facts.policy().is(School.NEIGHBOURS, "level-set");
        plan.writes().forEach(write -> {
            boolean neighbour =
                    write.reasons().stream().anyMatch(r -> r.startsWith("Level-set") || r.contains(" requires "));
            if (neighbour && (level || write.reasons().stream().anyMatch(r -> r.contains(" requires "))))
                listed.add(write.module());
        });
        assertThat(plan.writes()).allSatisfy(write -> assertThat(write.module()).isIn(listed));
    }

    private static String holder(Pack pack, Feature.Setting setting) {
        return pack.holder(setting.layout()).orElseThrow().id();
    }
}

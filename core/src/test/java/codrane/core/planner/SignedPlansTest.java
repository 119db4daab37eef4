package codrane.core.planner;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.job.RunTasks;
import codrane.core.pack.Concern;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.Packs;
import codrane.core.pack.Procedure;
import codrane.core.pack.VehicleCondition;
import codrane.core.pack.VinLock;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.Plan;
import codrane.core.plan.VehicleFacts;
import codrane.core.scan.CodingState;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What makes a plan one that a technician would sign, over random facts of every kind and every pack. */
class SignedPlansTest {
    private static final int ROUNDS = 6_000;
    private static final int GRANTED_SECONDS = 3600;
    private static final Set<Kind> BEFORE_A_SWAP = EnumSet.of(Kind.SCAN, Kind.READ_CODING, Kind.BASELINE, Kind.SWAP);
    private static final Pattern CLUMSY = Pattern.compile(
            "\\b1 (?:keys|tasks|faults|modules|blocks|tools)\\b|\\bAll 1\\b|  | ,|\\.\\.|\\boctets?\\b|\\?\\.|null|\\[|\\]|s's\\b|\\d{4}-\\d\\d-\\d\\d");

    /** Made once: every property is about the same cases. */
    private static final List<Case> CASES = cases();

    private record Case(VehicleFacts facts, Plan plan) {
        @Override
        public String toString() {
            return facts.kind() + " on " + facts.pack().id() + ": "
                    + plan.operations().stream().map(Operation::key).toList() + " " + facts.part();
        }
    }

    private static List<Case> cases() {
        Random random = new Random(11);
        List<Pack> packs = Packs.all().stream().map(Packs::load).toList();
        List<Case> cases = new ArrayList<>();
        for (int round = 0; round < ROUNDS; round++) {
            VehicleFacts facts = new RandomFacts(random, packs.get(round % packs.size())).make();
            cases.add(new Case(facts, Planner.plan(facts)));
        }
        return cases;
    }

    private static void always(BiConsumer<VehicleFacts, Plan> property) {
        for (Case each : CASES) {
            try {
                property.accept(each.facts(), each.plan());
            } catch (AssertionError e) {
                throw new AssertionError(each.toString(), e);
            }
        }
    }

    private static boolean writes(Plan plan) {
        return plan.writes().findAny().isPresent();
    }

    private static int at(Plan plan, String key) {
        List<String> keys = plan.operations().stream().map(Operation::key).toList();
        return keys.indexOf(key);
    }

    @Test
    void oldModuleInPlace_isReadAndSwapped_andNothingElse() {
        Set<JobKind> seen = new HashSet<>();
        always((facts, plan) -> {
            if (!facts.oldInPlace()) return;
            assertThat(plan.operations()).extracting(Operation::kind).allMatch(BEFORE_A_SWAP::contains);
            if (plan.blocked()) return;
            seen.add(facts.kind());
            assertThat(plan.operations().getLast().kind()).isEqualTo(Kind.SWAP);
        });
        Stream.of(JobKind.values())
                .filter(JobKind::replaces)
                .forEach(k -> assertThat(seen).contains(k));
        assertThat(seen).contains(JobKind.RETROFIT);
    }

    @Test
    void notMounted_nothingMovesOrAims_andTheMountingComesLast() {
        always((facts, plan) -> {
            if (!facts.unmounted() || facts.oldInPlace() || plan.blocked()) return;
            List<String> routines = facts.pack().equipment().procedures().values().stream()
                    .map(Procedure::title)
                    .toList();
            assertThat(plan.operations()).extracting(Operation::title).noneMatch(routines::contains);
            assertThat(plan.operations())
                    .extracting(Operation::kind)
                    .doesNotContain(Kind.RELEARN, Kind.CALIBRATE, Kind.FUNCTION_TEST, Kind.DRIVE);
            assertThat(plan.operations().getLast().kind()).isEqualTo(Kind.SWAP);
        });
    }

    @Test
    void anotherVin_isAskedAboutAndHeld_neverWrittenPast() {
        always((facts, plan) -> {
            if (!OneVehicle.asks(facts)) return;
            if (!OneVehicle.unexplained(facts).isEmpty()) {
                assertThat(writes(plan)).isFalse();
                assertThat(PlanQuestions.of(facts))
                        .extracting(PlanQuestions.Question::id)
                        .contains("whose-vin");
            }
            if (!facts.strangers().isEmpty())
                assertThat(plan.writes()).allMatch(o -> o.holds().contains(HoldPoint.IDENTITY_SETTLED));
        });
    }

    @Test
    void vinThatStays_needsNumberAndOrigin() {
        always((facts, plan) -> plan.writes()
                .filter(o -> o.kind() == Kind.WRITE_VIN)
                .map(o -> facts.pack().module(o.module()))
                .filter(m -> m.traits().vinLock() != VinLock.REWRITABLE)
                .forEach(m -> {
                    assertThat(facts.part().origin()).isPresent();
                    assertThat(facts.part().offered() + facts.part().told()).isNotBlank();
                    if (m.traits().vinLock() == VinLock.BOUND)
                        assertThat(facts.part().origin()).contains(PartOrigin.NEW);
                }));
    }

    @Test
    void writtenBack_isOnlyWhatWasGood() {
        always((facts, plan) -> plan.writes()
                .filter(o -> o.kind() == Kind.WRITE_CODING
                        && facts.kind().namesModule()
                        && o.title().endsWith(" back"))
                .forEach(o -> {
                    assertThat(facts.coding(o.module())).isEqualTo(CodingState.AGREES);
                    assertThat(facts.answer(o.module()).bootOnly()).isFalse();
                }));
    }

    @Test
    void restartedAndInitialised_isOnlyWhatChanged() {
        Set<Kind> changes = EnumSet.of(Kind.PROGRAM, Kind.WRITE_VIN, Kind.WRITE_CODING, Kind.PAIR, Kind.ADD_KEY);
        always((facts, plan) -> {
            Set<String> changed = new HashSet<>();
            plan.writes().filter(o -> changes.contains(o.kind())).forEach(o -> changed.add(o.module()));
            facts.newPart().ifPresent(part -> changed.add(part.id())); // it finds its place even if nothing is written
            List<String> after = facts
                    .pack()
                    .equipment()
                    .features(facts.wishes().features())
                    .stream()
                    .flatMap(f -> f.after().stream())
                    .toList();
            plan.writes()
                    .filter(o -> o.kind() == Kind.RESET || o.kind() == Kind.INITIALISE || o.kind() == Kind.CALIBRATE)
                    .filter(o -> !o.module().isEmpty())
                    .forEach(o -> assertThat(changed.contains(o.module()) || !after.isEmpty())
                            .as(o.key())
                            .isTrue());
        });
    }

    @Test
    void batteryOff_comesBeforeWhatItUndoes_andIsTheLastMeansElse() {
        always((facts, plan) -> {
            int off = at(plan, "battery-off");
            if (off < 0) return;
            boolean certain = !plan.operations().get(off).conditional();
            for (int i = 0; i < plan.operations().size(); i++) {
                Operation o = plan.operations().get(i);
                boolean undone = o.kind() == Kind.INITIALISE || o.kind() == Kind.CALIBRATE;
                if (undone || certain && o.kind() == Kind.RELEARN)
                    assertThat(i).as(o.key()).isGreaterThan(off);
                if (!certain && o.kind() == Kind.RELEARN) assertThat(i).isLessThan(off);
            }
        });
    }

    @Test
    void ladder_conditionsAreSaid_andWhatWasTriedIsNotThere() {
        always((facts, plan) -> plan.operations().stream()
                .filter(Operation::conditional)
                .forEach(o -> {
                    assertThat(o.onlyIf()).startsWith("a message stays");
                    assertThat(plan.writes()).doesNotContain(o);
                    facts.aids()
                            .settled()
                            .forEach(s -> assertThat(o.kind().name()).isNotEqualTo(s.name()));
                }));
    }

    @Test
    void wrote_endsWithABaseline() {
        always((facts, plan) -> {
            if (!writes(plan)) return;
            int left = at(plan, "as-left");
            assertThat(left).isPositive();
            for (int i = left; i < plan.operations().size(); i++)
                assertThat(plan.operations().get(i).kind().writes()).isFalse();
        });
    }

    @Test
    void programmed_isComparedByItsNumbers_andADowngradeIsTheLeads() {
        always((facts, plan) -> plan.writes()
                .filter(o -> o.kind() == Kind.PROGRAM)
                .forEach(o -> {
                    PackModule module = facts.pack().module(o.module());
                    assertThat(at(plan, "prove-" + o.module()))
                            .isGreaterThan(plan.operations().indexOf(o));
                    if (ProgramModule.isOlder(
                            facts.target(module), facts.answer(o.module()).software()))
                        assertThat(o.holds()).contains(HoldPoint.LEAD_APPROVED);
                }));
    }

    @Test
    void paired_onlyWithAKeyThatIsHere() {
        always((facts, plan) -> plan.writes().filter(o -> o.kind() == Kind.PAIR).forEach(o -> {
            assertThat(facts.aids().keys().orElseThrow().here()).isPositive();
            assertThat(o.holds()).contains(HoldPoint.KEYS_COUNTED);
        }));
    }

    @Test
    void routines_eachSayWhatMustBeBroughtAboutFirst() {
        always((facts, plan) -> {
            for (Procedure procedure : facts.pack().equipment().procedures().values())
                plan.operations().stream()
                        .filter(o -> o.title().equals(procedure.title())
                                && !procedure.needs().isEmpty())
                        .forEach(o -> assertThat(o.prompts()).anyMatch(p -> p.startsWith("Before \"" + o.title())));
        });
    }

    @Test
    void cautions_areTrueForThisActAndThisVehicle() {
        always((facts, plan) -> plan.operations().forEach(o -> {
            boolean runs = facts.pack().equipment().procedures().values().stream()
                    .anyMatch(p -> p.title().equals(o.title()) && p.needs().contains(VehicleCondition.ENGINE_RUNNING));
            assertThat(o.cautions().stream().anyMatch(c -> c.startsWith("Engine running")))
                    .as(o.title())
                    .isEqualTo(runs);
            if (facts.pack().supply().chemistry().equals("lfp"))
                assertThat(o.cautions()).noneMatch(c -> c.contains("gas"));
        }));
    }

    @Test
    void uncodedLooks_areSaidOnlyOfWhatIsNotCoded() {
        always((facts, plan) -> plan.operations().stream()
                .filter(o -> o.prompts().stream().anyMatch(p -> p.startsWith("Until it is coded")))
                .filter(o ->
                        facts.newPart().filter(p -> p.id().equals(o.module())).isEmpty())
                .filter(o -> at(plan, "program-" + o.module()) < 0) // programming may leave it uncoded
                .forEach(o -> assertThat(facts.coding(o.module()))
                        .as(o.key())
                        .isNotIn(CodingState.AGREES, CodingState.UNMARKED, CodingState.NONE)));
    }

    @Test
    void lookingAhead_isAimedHereOrSaidToBeAimedElsewhere() {
        Set<String> elsewhere = new HashSet<>();
        always((facts, plan) -> facts.newPart()
                .filter(part -> writes(plan) && !facts.unmounted())
                .filter(part -> facts.concerns(part.id()).contains(Concern.DRIVER_ASSISTANCE))
                .ifPresent(part -> {
                    boolean here = at(plan, "calibrate-" + part.id()) >= 0;
                    boolean said = plan.operations().stream()
                            .flatMap(o -> o.prompts().stream())
                            .anyMatch(p -> p.contains("is aimed with targets, by the maker's procedure"));
                    assertThat(here ^ said).isTrue();
                    if (said) elsewhere.add(facts.pack().id());
                }));
        assertThat(elsewhere).isNotEmpty();
    }

    @Test
    void functionTest_namesWhatIsTried_andRestraintsAreLookedAt() {
        always((facts, plan) -> plan.operations().stream()
                .filter(o -> o.kind() == Kind.FUNCTION_TEST)
                .forEach(o -> {
                    assertThat(o.title()).isNotEqualTo("Try what was changed").doesNotContain("its lamp");
                    boolean faults = facts.kind() == JobKind.CLEAR_FAULTS
                            && facts.answers().entrySet().stream()
                                    .anyMatch(a -> !a.getValue().faults().isEmpty()
                                            && facts.concerns(a.getKey()).contains(Concern.RESTRAINTS));
                    if (faults) assertThat(o.title()).startsWith("Look at the restraints lamp");
                }));
    }

    @Test
    void titles_agreeInNumberWithTheirModules() {
        Pattern one = Pattern.compile(
                "\\bthe (?:doors|brakes|instruments|restraints|announcements) (?:in all it does|.* at its restart)");
        always((facts, plan) -> plan.operations().forEach(o -> {
            assertThat(o.title()).doesNotContainPattern(one);
            assertThat(o.reasons())
                    .noneMatch(r -> one.matcher(r.toLowerCase(Locale.ROOT)).find());
        }));
    }

    @Test
    void whatWritesData_saysThatItNeedsTheSupply() {
        Set<Kind> data = EnumSet.of(
                Kind.WRITE_VIN, Kind.WRITE_CODING, Kind.WRITE_ORDER, Kind.WRITE_LEARNED, Kind.PAIR, Kind.ADD_KEY);
        Set<JobKind> seen = new HashSet<>();
        always((facts, plan) -> {
            List<Operation> writes = plan.operations().stream()
                    .filter(o -> data.contains(o.kind()))
                    .toList();
            assertThat(writes).allSatisfy(o -> assertThat(o.needs()).contains("supply at coding voltage"));
            if (!writes.isEmpty()) seen.add(facts.kind());
        });
        Set<JobKind> expected = EnumSet.allOf(JobKind.class);
        expected.removeAll(Set.of(JobKind.BASELINE_ONLY, JobKind.READY_TOOL, JobKind.CLEAR_FAULTS));
        assertThat(seen).containsAll(expected);
    }

    /** Else a run behind a gateway could never be begun: it is authorised for an hour, and renewed where it asks a person. */
    @Test
    void writes_betweenTwoRoutines_fitIntoWhatAnAuthorityGrants() {
        Set<JobKind> seen = EnumSet.noneOf(JobKind.class);
        always((facts, plan) -> {
            if (facts.gateway() instanceof Gateway.None) return;
            int leg = 0;
            for (Operation write : plan.writes().filter(o -> !o.conditional()).toList()) {
                int seconds = RunTasks.wireSeconds(facts.pack(), write);
                leg = RunTasks.startedByHand(write) ? seconds : leg + seconds;
                assertThat(leg).as(write.title()).isLessThan(GRANTED_SECONDS);
                if (RunTasks.startedByHand(write)) seen.add(facts.kind());
            }
        });
        assertThat(seen).contains(JobKind.REPLACE_SENSOR);
    }

    @Test
    void sentences_standOnce_andReadWell() {
        always((facts, plan) -> {
            List<String> sentences = new ArrayList<>();
            for (Operation o : plan.operations()) {
                sentences.addAll(o.reasons());
                sentences.addAll(o.prompts());
                sentences.addAll(o.cautions());
            }
            assertThat(sentences)
                    .doesNotHaveDuplicates()
                    .noneMatch(s -> CLUMSY.matcher(s).find());
            plan.decisions().forEach(d -> assertThat(d.judgement().reason()).doesNotContainPattern(CLUMSY));
            PlanQuestions.of(facts).forEach(q -> assertThat(q.text()).doesNotContainPattern(CLUMSY));
        });
    }

    @Test
    void faults_eachHasAnOutlook_andTheActItNamesIsInThePlan() {
        always((facts, plan) -> {
            List<FaultOutlook> outlook = FaultOutlook.of(facts, plan, (module, code) -> Optional.empty());
            long stored = facts.answers().values().stream()
                    .mapToLong(a -> a.faults().size())
                    .sum();
            assertThat(outlook).hasSize((int) stored);
            outlook.stream()
                    .filter(o -> !o.by().isEmpty())
                    .forEach(o -> assertThat(at(plan, o.by())).isNotNegative());
        });
    }
}

package codrane.core.planner;

import static codrane.core.planner.Cases.kinds;
import static codrane.core.planner.Cases.operation;
import static codrane.core.planner.Cases.overruled;
import static codrane.core.planner.Cases.reason;
import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.pack.Packs;
import codrane.core.plan.Aids;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.PartFacts;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.Plan;
import codrane.core.plan.Policy;
import codrane.core.plan.Said;
import codrane.core.plan.Said.Whose;
import codrane.core.plan.School;
import codrane.core.plan.VehicleFacts;
import codrane.core.scan.CodingState;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Whose answer is it: the old module's, the new part's, this vehicle's or another's? */
class WhoseAnswerTest {
    private static List<String> questions(VehicleFacts facts) {
        return PlanQuestions.of(facts).stream().map(PlanQuestions.Question::id).toList();
    }

    @ParameterizedTest
    @CsvSource({
        "REPLACE_MODULE, brennick-lorne, tail-lift",
        "REPLACE_BY_NEW, ardwyn-gannet, spreader",
        "REPLACE_IMMOBILISER, brennick-lorne, gearbox",
        "REPLACE_SENSOR, brennick-almery, front-radar",
        "REPLACE_LICENSED, peregil-dunlin, steering",
        "REPLACE_MODULE, tolvane-chorus, climate"
    })
    void oldOneSpeaks_whateverTheKind_endsWithTheSwap(JobKind kind, String pack, String module) {
        VehicleFacts facts = Cases.healthy(kind, Packs.load(pack), RandomFacts.VEHICLES.get(pack))
                .with(PartFacts.of(module).with(PartOrigin.NEW).with(PartFacts.Old.SPEAKS))
                .with(Aids.NONE.with(new Aids.Keys(2, 2)));
        assertThat(questions(facts)).isEmpty();
        assertThat(kinds(Planner.plan(facts))).containsExactly(Kind.SCAN, Kind.READ_CODING, Kind.BASELINE, Kind.SWAP);
    }

    @Test
    void retrofit_partInItsBox_endsWithTheMounting() {
        VehicleFacts facts = Cases.k8()
                .with(new PartFacts(
                        java.util.Optional.empty(),
                        java.util.Optional.of(PartOrigin.NEW),
                        java.util.Optional.of(PartFacts.State.BOXED),
                        java.util.Optional.empty(),
                        "",
                        "",
                        ""));
        Plan plan = Planner.plan(facts);
        assertThat(kinds(plan)).containsExactly(Kind.SCAN, Kind.BASELINE, Kind.SWAP);
        assertThat(operation(plan, Kind.SWAP, "ramp").title()).isEqualTo("Put the new ramp in");
        assertThat(operation(plan, Kind.SWAP, "ramp").holds()).doesNotContain(HoldPoint.OLD_MODULE_READ);
    }

    @Test
    void retrofit_newPartWithAnEmptyVin_getsOne() {
        assertThat(operation(Planner.plan(Cases.k8()), Kind.WRITE_VIN, "ramp").reasons())
                .containsExactly("It holds no VIN.");
    }

    @Test
    void mountedAgain_isAimedThoughNothingIsLeftToWrite() {
        VehicleFacts facts = Cases.with(
                Cases.k14Read(), "front-radar", Cases.answer(Cases.ALMERY.text(), "2.02", CodingState.AGREES));
        assertThat(kinds(Planner.plan(facts)))
                .contains(Kind.CALIBRATE, Kind.PROVE, Kind.DRIVE)
                .doesNotContain(Kind.WRITE_CODING, Kind.WRITE_VIN, Kind.RESET);
    }

    @ParameterizedTest
    @CsvSource({"body, true", "engine, false", "climate, false"})
    void anotherVin_isAQuestionInEveryJobThatWrites(String module, boolean names) {
        for (VehicleFacts job : List.of(Cases.k9(), Cases.k2().with(PartFacts.of("tail-lift")), k5())) {
            VehicleFacts facts = Cases.with(job, module, Cases.answer(Cases.DONOR, "3.31", CodingState.AGREES));
            assertThat(PlanQuestions.of(facts)).anySatisfy(q -> {
                assertThat(q.id()).isEqualTo("whose-vin");
                assertThat(q.text().contains("it names the vehicle")).isEqualTo(names);
            });
            assertThat(Planner.plan(facts).writes()).isEmpty();
        }
    }

    private static VehicleFacts k5() {
        return Cases.healthy(JobKind.CHANGE_SETTING, Packs.lorne(), Cases.LORNE)
                .with(codrane.core.plan.Wishes.of(List.of(
                        Cases.setting("climate", "climate-main", "rear.unit", "Rear heating unit", "fitted", "none"))));
    }

    @Test
    void anotherVin_saidToBeSwappedBefore_isAHoldPointOfEveryWrite() {
        VehicleFacts facts = Cases.with(k5(), "engine", Cases.answer(Cases.DONOR, "4.12", CodingState.AGREES))
                .with(Aids.NONE.with(Said.NOTHING.with(Map.of("engine", Whose.SWAPPED_BEFORE))));
        Plan plan = Planner.plan(facts);
        assertThat(plan.writes()).isNotEmpty().allMatch(o -> o.holds().contains(HoldPoint.IDENTITY_SETTLED));
        assertThat(reason(plan, "one-vehicle")).contains("swapped before, as was said");
        VehicleFacts other = facts.with(Aids.NONE.with(Said.NOTHING.with(Map.of("engine", Whose.ANOTHER_VEHICLE))));
        assertThat(Planner.plan(other).blocks()).singleElement().asString().contains("this is another vehicle");
    }

    @Test
    void anotherVin_whereNothingIsWritten_isNoQuestion() {
        VehicleFacts facts = Cases.with(
                Cases.healthy(JobKind.BASELINE_ONLY, Packs.lorne(), Cases.LORNE),
                "engine",
                Cases.answer(Cases.DONOR, "4.12", CodingState.AGREES));
        assertThat(questions(facts)).isEmpty();
        assertThat(Beside.of(facts, List.of()))
                .extracting(Beside.Odd::sentence)
                .containsExactly("Engine carries the VIN " + Cases.DONOR + ".");
    }

    @Test
    void boundPart_calledSecondHand_isNotWrittenHoweverEmptyItReads() {
        VehicleFacts facts = Cases.with(
                Cases.healthy(JobKind.REPLACE_MODULE, Packs.lorne(), Cases.LORNE)
                        .with(Cases.part("restraints", PartOrigin.SECOND_HAND, PartFacts.Old.GONE)
                                .withNumbers("", "BK-45018-B3")),
                "restraints",
                Cases.answer("", "5.00", CodingState.BLANK));
        assertThat(Planner.plan(facts).blocks()).singleElement().asString().contains("however empty it reads");
    }

    @Test
    void vinThatStays_withoutANumber_isAskedForIt() {
        VehicleFacts facts = Cases.with(
                Cases.healthy(JobKind.REPLACE_BY_NEW, Packs.lorne(), Cases.LORNE)
                        .with(Cases.part("restraints", PartOrigin.NEW, PartFacts.Old.GONE)),
                "restraints",
                Cases.answer("", "5.00", CodingState.BLANK));
        assertThat(questions(facts)).containsExactly("part-number");
        assertThat(Planner.plan(facts).writes()).isEmpty();
    }

    @Test
    void partsDesk_agreesToOneNumberInOneJob_neverByPolicyAndNeverToTheYear() {
        VehicleFacts unknown = Cases.fits().with(Cases.fits().part().withNumbers("BK-67220-B3", "BK-67220-D4"));
        assertThat(Planner.plan(overruled(unknown, School.PART, "parts-desk-agreed"))
                        .blocks())
                .isEmpty();
        Policy always = new Policy(Map.of(School.PART, "parts-desk-agreed"), List.of());
        assertThat(Planner.plan(unknown.with(always)).blocks()).hasSize(1);
        Policy another = new Policy(
                Map.of(),
                List.of(new Policy.Overrule(School.PART, "parts-desk-agreed", "by phone", "lead", "BK-67220-D5")));
        assertThat(Planner.plan(unknown.with(another)).blocks()).hasSize(1);
    }

    @Test
    void newerSoftware_isAskedAbout() {
        VehicleFacts facts =
                Cases.with(Cases.fits(), "tail-lift", Cases.answer(Cases.DONOR, "9.00", CodingState.FOR_ANOTHER));
        assertThat(questions(facts)).containsExactly("newer-software");
        assertThat(Planner.plan(facts).writes()).isEmpty();
        VehicleFacts right = facts.with(Aids.NONE.with(Said.NOTHING.withNewerRight(Set.of("tail-lift"))));
        assertThat(questions(right)).isEmpty();
        assertThat(kinds(Planner.plan(right))).contains(Kind.WRITE_CODING).doesNotContain(Kind.PROGRAM);
    }

    @Test
    void olderFile_isADowngradeAndTheLeads() {
        VehicleFacts facts = Cases.healthy(JobKind.UPDATE_SOFTWARE, Packs.load("brennick-almery"), Cases.ALMERY)
                .with(PartFacts.of("engine"))
                .with(Aids.NONE.with(Said.NOTHING.withFile("4.11")));
        Plan plan = Planner.plan(facts);
        assertThat(operation(plan, Kind.PROGRAM, "engine").title()).isEqualTo("Take the engine back to 4.11");
        assertThat(operation(plan, Kind.PROGRAM, "engine").holds()).contains(HoldPoint.LEAD_APPROVED);
        assertThat(operation(plan, Kind.PROGRAM, "engine").reasons()).anyMatch(r -> r.contains("a downgrade"));
    }

    @Test
    void sameVersionAgain_isSaidOnlyWhenItIsTheSame() {
        VehicleFacts older =
                Cases.with(Cases.k2(), "body", Cases.answer(Cases.LORNE_BUS.text(), "3.30", CodingState.AGREES));
        assertThat(operation(Planner.plan(older), Kind.PROGRAM, "body").reasons())
                .contains("The maker's 3.31 is written; it calls itself 3.30.")
                .noneMatch(r -> r.contains("same version"));
    }

    @Test
    void alteredSoftware_isSaidWhereverSoftwareIsReplaced_andTheOthersCountersAreLookedAt() {
        VehicleFacts facts = Cases.k3().with(Aids.NONE.with(Aids.Content.ALTERED));
        VehicleFacts counted = Cases.with(
                facts,
                "gearbox",
                new codrane.core.plan.ModuleAnswer(
                        codrane.core.scan.ModuleReading.Presence.ANSWERS,
                        java.util.Optional.of(Cases.ALMERY.text()),
                        "2.10",
                        CodingState.AGREES,
                        List.of(),
                        java.util.Optional.of(4)));
        Plan plan = Planner.plan(counted);
        assertThat(operation(plan, Kind.PROGRAM, "engine").reasons()).anyMatch(r -> r.contains("was altered"));
        assertThat(operation(plan, Kind.PROVE, "engine").title()).contains("verification number and counter");
        assertThat(reason(plan, "counters-elsewhere")).contains("Gearbox 4 times");
    }
}

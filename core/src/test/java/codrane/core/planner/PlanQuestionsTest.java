package codrane.core.planner;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.pack.Packs;
import codrane.core.plan.Aids;
import codrane.core.plan.Aids.Keys;
import codrane.core.plan.JobKind;
import codrane.core.plan.ModuleAnswer;
import codrane.core.plan.PartFacts;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.VehicleFacts;
import codrane.core.plan.Wishes;
import codrane.core.plan.Wishes.OrderChange;
import codrane.core.scan.CodingState;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class PlanQuestionsTest {
    private static List<String> ids(VehicleFacts facts) {
        List<PlanQuestions.Question> questions = PlanQuestions.of(facts);
        assertThat(questions).allSatisfy(q -> {
            assertThat(q.text()).endsWith("?");
            assertThat(q.fact()).isNotBlank();
        });
        return questions.stream().map(PlanQuestions.Question::id).toList();
    }

    @Test
    void of_everyCase_asksNothing() {
        for (VehicleFacts facts : List.of(
                Cases.k2(),
                Cases.k3(),
                Cases.k6(),
                Cases.k7(),
                Cases.k8(),
                Cases.k9(),
                Cases.k10(),
                Cases.k11(),
                Cases.k12(),
                Cases.k13(),
                Cases.k14(),
                Cases.k15(),
                Cases.k17())) assertThat(ids(facts)).as(facts.kind().number()).isEmpty();
    }

    private static VehicleFacts without(VehicleFacts facts, String... modules) {
        Map<String, ModuleAnswer> answers = new LinkedHashMap<>(facts.answers());
        answers.keySet().removeAll(List.of(modules));
        return VehicleFacts.of(facts.kind(), facts.pack(), facts.vin(), answers, facts.gateway())
                .with(facts.part())
                .with(facts.wishes())
                .with(facts.aids());
    }

    @Test
    void of_moduleThatNobodyAsked_isAskedForByNameNotTakenForSilent() {
        VehicleFacts learn = without(Cases.k13(), "doors", "body");
        assertThat(PlanQuestions.of(learn))
                .extracting(PlanQuestions.Question::fact)
                .containsExactly("answers.doors", "answers.body");
        assertThat(ids(without(Cases.k13(), "climate"))).isEmpty(); // nothing depends on it
    }

    @Test
    void of_keeperOfTheSecret_asksForEveryMember() {
        var immobiliser = Packs.lorne().equipment().immobiliser().orElseThrow();
        VehicleFacts facts = Cases.healthy(JobKind.REPLACE_IMMOBILISER, Packs.lorne(), Cases.LORNE)
                .with(Cases.part(immobiliser.master(), PartOrigin.NEW, PartFacts.Old.GONE))
                .with(Aids.NONE.with(new Keys(2, 2)));
        String[] members = immobiliser.members().toArray(String[]::new);
        assertThat(PlanQuestions.of(without(facts, members)))
                .extracting(PlanQuestions.Question::fact)
                .containsExactlyInAnyOrderElementsOf(
                        immobiliser.members().stream().map(m -> "answers." + m).toList());
    }

    @Test
    void of_equipmentThatExcludesAnother_asksWhetherThatIsOn() {
        VehicleFacts facts = Cases.k7().with(Wishes.of(List.of("counting"), List.of()));
        assertThat(PlanQuestions.of(facts)).singleElement().satisfies(q -> {
            assertThat(q.id()).isEqualTo("other-equipment");
            assertThat(q.text()).startsWith("Passenger counting does not go with Wash mode: what is ");
        });
    }

    @Test
    void of_settingOfAModuleThatNobodyAsked_asksForIt() {
        assertThat(ids(without(Cases.k19(JobKind.CHANGE_SETTING), "spreader"))).containsExactly("not-asked");
    }

    @ParameterizedTest
    @EnumSource(
            value = JobKind.class,
            mode = EnumSource.Mode.EXCLUDE,
            names = {"CLEAR_FAULTS", "BASELINE_ONLY", "READY_TOOL", "FIND_LOST_SETTING"})
    void of_kindWithNothingSaid_asksWhatItIsAbout(JobKind kind) {
        assertThat(ids(Cases.healthy(kind, Packs.lorne(), Cases.LORNE)))
                .containsAnyOf("which-module", "which-settings", "which-equipment", "which-codes");
    }

    @Test
    void of_replacedPartWithNothingSaid_asksWhereItComesFromAndWhereTheOldOneIs() {
        assertThat(ids(Cases.k9().with(PartFacts.of("tail-lift")))).containsExactly("part-origin", "old-module");
    }

    @Test
    void of_newPartWithAnotherVin_asksWhichItIs() {
        assertThat(ids(Cases.k9().with(Cases.k9().part().with(PartOrigin.NEW)))).containsExactly("new-with-a-past");
    }

    @Test
    void of_jobAboutANewPartThatIsUsed_asksWhichIsRight() {
        assertThat(ids(Cases.k10().with(Cases.k10().part().with(PartOrigin.SECOND_HAND))))
                .containsExactly("new-or-not");
    }

    @Test
    void of_boxedPartWhoseOldOneIsGoneAndYetSomethingAnswers_asksWhoAnswered() {
        assertThat(ids(Cases.k9().with(Cases.k9().part().with(PartFacts.State.BOXED))))
                .containsExactly("who-answered");
    }

    @Test
    void of_deadModuleThatSpeaks_asksWhetherItIsDead() {
        assertThat(ids(Cases.k12().with(Cases.k12().part().with(PartFacts.Old.SPEAKS))))
                .containsExactly("dead-and-speaks");
    }

    @Test
    void of_keys_areCounted() {
        assertThat(ids(Cases.k11().with(Aids.NONE))).containsExactly("keys");
        assertThat(ids(Cases.k12().with(Aids.NONE.with(new Keys(2, 3))))).containsExactly("more-keys-than-known");
        assertThat(ids(Cases.k12().with(Aids.NONE.with(new Keys(0, 0))))).containsExactly("keys");
    }

    @Test
    void of_kindThatDoesNotFitTheModule_asksWhichModuleIsMeant() {
        assertThat(ids(Cases.k13().with(PartFacts.of("body")))).containsExactly("whose-vin", "learns-from-whom");
        assertThat(ids(Cases.k11().with(Cases.part("climate", PartOrigin.SECOND_HAND, PartFacts.Old.GONE))))
                .containsExactly("whose-vin", "no-immobiliser-member");
    }

    @Test
    void of_anotherModelsVinOrAnImpossibleGateway_asks() {
        VehicleFacts wrong = VehicleFacts.of(
                JobKind.BASELINE_ONLY, Packs.lorne(), Cases.WISP, Cases.k9().answers(), new Gateway.None());
        assertThat(ids(wrong)).contains("which-vehicle");
        VehicleFacts gateway = VehicleFacts.of(
                JobKind.BASELINE_ONLY, Packs.lorne(), Cases.LORNE, Cases.k9().answers(), new Gateway.Locked());
        assertThat(ids(gateway)).containsExactly("gateway-where-none-is");
        VehicleFacts none = VehicleFacts.of(
                JobKind.BASELINE_ONLY,
                Packs.load("brennick-almery"),
                Cases.ALMERY,
                Cases.k3().answers(),
                new Gateway.None());
        assertThat(ids(none)).containsExactly("gateway-said-absent");
    }

    @Test
    void of_nothingAnswers_asksForTheKeyAndAScan() {
        Map<String, ModuleAnswer> silent = Map.of("body", ModuleAnswer.SILENT);
        assertThat(ids(VehicleFacts.of(JobKind.BASELINE_ONLY, Packs.lorne(), Cases.LORNE, silent, new Gateway.None())))
                .containsExactly("nothing-answers");
    }

    private static VehicleFacts order(List<String> out, List<String> in) {
        return Cases.k8().with(Wishes.of(new OrderChange(List.of("MKT1", "RMP1", "WSH1", "WCH2"), out, in)));
    }

    @Test
    void of_orderThatContradictsItself_asks() {
        assertThat(ids(order(List.of("RMP2"), List.of()))).containsExactly("code-not-there");
        assertThat(ids(order(List.of(), List.of("WCH2")))).containsExactly("code-there-already");
        assertThat(ids(order(List.of(), List.of("RMP2")))).containsExactly("one-of-a-family");
        assertThat(ids(order(List.of("RMP1"), List.of("RMP1")))).contains("code-out-and-in");
        assertThat(ids(order(List.of(), List.of("CNT1")))).containsExactly("one-of-a-family");
    }

    @Test
    void of_settingTwiceOrLineWithoutItsFrom_asks() {
        var twice = Cases.setting("body", "body-lamps", "lamp.step.hold", "Step lamp", "5 s", "10 s");
        assertThat(ids(Cases.k6().with(Wishes.of(List.of(twice, twice))))).containsExactly("setting-twice");
        var unknown = Cases.setting("body", "body-lamps", "lamp.step.hold", "Step lamp", "", "10 s");
        assertThat(ids(Cases.k6().with(Wishes.of(List.of(unknown))))).containsExactly("from-what");
    }

    @Test
    void of_answeredCoding_doesNotAskAgain() {
        VehicleFacts answered =
                Cases.with(Cases.k9(), "tail-lift", Cases.answer(Cases.LORNE.text(), "3.12", CodingState.AGREES));
        assertThat(ids(answered)).isEmpty();
    }
}

package codrane.core.planner;

import static codrane.core.planner.Cases.kinds;
import static codrane.core.planner.Cases.operation;
import static codrane.core.planner.Cases.overruled;
import static codrane.core.planner.Cases.reason;
import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.fault.Fault;
import codrane.core.fault.FaultCode;
import codrane.core.pack.Pack;
import codrane.core.pack.Packs;
import codrane.core.plan.Aids;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.PartFacts;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.Plan;
import codrane.core.plan.School;
import codrane.core.plan.VehicleFacts;
import codrane.core.scan.CodingState;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Program, code, or both? */
class ProgramOrCodeTest {
    /** Fits, and is not the newest: engine of the Almery. */
    private static VehicleFacts fitsButOlder() {
        return Cases.with(
                Cases.healthy(JobKind.REPLACE_MODULE, Packs.load("brennick-almery"), Cases.ALMERY)
                        .with(Cases.part("body", PartOrigin.NEW, PartFacts.Old.GONE)),
                "body",
                Cases.answer("", "3.30", CodingState.BLANK));
    }

    @Test
    void programOrCode_wordingAsksForProgramming_followsTheMakerAndKeepsTheSentence() {
        Plan plan = Planner.plan(fitsButOlder().with(Aids.NONE.withWording("Fit the module. Program the module.")));
        assertThat(kinds(plan)).contains(Kind.PROGRAM);
        assertThat(reason(plan, "program-or-code")).isEqualTo("The service information says: \"Program the module.\".");
    }

    @Test
    void programOrCode_wordingAsksForConfiguring_codesOnlyAndKeepsTheSentence() {
        Plan plan =
                Planner.plan(fitsButOlder().with(Aids.NONE.withWording("Configure it; programming is not needed.")));
        assertThat(kinds(plan)).doesNotContain(Kind.PROGRAM);
        assertThat(reason(plan, "program-or-code")).contains("Configure it; programming is not needed.");
    }

    @Test
    void programOrCode_newestIsInItAlready_isNotProgrammedWhateverTheWording() {
        Plan plan = Planner.plan(Cases.fits().with(Aids.NONE.withWording("Program the tail lift.")));
        assertThat(kinds(plan)).doesNotContain(Kind.PROGRAM);
        assertThat(reason(plan, "program-or-code")).contains("newest software is in it already");
    }

    @Test
    void programOrCode_overruled_programsAndSaysWhoAndWhy() {
        Plan plan = Planner.plan(overruled(Cases.fits(), School.SOFTWARE, "program"));
        assertThat(operation(plan, Kind.PROGRAM, "tail-lift").reasons())
                .contains("Overruled by lead: tried on the twin before.");
    }

    @Test
    void programOrCode_overruledToCodeOnly_saysThatTheSoftwareStaysOld() {
        Plan plan = Planner.plan(overruled(Cases.k9(), School.SOFTWARE, "code-only"));
        assertThat(kinds(plan)).doesNotContain(Kind.PROGRAM);
        assertThat(reason(plan, "program-or-code")).contains("3.08 stays, though the vehicle needs 3.12");
    }

    @Test
    void programOrCode_missingApplication_canNotBeOverruled() {
        Plan plan = Planner.plan(overruled(Cases.k10(), School.SOFTWARE, "code-only"));
        assertThat(plan.blocks()).singleElement().asString().contains("Take the overrule back");
    }

    private static VehicleFacts with(VehicleFacts facts, String software, String code, int status) {
        Fault fault = new Fault("tail-lift", FaultCode.parse(code), status);
        return Cases.with(facts, "tail-lift", Cases.answer(Cases.DONOR, software, CodingState.FOR_ANOTHER, fault));
    }

    @ParameterizedTest
    @CsvSource({
        "U1301-00, Its fault U1301-00 \"Vehicle identity mismatch\" goes with coding",
        "B1A05-55, Its fault B1A05-55 \"Coding belongs to another vehicle\" goes with coding"
    })
    void programOrCode_faultAboutIdentity_soundsLikeProgrammingAndMeansCoding(String code, String says) {
        Plan plan = Planner.plan(with(Cases.fits(), "3.12", code, 0x08));
        assertThat(kinds(plan)).contains(Kind.WRITE_CODING).doesNotContain(Kind.PROGRAM);
        assertThat(reason(plan, "program-or-code")).contains(says);
    }

    @ParameterizedTest
    @CsvSource({"3.11, 09, true", "3.11, 08, false", "3.12, 09, false"})
    void programOrCode_faultAboutSoftware_countsWhilePresentAndSomethingNewerIsThere(
            String software, String status, boolean programs) {
        Pack needsLess = Packs.changed(
                "brennick-lorne", "current: \"3.12\", needed: \"3.12\"", "current: \"3.12\", needed: \"3.08\"");
        VehicleFacts facts = Cases.healthy(JobKind.REPLACE_MODULE, needsLess, Cases.LORNE)
                .with(Cases.k9().part());
        Plan plan = Planner.plan(with(facts, software, "B1A11-48", Integer.parseInt(status, 16)));
        assertThat(kinds(plan).contains(Kind.PROGRAM)).isEqualTo(programs);
        if (programs)
            assertThat(reason(plan, "program-or-code"))
                    .contains("B1A11-48 \"Software too old for the hand control\" is present");
    }

    @Test
    void wording_thatDisagreesWithTheModule_isAsked() {
        assertThat(PlanQuestions.of(Cases.k9().with(Aids.NONE.withWording("Configure it; programming is not needed."))))
                .extracting(PlanQuestions.Question::text)
                .singleElement()
                .asString()
                .contains("but software 3.08 is older than 3.12");
        assertThat(PlanQuestions.of(fitsButOlder().with(Aids.NONE.withWording("Program it only if it is older."))))
                .extracting(PlanQuestions.Question::id)
                .containsExactly("program-or-code");
        assertThat(PlanQuestions.of(fitsButOlder().with(Aids.NONE.withWording("Program the keys to the vehicle."))))
                .isEmpty();
    }

    @Test
    void wording_aboutKeysOrToTheVehicle_makesNobodyFlash() {
        for (String words : List.of("Program the keys to the vehicle.", "Program the module to the vehicle."))
            assertThat(kinds(Planner.plan(fitsButOlder().with(Aids.NONE.withWording(words)))))
                    .as(words)
                    .doesNotContain(Kind.PROGRAM);
    }
}

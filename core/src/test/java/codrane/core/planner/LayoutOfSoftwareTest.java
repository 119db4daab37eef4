package codrane.core.planner;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.pack.Pack;
import codrane.core.pack.Packs;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.PartFacts;
import codrane.core.plan.Plan;
import codrane.core.plan.School;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import codrane.core.plan.Wishes;
import codrane.core.scan.CodingState;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What is written is written by the layout of the software that is there. */
class LayoutOfSoftwareTest {
    private static final Pack LORNE = Packs.lorne();

    private static VehicleFacts wish(String liftSoftware, SettingChange... settings) {
        return Cases.with(
                        Cases.healthy(JobKind.SCALED_VALUE, LORNE, Cases.LORNE),
                        "tail-lift",
                        Cases.answer(Cases.LORNE.text(), liftSoftware, CodingState.AGREES))
                .with(Wishes.of(List.of(settings)));
    }

    private static SettingChange pump() {
        return Cases.setting("tail-lift", "lift-limits", "pump.seconds", "Longest pump run", "25 s", "20 s");
    }

    private static SettingChange load() {
        return Cases.setting("tail-lift", "lift-limits", "load.most", "Greatest load", "350 kg", "300 kg");
    }

    @Test
    void setting_thatTheSoftwareDoesNotHave_isRefusedWithTheOneThatHasIt() {
        Plan plan = Planner.plan(wish("3.08", pump()));
        assertThat(plan.blocks())
                .containsExactly("Software 3.08 of the tail lift does not have \"Longest pump run\":"
                        + " it is there from software 3.10 and newer.");
        assertThat(Planner.plan(wish("3.12", pump())).blocks()).isEmpty();
    }

    @Test
    void setting_thatItHasElsewhere_isPlanned() {
        assertThat(Cases.operation(Planner.plan(wish("3.08", load())), Kind.WRITE_CODING, "tail-lift")
                        .title())
                .isEqualTo("Change \"Greatest load\" in the tail lift");
    }

    @Test
    void software_newerThanThePackKnows_isSaidWhereItsCodingIsWritten() {
        String sentence = "is newer than any that the pack knows: its coding is taken to be kept as 3.12 keeps it.";
        assertThat(Cases.operation(Planner.plan(wish("4.01", load())), Kind.WRITE_CODING, "tail-lift")
                        .reasons())
                .anyMatch(reason -> reason.startsWith("Software 4.01 " + sentence));
        assertThat(Cases.operation(Planner.plan(wish("3.12", load())), Kind.WRITE_CODING, "tail-lift")
                        .reasons())
                .noneMatch(reason -> reason.contains("newer than any"));
    }

    /** A lift that is newer speaks for the order; one that is older does not have what the order sets. */
    @Test
    void option_thatSetsWhatTheSoftwareDoesNotHave_isRefusedWithTheOneThatHasIt() {
        Pack pack = Packs.changed(
                "brennick-lorne",
                "    - { when: LFT1 and MKT1, set: lift-main/beeper, to: quiet }",
                "    - { when: LFT1, set: lift-limits/pump.seconds, to: \"30\" }");
        assertThat(Planner.plan(option(pack, "3.08")).blocks())
                .contains("Software 3.08 of the tail lift does not have \"Longest pump run\":"
                        + " it is there from software 3.10 and newer.");
        Plan plan = Planner.plan(option(pack, "3.12"));
        assertThat(plan.blocks()).isEmpty();
        assertThat(Cases.operation(plan, Kind.DERIVE_CODING, "tail-lift").reasons())
                .anyMatch(reason -> reason.contains("\"Longest pump run\" from 25 s to 30"));
    }

    private static VehicleFacts option(Pack pack, String liftSoftware) {
        return Cases.with(
                        Cases.healthy(JobKind.RETROFIT, pack, Cases.LORNE),
                        "tail-lift",
                        Cases.answer(Cases.LORNE.text(), liftSoftware, CodingState.AGREES))
                .with(new Wishes(
                        List.of(pump()),
                        List.of(),
                        new Wishes.OrderChange(List.of("MKT2", "USE3"), List.of(), List.of("LFT1"))));
    }

    @Test
    void programming_thatRelaysTheCoding_saysWhatIsNewAndWhatGoes() {
        VehicleFacts update = Cases.with(
                Cases.healthy(JobKind.UPDATE_SOFTWARE, LORNE, Cases.LORNE).with(PartFacts.of("tail-lift")),
                "tail-lift",
                Cases.answer(Cases.LORNE.text(), "3.08", CodingState.AGREES));
        assertThat(Cases.operation(Planner.plan(update), Kind.WRITE_CODING, "tail-lift")
                        .reasons())
                .contains("Software 3.12 keeps the coding otherwise than 3.08: each setting goes to its new place,"
                        + " bits that no setting explains do not. New, and as built: \"Longest pump run\" 25 s.");
        assertThat(Planner.plan(Cases.with(
                                update, "tail-lift", Cases.answer(Cases.LORNE.text(), "3.11", CodingState.AGREES)))
                        .operations())
                .flatExtracting(o -> o.reasons())
                .noneMatch(r -> r.contains("otherwise than"));
    }

    @Test
    void software_ofWhichNoLayoutIsKnown_isNotWrittenTo() {
        assertThat(Planner.plan(wish("2.9", load())).blocks())
                .containsExactly(
                        "How software 2.9 of the tail lift keeps Tail lift limits is not known; the pack knows it of"
                                + " 3.10 and newer, 3.00 to before 3.10. Nothing is written there.");
    }

    @Test
    void software_thatIsProgrammedFirst_isNotAskedForTheLayoutThatGoes() {
        VehicleFacts facts = Cases.k9();
        assertThat(facts.answer("tail-lift").software()).isEqualTo("3.08");
        assertThat(Planner.plan(facts).blocks()).isEmpty();
        assertThat(Planner.plan(facts.with(Wishes.of(List.of(pump())))).blocks())
                .isEmpty();
    }

    @Test
    void part_thatIsCodedOnly_keepsTheLayoutOfItsOldSoftware() {
        VehicleFacts facts = Cases.overruled(Cases.k9(), School.SOFTWARE, "code-only");
        assertThat(Planner.plan(facts).blocks()).isEmpty();
        assertThat(Planner.plan(facts.with(Wishes.of(List.of(pump())))).blocks())
                .containsExactly("Software 3.08 of the tail lift does not have \"Longest pump run\":"
                        + " it is there from software 3.10 and newer.");
    }
}

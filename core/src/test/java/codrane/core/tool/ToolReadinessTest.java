package codrane.core.tool;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.part.SerialMask;
import codrane.core.tool.Check.State;
import codrane.core.tool.ToolFacts.Told;
import codrane.core.tool.ToolFacts.Versions;
import java.time.Instant;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Whether an interface can be used today, and how a new one is made ready. */
class ToolReadinessTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 3, 1);
    private static final SerialMask MASK = SerialMask.parse("PLV2-999999").orElseThrow();

    private static Told told(String firmware, boolean wireless, double celsius) {
        return new Told("PLV2-204417", MASK, new Versions("2.8", firmware), wireless, celsius);
    }

    private static ToolFacts facts(Optional<Told> told, boolean wiredOnly, Optional<Instant> answered) {
        return new ToolFacts(
                "Plover",
                told,
                new Versions("2.8", "4.2"),
                Optional.of(TODAY.plusDays(100)),
                Optional.of(true),
                List.of("standard 16-pin cable"),
                true,
                wiredOnly,
                answered);
    }

    private static Check check(ToolFacts facts, String title) {
        return ToolReadiness.judge(facts, TODAY).stream()
                .filter(c -> c.title().equals(title))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void judge_everythingInOrder_isGood() {
        ToolFacts facts = facts(Optional.of(told("4.2", false, 35)), true, Optional.of(Instant.EPOCH));
        assertThat(ToolReadiness.judge(facts, TODAY)).allMatch(Check::isGood);
    }

    @Test
    void judge_silentInterface_saysWhatToTry() {
        assertThat(check(facts(Optional.empty(), false, Optional.empty()), "Interface")
                        .sentence())
                .contains("another port", "another driver");
    }

    @Test
    void judge_oldFirmware_isAProblem() {
        assertThat(check(facts(Optional.of(told("4.1", false, 35)), false, Optional.empty()), "Firmware"))
                .satisfies(c -> assertThat(c.state()).isEqualTo(State.PROBLEM))
                .satisfies(c -> assertThat(c.sentence()).contains("4.1", "4.2"));
    }

    @Test
    void judge_notAskedYet_isNotReadyWhateverItSays() {
        assertThat(check(facts(Optional.of(told("4.2", false, 35)), false, Optional.empty()), "Answer")
                        .state())
                .isEqualTo(State.ASK);
    }

    @Test
    void judge_wireless_isAProblemOnlyWhereTheJobNeedsTheCable() {
        Optional<Told> wireless = Optional.of(told("4.2", true, 35));
        assertThat(check(facts(wireless, true, Optional.empty()), "Link").state())
                .isEqualTo(State.PROBLEM);
        assertThat(check(facts(wireless, false, Optional.empty()), "Link").state())
                .isEqualTo(State.ASK);
    }

    @Test
    void judge_hot_saysHowLongItCools() {
        Check heat = check(facts(Optional.of(told("4.2", false, 84)), false, Optional.empty()), "Temperature");
        assertThat(heat.state()).isEqualTo(State.PROBLEM);
        assertThat(heat.sentence()).contains("about 3 min");
        assertThat(ToolReadiness.coolDown(84).toSeconds()).isBetween(120L, 125L);
        assertThat(ToolReadiness.coolDown(40)).isZero();
    }

    @Test
    void judge_licence_endedEndsSoonAndUnknown() {
        Optional<Told> good = Optional.of(told("4.2", false, 35));
        assertThat(licence(good, Optional.of(TODAY.minusDays(1)))).isEqualTo(State.PROBLEM);
        assertThat(licence(good, Optional.of(TODAY.plusDays(3)))).isEqualTo(State.ASK);
        assertThat(licence(good, Optional.empty())).isEqualTo(State.ASK);
    }

    private static State licence(Optional<Told> told, Optional<LocalDate> until) {
        ToolFacts facts = new ToolFacts(
                "Plover",
                told,
                new Versions("2.8", "4.2"),
                until,
                Optional.empty(),
                List.of(),
                false,
                false,
                Optional.empty());
        return check(facts, "Licence").state();
    }

    @Test
    void setup_stepsOutOfOrder_countOnlyUpToTheFirstOpenOne() {
        ToolSetup setup = ToolSetup.of(Set.of(ToolStep.PROGRAM, ToolStep.PLUG_IN), Map.of());
        assertThat(setup.next().orElseThrow().step()).isEqualTo(ToolStep.DRIVER);
        assertThat(setup.steps().get(3).state()).isEqualTo(ToolSetup.State.LATER); // plugged in before the driver
        assertThat(setup.refusal(ToolStep.RESTART)).contains("First: Install the driver.");
        assertThat(setup.refusal(ToolStep.PLUG_IN)).get().asString().contains("found by reading");
        assertThat(setup.refusal(ToolStep.DRIVER)).isEmpty();
    }

    @Test
    void setup_allDone_isReady() {
        assertThat(ToolSetup.of(EnumSet.allOf(ToolStep.class), Map.of()).next()).isEmpty();
    }
}

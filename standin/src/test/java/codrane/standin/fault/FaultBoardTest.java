package codrane.standin.fault;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.pack.Pack;
import codrane.standin.Asking;
import codrane.standin.Conditions;
import codrane.standin.TestPacks;
import codrane.standin.vehicle.Setup;
import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class FaultBoardTest {
    private static final Pack LORNE = TestPacks.load("brennick-lorne");
    private final Asking lift = new Asking(Setup.healthy(LORNE, Conditions.LORNE), "tail-lift");

    private void bring(String spec) {
        lift.workshop.faults().bring(((FaultSpec.Parsed.Spec) FaultSpec.parse(spec)).spec());
    }

    @Test
    void drop_frames_asManyAsAsked() {
        bring("drop:count=1,id=4CF");
        assertThat(lift.ask("3E00")).isEqualTo("silent");
        assertThat(lift.ask("3E00")).isEqualTo("7E00");
        bring("drop:count=1,id=435"); // another module's answers
        assertThat(lift.ask("3E00")).isEqualTo("7E00");
    }

    @Test
    void delay_frames_comeLate() {
        bring("delay:count=1,id=4CF,ms=30");
        long before = lift.workshop.time().now();
        assertThat(lift.ask("3E00")).isEqualTo("7E00");
        assertThat(lift.workshop.time().now() - before)
                .isGreaterThan(Duration.ofMillis(30).toNanos());
        bring("delay:count=1,id=4CF,ms=300");
        assertThat(lift.ask("3E00")).isEqualTo("silent");
    }

    @Test
    void duplicate_answer_isTakenOnce() {
        bring("duplicate:count=2");
        assertThat(lift.ask("3E00")).isEqualTo("7E00");
        assertThat(lift.ask("22F189")).isEqualTo("62F189332E3132");
    }

    @Test
    void pending_storm_isWaitedFor() {
        bring("pending:module=tail-lift,times=200");
        assertThat(lift.ask("3E00")).isEqualTo("7E00");
    }

    @Test
    void busOff_moduleComesBackAndOthersMissItMeanwhile() {
        bring("bus-off:module=tail-lift,seconds=4,after=1");
        assertThat(lift.ask("3E00")).isEqualTo("7E00");
        lift.wait(Duration.ofMillis(1100));
        assertThat(lift.ask("3E00")).isEqualTo("silent");
        assertThat(lift.also("instruments").faults().keySet()).asString().contains("U1167-00");
        lift.wait(Duration.ofSeconds(5));
        assertThat(lift.ask("3E00")).isEqualTo("7E00");
        lift.also("instruments").ask("14FFFFFF");
        assertThat(lift.also("instruments").faults()).isEmpty();
    }

    @Test
    void sag_supply_recoversByItself() {
        bring("sag:volts=10.5,seconds=10");
        lift.wait(Duration.ofSeconds(6));
        assertThat(lift.workshop.vehicle().volts()).isLessThan(10.7);
        assertThat(lift.unlocked(3).ask("2EF19030303030303030303030303030303030"))
                .isEqualTo("7F2E93");
        lift.wait(Duration.ofSeconds(10));
        assertThat(lift.workshop.vehicle().volts()).isGreaterThan(13.3);
    }

    @Test
    void powerLoss_atABlock_endsSessionAndTransfer() {
        lift.unlocked(2);
        bring("power-loss:module=tail-lift,block=2,seconds=3");
        lift.ask("3101FF00 00080000 00100000");
        lift.ask("34004400080000 00100000");
        assertThat(lift.ask("3601" + "AA".repeat(100))).isEqualTo("7601");
        lift.ask("3602" + "AA".repeat(100));
        assertThat(lift.ask("3E00")).isEqualTo("silent");
        lift.wait(Duration.ofSeconds(4));
        assertThat(lift.ask("3603" + "AA".repeat(100))).isEqualTo("7F367F");
        assertThat(lift.look("bootOnly")).isEqualTo(true);
        assertThat(lift.ask("220210")).isEqualTo("62021002000800C8"); // what it wrote is not lost
    }

    @Test
    void clear_endsWhatLasts() {
        bring("silent:module=tail-lift");
        bring("drop:count=9999");
        assertThat(lift.ask("3E00")).isEqualTo("silent");
        lift.workshop.faults().clear();
        assertThat(lift.ask("3E00")).isEqualTo("7E00");
    }

    @ParameterizedTest
    @EnumSource(FaultSpec.Kind.class)
    void parse_everyKind_withItsOwnValues(FaultSpec.Kind kind) {
        String text = kind.key() + (kind.needsModule() ? ":module=body,after=2" : ":after=2");
        assertThat(FaultSpec.parse(text))
                .isInstanceOfSatisfying(
                        FaultSpec.Parsed.Spec.class,
                        s -> assertThat(s.spec().kind()).isEqualTo(kind));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "dance|There is no fault \"dance\"",
                "drop:size=3|says nothing to drop",
                "drop:count=many|a number is needed",
                "drop:id=XYZ|a number is needed",
                "silent|needs a module",
                "sag:volts|says nothing to sag"
            })
    void parse_mistake_isNamed(String text, String reason) {
        assertThat(FaultSpec.parse(text))
                .isInstanceOfSatisfying(
                        FaultSpec.Parsed.Bad.class, b -> assertThat(b.reason()).contains(reason));
    }

    @Test
    void fits_moduleThatThePackLacks_doesNot() {
        FaultSpec spec = ((FaultSpec.Parsed.Spec) FaultSpec.parse("silent:module=spreader")).spec();
        assertThat(lift.workshop.faults().fits(spec)).isFalse();
    }
}

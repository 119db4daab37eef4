package codrane.standin;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.calibration.MemoryImage;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.standin.SimulatedRun.End;
import codrane.standin.SimulatedRun.ModuleState;
import codrane.standin.SimulatedRun.Outcome;
import codrane.standin.fault.FaultSpec;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Every end of a simulated run is named, tells what the module is, and what follows. */
class SimulatedRunTest {
    private static final Pack LORNE = TestPacks.load("brennick-lorne");

    private static End run(Pack pack, String module, String... faults) {
        PackModule m = pack.module(module);
        MemoryImage image = VirtualWorkshop.content(m);
        List<FaultSpec> specs = List.of(faults).stream()
                .map(f -> ((FaultSpec.Parsed.Spec) FaultSpec.parse(f)).spec())
                .toList();
        End end = SimulatedRun.of(pack, module, image, m.software().current(), specs);
        assertThat(end.sentence()).isNotBlank();
        assertThat(end.nextAct()).isNotBlank();
        // a module without its application is never said to be where one can stop
        if (end.module() == ModuleState.BOOT_ONLY) assertThat(end.outcome()).isEqualTo(Outcome.INTERRUPTED);
        if (end.outcome() == Outcome.INTERRUPTED) assertThat(end.nextAct()).containsIgnoringCase("recover the run");
        if (end.outcome() == Outcome.DONE)
            assertThat(end.software()).isEqualTo(m.software().current());
        return end;
    }

    @ParameterizedTest
    @CsvSource({
        "brennick-lorne, tail-lift",
        "brennick-lorne, body",
        "ardwyn-gannet, engine", // its vehicle turns the key off and on by itself
        "ardwyn-gannet, spreader",
        "tolvane-chorus, doors",
        "peregil-dunlin, steering"
    })
    void run_undisturbed_isDone(String pack, String module) {
        End end = run(TestPacks.load(pack), module);
        assertThat(end.outcome()).isEqualTo(Outcome.DONE);
        assertThat(end.module()).isEqualTo(ModuleState.RUNS);
        assertThat(end.seconds()).isPositive();
    }

    @ParameterizedTest
    @CsvSource({
        "'drop:count=3,every=40', DONE, RUNS", // a repeated request heals a lost frame
        "'pending:module=tail-lift,times=20', DONE, RUNS",
        "'power-loss:module=tail-lift,block=200', INTERRUPTED, BOOT_ONLY",
        "'cable:after=25', INTERRUPTED, BOOT_ONLY",
        "'silent:module=tail-lift,after=25', INTERRUPTED, BOOT_ONLY",
        "'silent:module=tail-lift', STOPPED, RUNS",
        "'bus-off:module=tail-lift', STOPPED, RUNS",
        "'wireless:seconds=600,after=25', INTERRUPTED, BOOT_ONLY",
    })
    void run_disturbed_endsInANamedState(String fault, Outcome outcome, ModuleState module) {
        End end = run(LORNE, "tail-lift", fault);
        assertThat(end.outcome()).as(end.toString()).isEqualTo(outcome);
        assertThat(end.module()).as(end.toString()).isEqualTo(module);
    }

    @Test
    void run_supplySags_waitsAndIsDone() {
        double undisturbed = run(LORNE, "tail-lift").seconds();
        End end = run(LORNE, "tail-lift", "sag:volts=12.4,seconds=60,after=25");
        assertThat(end.outcome()).as(end.toString()).isEqualTo(Outcome.DONE);
        assertThat(end.seconds()).isBetween(undisturbed + 40, undisturbed + 80);
    }

    @Test
    void run_supplyNeverRises_isNotBegun() {
        End end = run(LORNE, "tail-lift", "sag:volts=11.5,seconds=100000");
        assertThat(end.outcome()).as(end.toString()).isEqualTo(Outcome.STOPPED);
        assertThat(end.module()).isEqualTo(ModuleState.RUNS);
        assertThat(end.nextAct()).contains("supply");
    }
}

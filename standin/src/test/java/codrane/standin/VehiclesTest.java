package codrane.standin;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.pack.Pack;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackModule;
import codrane.core.scan.ModuleReading;
import codrane.link.scan.VehicleScanner;
import codrane.standin.vehicle.Setup;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Every shipped vehicle as a whole: healthy it is quiet, and everything that can be programmed ends right. */
class VehiclesTest {
    private static final String ALL =
            "ardwyn-gannet brennick-almery brennick-lorne peregil-dunlin tolvane-chorus tolvane-wisp";

    private static List<String> packs() {
        return List.of(ALL.split(" "));
    }

    @ParameterizedTest
    @MethodSource("packs")
    void scan_healthy_everyModuleAnswersWithoutFaults(String id) {
        Pack pack = TestPacks.load(id);
        VirtualWorkshop workshop = new VirtualWorkshop(
                Setup.healthy(pack, Conditions.standard(pack).vin()));
        Map<String, ModuleReading> readings = new VehicleScanner(workshop.link(), pack).scan(r -> {});
        assertThat(readings).hasSize(pack.modules().size());
        assertThat(readings.values())
                .allMatch(ModuleReading::answers)
                .allMatch(r -> r.faults().isEmpty());
    }

    @ParameterizedTest
    @MethodSource("packs")
    void program_blankPart_endsRightOnEveryLink(String id) {
        Pack pack = TestPacks.load(id);
        for (PackModule module : pack.modules().values()) {
            if (module.flash().isEmpty()) continue;
            Setup setup = Setup.healthy(pack, Conditions.standard(pack).vin()).withBlankPart(module.id());
            VirtualWorkshop workshop = new VirtualWorkshop(setup);
            assertThat(new Scenes(workshop).program(module.id()))
                    .as(id + " " + module.id())
                    .isEqualTo(new Scenes.End(true, "finished"));
            Map<?, ?> look = (Map<?, ?>) ((Map<?, ?>) workshop.vehicle().look().get("modules")).get(module.id());
            assertThat(look.get("software")).isEqualTo(module.software().current());
            assertThat(look.get("vin"))
                    .isEqualTo(Conditions.standard(pack).vin().text());
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"brennick-lorne tail-lift", "ardwyn-gannet spreader", "tolvane-chorus doors"})
    void rehearsal_prediction_isNearAndTheTesterWastesNothing(String which) {
        Pack pack = TestPacks.load(which.split(" ")[0]);
        Rehearsal rehearsal = Rehearsal.of(pack, which.split(" ")[1], 200_000);
        assertThat(rehearsal.predictedSeconds())
                .isBetween(0.93 * rehearsal.simulatedSeconds(), 1.07 * rehearsal.simulatedSeconds());
        boolean bus = pack.link() instanceof PackLink.Can;
        assertThat(rehearsal.busUse().isPresent()).isEqualTo(bus); // without one its use is not defined
        assertThat(rehearsal.busUse().orElse(1)).isBetween(0.97, 1.0);
    }
}

package codrane.standin;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.calibration.MemoryImage;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.run.Rehearser;
import codrane.core.run.Rehearser.Rehearsed;
import codrane.core.run.Reply;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;
import codrane.core.run.RunTask;
import codrane.core.scan.ModuleReading;
import codrane.link.run.RunJournal;
import codrane.link.scan.VehicleScanner;
import codrane.standin.vehicle.Setup;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.ServiceLoader;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is rehearsed on a twin comes out as on the vehicle from which it was loaded. */
class TwinTest {
    private static final Rehearser REHEARSER =
            ServiceLoader.load(Rehearser.class).findFirst().orElseThrow();
    private static final RunJournal NONE = new RunJournal() {
        @Override
        public void open(RunState state, RunAction action) {}

        @Override
        public void close(RunState state, RunAction action, Reply reply) {}
    };

    private static Map<String, ModuleReading> scan(VirtualWorkshop workshop, Pack pack) {
        return new VehicleScanner(workshop.link(), pack).scan(reading -> {});
    }

    /** What the twin must share with the vehicle; when it was programmed and how often is the vehicle's own. */
    private static Map<String, Object> essence(Map<String, ModuleReading> readings) {
        Map<String, Object> essence = new LinkedHashMap<>();
        readings.forEach((id, reading) -> essence.put(
                id,
                List.of(
                        reading.presence(),
                        reading.octets(Ident.VIN),
                        reading.text(Ident.SOFTWARE),
                        reading.coding())));
        return essence;
    }

    private static MemoryImage image(Pack pack, String module) {
        PackModule m = pack.module(module);
        return m.flash().map(flash -> VirtualWorkshop.content(m)).orElseGet(MemoryImage::new);
    }

    @ParameterizedTest
    @CsvSource({
        "brennick-lorne, tail-lift",
        "ardwyn-gannet, spreader",
        "tolvane-chorus, doors",
        "tolvane-chorus, climate"
    })
    void rehearse_anOddVehicle_endsAsItDoes(String id, String module) {
        Pack pack = TestPacks.load(id);
        Setup odd = Conditions.standard(pack).without("climate".equals(module) ? "doors" : "climate");
        VirtualWorkshop real = new VirtualWorkshop(odd);
        new Scenes(real).authorise();
        bend(real, pack);
        Map<String, ModuleReading> readings = scan(real, pack);
        List<RunTask> tasks = real.tasksFor(module);
        Rehearsed ended = REHEARSER.rehearse(pack, real.vin(), readings, tasks, image(pack, module));
        assertThat(essence(ended.before())).isEqualTo(essence(readings));
        assertThat(ended.well()).as(ended.sentence()).isTrue();
        assertThat(ended.taskSeconds()).hasSize(tasks.size());
        double whole = ended.taskSeconds().stream().mapToDouble(s -> s).sum();
        long began = real.time().now();
        assertThat(real.run(RunState.begin(tasks), NONE)).isInstanceOf(RunAction.Finished.class);
        assertThat(essence(ended.after())).isEqualTo(essence(scan(real, pack)));
        assertThat(whole)
                .isBetween(
                        0.5 * (real.time().now() - began) / 1e9,
                        1.5 * (real.time().now() - began) / 1e9);
    }

    /** Somebody changed a block of the body, as no factory has it. */
    private static void bend(VirtualWorkshop real, Pack pack) {
        var state = real.vehicle().server("body").orElseThrow().state();
        var layout = pack.blocksOf(pack.module("body")).getFirst();
        Bytes was = state.coding(layout.dataIdentifier());
        assertThat(was.length()).isPositive();
        state.resembles(new ModuleReading(
                "body",
                ModuleReading.Presence.ANSWERS,
                Map.of(),
                Map.of(layout.id(), Bytes.filled(was.length(), 0x5A)),
                List.of(),
                true));
    }

    @Test
    void rehearse_whatTheModuleRefuses_saysSo_andWhatIsNext() {
        Pack pack = TestPacks.load("brennick-lorne");
        VirtualWorkshop real = new VirtualWorkshop(Conditions.standard(pack));
        PackModule body = pack.module("body");
        RunTask nonsense = new RunTask.Write(
                body,
                pack.blocksOf(body).getFirst().dataIdentifier(),
                Bytes.of(1, 2, 3),
                real.programming("tail-lift").window(),
                "Write nonsense");
        Rehearsed ended = REHEARSER.rehearse(pack, real.vin(), scan(real, pack), List.of(nonsense), new MemoryImage());
        assertThat(ended.well()).isFalse();
        assertThat(ended.sentence()).contains("Body refuses");
        assertThat(ended.nextStep()).isNotBlank();
        assertThat(essence(ended.after())).isEqualTo(essence(ended.before()));
    }

    @Test
    void rehearsable_whatTakesACode_isNot() {
        Pack pack = TestPacks.load("peregil-dunlin");
        RunTask.Pair pair = new RunTask.Pair(
                pack.module("body"),
                pack.module("engine"),
                pack.equipment().immobiliser().orElseThrow(),
                new VirtualWorkshop(Conditions.standard(pack))
                        .programming("steering")
                        .window(),
                "Pair");
        assertThat(REHEARSER.rehearsable(pair)).isFalse();
    }
}

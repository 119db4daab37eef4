package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assumptions.assumeThat;

import codrane.app.RunningApp.App;
import codrane.app.job.JobDesk;
import codrane.core.baseline.PutBack;
import codrane.core.coding.Layout;
import codrane.core.job.JobState;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.standin.Island;
import codrane.standin.StandinWorld;
import codrane.standin.VirtualWorkshop;
import java.io.IOException;
import java.time.Duration;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/**
 * Jobs of the demo from their first page to their last by pressing the next act, in a real browser: what the vehicle holds in
 * the end, and that nothing else in it moved. Three in every build; {@code ./codrane test --jobs} presses all.
 */
class WholeJobsTest {
    private static final int SPEED = 40;
    private static final int DELIVERY = 40_000_000;
    private static final boolean ALL = Boolean.getBoolean("codrane.jobs");
    /** Numbers of jobs, with a comma between them; empty for all that this build presses. */
    private static final String ONLY = System.getProperty("codrane.job", "");

    private static StandinWorld.Stock stock;
    private static App app;

    @BeforeAll
    static void island() throws IOException {
        Map<String, Pack> packs = Island.PACKS.stream().collect(Collectors.toMap(Function.identity(), TestWorld::pack));
        stock = Island.stock(packs, Duration.ofSeconds(1));
        app = RunningApp.launch(new StandinWorld(stock, StandinWorld.Ports.FREE, SPEED, DELIVERY));
    }

    @AfterAll
    static void close() throws IOException {
        app.context().close();
        app.world().close();
    }

    @ParameterizedTest(name = "{0}, job {1}")
    @CsvSource({
        "K2, 2208, tech, body, true",
        "K3, 2211, tech, engine, true",
        "K10, 2215, tech, spreader, true",
        "K1, 2202, lead, '', false",
        "K9, 2201, tech, tail-lift, false",
        "K9, 2220, tech, climate, false",
        "K13, 2219, tech, doors, false",
        "K14, 2217, lead, front-radar, false",
        "K4, 2206, tech, '', false",
        "K5, 2214, lead, '', false",
        "K6, 2212, lead, '', false",
        "K7, 2210, lead, '', false",
        "K8, 2209, lead, '', false",
        "K11, 2207, lead, '', false",
        "K12, 2216, lead, '', false",
        "K15, 2218, lead, '', false",
        "K17, 2221, lead, announcements, false",
        "K19, 2213, lead, '', false"
    })
    void job_pressedThrough_isClosed_andTheVehicleHoldsWhatWasPlanned(
            String kind, long number, String who, String module, boolean always) {
        assumeThat(ONLY.isEmpty() ? always || ALL : Set.of(ONLY.split(",")).contains(String.valueOf(number)))
                .isTrue();
        JobState first = app.bean(JobDesk.class).state(number);
        boolean can = stock.onCan().stream()
                .anyMatch(setup -> setup.vin().equals(first.job().vin()));
        hand(can, "/plug/" + first.job().vin().text());
        JsonNode before = modules(can);
        assertThat(before.size()).isGreaterThan(8);
        try (Browsing browser = new Browsing(app.url(), who)) {
            Map<String, Runnable> answers = new JobAnswers(
                            browser, number, () -> app.bean(JobDesk.class).state(number), act -> hand(can, act))
                    .all();
            new NextActPresser(browser, number, answers).until("This job is closed");
            assertThat(browser.troubles()).isEmpty();
        }
        JobState last = app.bean(JobDesk.class).state(number);
        assertThat(last.job().closedAt()).isPresent();
        JsonNode after = modules(can);
        Set<String> planned = last.operations().stream()
                .filter(o -> o.kind().writes())
                .map(Operation::module)
                .filter(m -> !m.isEmpty())
                .collect(Collectors.toCollection(TreeSet::new));
        if (!module.isEmpty()) assertThat(planned).contains(module);
        for (String id : before.propertyNames()) {
            if (planned.contains(id)) continue;
            assertThat(after.path(id).path("coding"))
                    .as(id)
                    .isEqualTo(before.path(id).path("coding"));
            assertThat(after.path(id).path("vin"))
                    .as(id)
                    .isEqualTo(before.path(id).path("vin"));
            assertThat(after.path(id).path("counter"))
                    .as(id)
                    .isEqualTo(before.path(id).path("counter"));
        }
        for (Operation o : last.operations()) holds(last, o, before, after);
    }

    private static void holds(JobState state, Operation o, JsonNode before, JsonNode modules) {
        JsonNode held = modules.path(o.module());
        switch (o.kind()) {
            case PROGRAM ->
                assertThat(held.path("flashCrc").asString())
                        .as(o.title())
                        .isEqualTo("%08X"
                                .formatted(VirtualWorkshop.content(state.pack().module(o.module()))
                                        .crc32()));
            case WRITE_VIN ->
                assertThat(held.path("vin").asString())
                        .as(o.title())
                        .isEqualTo(state.job().vin().text());
            case WRITE_CODING -> {
                if (state.job().kind() == JobKind.UPDATE_SOFTWARE)
                    assertThat(settings(state.pack(), o.module(), held))
                            .as(o.title())
                            .containsAllEntriesOf(known(state.pack(), o.module(), before.path(o.module()), held));
                if (state.job().kind().about() == JobKind.About.SETTINGS
                        || state.job().kind() == JobKind.ENABLE_EQUIPMENT)
                    onlyWhatWasChosen(state, o.module(), before.path(o.module()), held);
            }
            default -> {}
        }
        if (!o.module().isEmpty())
            assertThat(held.path("bootOnly").asBoolean()).as(o.title()).isFalse();
    }

    /** Every bit of the module but those that were chosen, and their checks, is as it was. */
    private static void onlyWhatWasChosen(JobState state, String module, JsonNode before, JsonNode after) {
        for (Layout layout : state.pack().blocksOf(state.pack().module(module))) {
            Bytes wanted = Bytes.parse(before.path("coding").path(layout.id()).asString());
            for (PutBack chosen : state.putBack())
                if (chosen.layout().equals(layout.id()))
                    wanted = chosen.whole()
                            ? Bytes.parse(chosen.value())
                            : ((Layout.Encoded.Block) layout.encode(Map.of(chosen.field(), chosen.value()), wanted))
                                    .octets();
            assertThat(after.path("coding").path(layout.id()).asString())
                    .as(layout.id())
                    .isEqualTo(wanted.hex());
        }
    }

    /** Settings by layout and name, as the module's own software keeps them. */
    private static Map<String, String> settings(Pack pack, String module, JsonNode held) {
        Map<String, String> settings = new TreeMap<>();
        Pack kept = pack.as(Map.of(module, held.path("software").asString()));
        for (Layout layout : kept.blocksOf(kept.module(module)))
            layout.decode(Bytes.parse(held.path("coding").path(layout.id()).asString()))
                    .forEach((field, value) -> settings.put(layout.id() + "/" + field, value));
        return settings;
    }

    /** What a module held before, as far as its software of now knows it. */
    private static Map<String, String> known(Pack pack, String module, JsonNode before, JsonNode after) {
        Map<String, String> settings = settings(pack, module, before);
        settings.keySet().retainAll(settings(pack, module, after).keySet());
        assertThat(settings).isNotEmpty();
        return settings;
    }

    private static void hand(boolean can, String act) {
        if (can) TestWorld.act(app.world(), act);
        else TestWorld.actDoip(app.world(), act);
    }

    private static JsonNode modules(boolean can) {
        return (can ? TestWorld.look(app.world()) : TestWorld.lookDoip(app.world())).path("modules");
    }
}

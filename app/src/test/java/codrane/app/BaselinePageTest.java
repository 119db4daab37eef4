package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.baseline.Baselines;
import codrane.app.job.Vehicles;
import codrane.core.baseline.Baseline;
import codrane.core.baseline.BaselineSummary.Origin;
import codrane.core.baseline.BaselineSummary.Purpose;
import codrane.core.baseline.CanonicalJson;
import codrane.standin.Conditions;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The page of a large baseline: 24 modules and 10,000 fields. With -Dcodrane.measure=true its time is asserted, too. */
@ExtendWith(RunningApp.class)
class BaselinePageTest {
    private static final int MODULES = 24;
    private static final int FIELDS = 417;
    private static final Instant TAKEN = Instant.parse("2026-03-01T09:00:00Z");

    private static Map<String, Object> module(int number) {
        Map<String, Object> values = new LinkedHashMap<>();
        for (int i = 0; i < FIELDS; i++) values.put("field." + i, "value " + number + "-" + i);
        return Map.of(
                "module", "module-" + number,
                "address", number,
                "presence", "answers",
                "identification", Map.of("software", Map.of("raw", "312E30", "text", "1.0")),
                "coding",
                        List.of(Map.of(
                                "block",
                                "wide",
                                "id",
                                1536,
                                "raw",
                                "00".repeat(FIELDS),
                                "checkHolds",
                                true,
                                "values",
                                values)),
                "faultsRead", true,
                "faults", List.of(),
                "live", List.of(),
                "adaptations", List.of());
    }

    private static Baseline large() {
        List<Object> modules = new ArrayList<>();
        for (int i = 0; i < MODULES; i++) modules.add(module(i));
        String json = CanonicalJson.of(Map.of(
                "schema", "codrane.baseline/1",
                "pack", Map.of("id", "brennick-lorne", "version", 2),
                "vin", Conditions.LORNE_DONOR.text(),
                "takenAt", TAKEN.toString(),
                "key", "on",
                "modules", modules,
                "obd", List.of()));
        return new Baseline(json, Baseline.hash(json));
    }

    @Test
    void page_tenThousandFields_showsEveryModuleAndOneInFull(App app) throws Exception {
        long vehicle = app.bean(Vehicles.class)
                .takeIn(Conditions.LORNE_DONOR, "brennick-lorne", "Lorne", TAKEN)
                .id();
        long id = app.bean(Baselines.class)
                .add(new Baselines.Place(null, vehicle, Origin.IMPORTED, Purpose.BEFORE, ""), large(), TAKEN, "tech");
        WebSession web = WebSession.signIn(app.url(), "tech");
        String page = web.get("/baselines/" + id);
        assertThat(page).contains("24 modules", "module-23", "value 0-416").doesNotContain("value 5-3");
        assertThat(web.query("/baselines/" + id + "?module=module-5")).contains("value 5-416");
        if (!Boolean.getBoolean("codrane.measure")) return;
        List<Long> millis = new ArrayList<>();
        for (int i = 0; i < 15; i++) {
            long begun = System.nanoTime();
            web.get("/baselines/" + id);
            millis.add(Duration.ofNanos(System.nanoTime() - begun).toMillis());
        }
        System.out.println("baseline page, ms: " + millis);
        assertThat(millis.stream().sorted().toList().get(13)).isLessThan(300);
    }
}

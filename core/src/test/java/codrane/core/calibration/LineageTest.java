package codrane.core.calibration;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.pack.FileRoute;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.Packs;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class LineageTest {
    private static final Pack ALMERY = Packs.load("brennick-almery");
    private static final PackModule ENGINE = ALMERY.module("engine");

    private static Manifest step(String after, String... before) {
        return new Manifest(
                "E-" + after,
                "brennick-almery",
                "engine",
                "Engine",
                List.of("B2"),
                List.of(before),
                after,
                1,
                1,
                "",
                "");
    }

    @Test
    void of_thePack_isARowFromTheOldestToTheCurrent() {
        Lineage lineage = Lineage.of(ENGINE, List.of());
        assertThat(lineage.versions()).containsExactly("4.08", "4.10", "4.11", "4.14");
        assertThat(lineage.newestFrom("4.08")).contains("4.14");
        assertThat(lineage.newestFrom("4.14")).contains("4.14");
        assertThat(lineage.newestFrom("5.00")).isEmpty();
        assertThat(lineage.branches()).isEmpty();
        assertThat(lineage.inCycles()).isEmpty();
    }

    @Test
    void of_aManifestBeyondThePack_goesOn() {
        Lineage lineage = Lineage.of(ENGINE, List.of(step("4.15", "4.14")));
        assertThat(lineage.newestFrom("4.08")).contains("4.15");
        assertThat(lineage.versions()).endsWith("4.14", "4.15");
    }

    @Test
    void of_twoWaysOn_isABranch() {
        Lineage lineage = Lineage.of(ENGINE, List.of(step("4.12", "4.10")));
        assertThat(lineage.branches()).isEqualTo(Map.of("4.10", List.of("4.11", "4.12")));
        assertThat(lineage.newestFrom("4.12")).contains("4.12"); // nothing leads on from there
    }

    @Test
    void of_aWayBack_isACycle_andEndsAllTheSame() {
        Lineage lineage = Lineage.of(ENGINE, List.of(step("4.10", "4.11")));
        assertThat(lineage.inCycles()).containsExactly("4.10", "4.11");
        assertThat(lineage.newestFrom("4.10")).contains("4.14");
    }

    /** Every shipped module that can be programmed tells its history, and what another needs of it is in it. */
    @Test
    void packs_everyNeededVersion_isKnown() {
        for (Pack pack : Packs.all().stream().map(Packs::load).toList()) {
            for (PackModule module : pack.modules().values()) {
                if (module.flash().isEmpty()) continue;
                Lineage lineage = Lineage.of(module, List.of());
                assertThat(lineage.versions()).as(pack.id() + " " + module.id()).hasSizeGreaterThan(1);
                assertThat(lineage.knows(module.software().needed()))
                        .as(pack.id() + " " + module.id())
                        .isTrue();
                assertThat(module.software().file().way()).isIn((Object[]) FileRoute.Way.values());
            }
        }
    }
}

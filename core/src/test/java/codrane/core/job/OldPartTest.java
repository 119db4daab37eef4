package codrane.core.job;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.baseline.BaselineFile;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.Packs;
import codrane.core.pack.VinLock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What stands on the label of a module that came out. */
class OldPartTest {
    private static final String VIN = "0BKLR3A46MN004127";

    static List<String> packs() {
        return Packs.all();
    }

    private static BaselineFile.Module read(PackModule module) {
        return new BaselineFile.Module(
                module.id(),
                "answers",
                Map.of("part", "P-1", "serial", "S-1", "software", "3.1", "vin", VIN),
                List.of(new BaselineFile.Block("any", Bytes.of(1), Map.of())),
                List.of(),
                true,
                List.of(),
                List.of());
    }

    @ParameterizedTest
    @MethodSource("packs")
    void label_ofEveryModule_saysWhatItHoldsAndWhatItNeeds(String id) {
        Pack pack = Packs.load(id);
        for (PackModule module : pack.modules().values()) {
            OldPart part = OldPart.of(pack, module, Optional.of(read(module)), VIN, 2201);
            assertThat(part.facts())
                    .containsEntry("Serial number", "S-1")
                    .containsEntry("Hardware", "not read")
                    .containsEntry("Came out of", VIN + ", job 2201");
            assertThat(part.code()).isEqualTo("P P-1 S S-1 W 3.1 V " + VIN + " J 2201");
            boolean bound = module.traits().vinLock() == VinLock.BOUND;
            assertThat(part.again().contains("It works in this vehicle only: nothing brings it into another."))
                    .as(module.id())
                    .isEqualTo(bound);
            boolean secret = pack.equipment()
                    .immobiliser()
                    .filter(i -> i.master().equals(module.id()) || i.members().contains(module.id()))
                    .isPresent();
            assertThat(part.again().stream().anyMatch(s -> s.contains("paired")))
                    .as(module.id())
                    .isEqualTo(secret && !bound);
            assertThat(part.again()).doesNotHaveDuplicates().allMatch(s -> s.endsWith("."));
        }
    }

    @ParameterizedTest
    @MethodSource("packs")
    void label_ofWhatNobodyRead_saysSo(String id) {
        Pack pack = Packs.load(id);
        PackModule module = pack.module("body");
        OldPart part = OldPart.of(pack, module, Optional.empty(), VIN, 2201);
        assertThat(part.facts())
                .containsEntry("What it holds", "nobody read it before its removal")
                .hasSize(2);
        assertThat(part.code()).isEqualTo("P ? S ? W ? V " + VIN + " J 2201");
    }
}

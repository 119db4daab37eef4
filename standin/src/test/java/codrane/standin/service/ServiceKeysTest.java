package codrane.standin.service;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.calibration.ManifestSignature;
import codrane.core.pack.Pack;
import codrane.standin.TestPacks;
import java.util.Base64;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ServiceKeysTest {
    @ParameterizedTest
    @ValueSource(
            strings = {
                "ardwyn-gannet",
                "brennick-almery",
                "brennick-lorne",
                "peregil-dunlin",
                "tolvane-chorus",
                "tolvane-wisp"
            })
    void pack_namesTheKeyOfItsService_andTheServiceSignsWithIt(String id) {
        Pack pack = TestPacks.load(id);
        String key = Base64.getEncoder()
                .encodeToString(ServiceKeys.of(pack.service()).getPublic().getEncoded());
        assertThat(pack.serviceKey()).as("service-key of " + id).contains(key);
        CalibrationShelf shelf = new CalibrationShelf(List.of(pack));
        pack.modules().values().stream()
                .filter(module -> module.flash().isPresent())
                .forEach(module -> assertThat(shelf.manifests(pack.service(), pack.id(), module.id()))
                        .isNotEmpty()
                        .allMatch(
                                m -> ManifestSignature.judge(m, pack.serviceKey()) == ManifestSignature.Judged.MAKERS));
    }

    @ParameterizedTest
    @ValueSource(strings = {"brennick-almery", "ardwyn-gannet"})
    void releases_followEachOther_andTheNewestIsTheOfferedFile(String id) {
        Pack pack = TestPacks.load(id);
        CalibrationShelf shelf = new CalibrationShelf(List.of(pack));
        var releases = shelf.releases(pack.service(), id, "engine");
        assertThat(releases)
                .extracting(r -> r.version())
                .isEqualTo(pack.module("engine").software().versions());
        assertThat(releases.getFirst().follows()).isEmpty();
        assertThat(shelf.manifests(pack.service(), id, "engine"))
                .anyMatch(m -> m.crc32AsHex().equals(releases.getLast().cvn()));
    }
}

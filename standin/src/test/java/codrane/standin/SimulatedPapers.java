package codrane.standin;

import codrane.core.calibration.Manifest;
import codrane.core.calibration.Shelved;
import codrane.core.coding.LineSheet;
import codrane.core.job.Prepared;
import codrane.core.job.SheetText;
import codrane.core.octets.Bytes;
import codrane.core.pack.Adaptation;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.standin.module.FactoryCoding;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * What a simulated job has at hand when it is run: file, sheet, learned values, order.
 *
 * @param module that the job is about
 */
record SimulatedPapers(Pack pack, Optional<String> module, Instant morning) {
    Prepared prepared(VirtualWorkshop workshop) {
        Map<String, Map<String, Bytes>> learned = module.map(m -> Map.of(
                        m,
                        pack.module(m).adaptations().stream()
                                .collect(Collectors.toMap(
                                        Adaptation::key,
                                        a -> Bytes.copyOf(new byte[a.scaling().octets()])))))
                .orElse(Map.of());
        return new Prepared(
                module.filter(m -> pack.module(m).flash().isPresent()).map(this::shelved),
                module.filter(m -> !pack.blocksOf(pack.module(m)).isEmpty()).stream()
                        .map(m -> sheet(workshop, pack.module(m)))
                        .toList(),
                Map.of(),
                List.of(),
                Optional.of(morning.plusSeconds(86_400)),
                Map.of(),
                new Prepared.Typed(learned, Map.of(), order()),
                List.of());
    }

    private Shelved shelved(String id) {
        PackModule m = pack.module(id);
        String after = m.software().current();
        return new Shelved(
                1,
                new Manifest(
                        "FILE",
                        pack.id(),
                        id,
                        m.title(),
                        List.of(m.parts().fitted()),
                        List.of(),
                        after,
                        1,
                        1,
                        "0".repeat(64),
                        ""),
                morning);
    }

    private SheetText sheet(VirtualWorkshop workshop, PackModule m) {
        String text = LineSheet.of(m.tag(), FactoryCoding.all(pack, m, workshop.vin())).stream()
                .map(LineSheet.Line::text)
                .collect(Collectors.joining("\n"));
        return new SheetText(m.id(), "service", text, Optional.empty(), morning, "tech");
    }

    /** As it stands on the papers. */
    private List<String> order() {
        return pack.equipment().order().map(o -> o.factory()).orElse(List.of());
    }
}

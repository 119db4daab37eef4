package codrane.core.job;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.job.Pairing.State;
import codrane.core.octets.Bytes;
import codrane.core.pack.Equipment.Immobiliser;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule.Ident;
import codrane.core.pack.Packs;
import codrane.core.scan.ModuleReading;
import codrane.core.scan.ModuleReading.Presence;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** What each module of an immobiliser told of itself. */
class PairingStateTest {
    private static final Pack ALMERY = Packs.load("brennick-almery");
    private static final Immobiliser IMMOBILISER =
            ALMERY.equipment().immobiliser().orElseThrow();

    private static ModuleReading told(String module, int... state) {
        return new ModuleReading(
                module,
                Presence.ANSWERS,
                state.length == 0 ? Map.of() : Map.of(Ident.IMMOBILISER, Bytes.of(state)),
                Map.of(),
                List.of(),
                true);
    }

    @Test
    void of_everyMember_isAsItToldItself() {
        Map<String, ModuleReading> readings = new HashMap<>();
        readings.put(IMMOBILISER.master(), told(IMMOBILISER.master(), 1, 3, 0, 90, 2));
        String first = IMMOBILISER.members().getFirst();
        readings.put(first, told(first, 1, 3, 0, 0, 2));
        Pairing pairing = Pairing.of(ALMERY, readings).orElseThrow();
        assertThat(pairing.keys()).contains(2);
        assertThat(pairing.waits()).isEqualTo(90);
        assertThat(pairing.members().getFirst().state()).isEqualTo(State.PAIRED);
        assertThat(pairing.members().stream().skip(1)).allMatch(m -> m.state() == State.SILENT);
        readings.put(first, told(first, 0, 3, 0, 0, 0));
        assertThat(state(readings)).isEqualTo(State.NOT_PAIRED);
        readings.put(first, told(first));
        assertThat(state(readings)).isEqualTo(State.NOT_TOLD);
        readings.put(first, told(first, 1));
        assertThat(state(readings)).as("an answer that is too short").isEqualTo(State.NOT_TOLD);
    }

    private static State state(Map<String, ModuleReading> readings) {
        return Pairing.of(ALMERY, readings).orElseThrow().members().getFirst().state();
    }

    @Test
    void identification_ofEveryPack_hasItExactlyWhereItConcerns() {
        for (String id : Packs.all()) {
            Pack pack = Packs.load(id);
            for (var module : pack.modules().values())
                assertThat(module.identification().containsKey(Ident.IMMOBILISER))
                        .as(pack.id() + " " + module.id())
                        .isEqualTo(pack.equipment()
                                .immobiliser()
                                .filter(i -> i.concerns(module.id()))
                                .isPresent());
        }
    }
}

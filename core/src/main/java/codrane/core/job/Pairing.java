package codrane.core.job;

import codrane.core.octets.Bytes;
import codrane.core.pack.Equipment.Immobiliser;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.scan.ModuleReading;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Who keeps the immobiliser's secret and which modules were paired with it, as each told when it was read.
 *
 * @param keys that the keeper knows; empty when it did not tell
 * @param waits seconds until the keeper takes a code again; 0 when it does
 */
public record Pairing(Member keeper, Optional<Integer> keys, int waits, List<Member> members) {
    private static final int OCTETS = 5;
    private static final int WAITS = 2;
    private static final int KEYS = 4;

    /** How far a module is. */
    public enum State {
        PAIRED("paired"),
        NOT_PAIRED("not paired"),
        NOT_TOLD("did not tell"),
        SILENT("does not answer");

        private final String words;

        State(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public record Member(PackModule module, State state) {}

    /** Empty when the pack knows of no immobiliser. */
    public static Optional<Pairing> of(Pack pack, Map<String, ModuleReading> readings) {
        return pack.equipment().immobiliser().map(i -> of(pack, i, readings));
    }

    private static Pairing of(Pack pack, Immobiliser immobiliser, Map<String, ModuleReading> readings) {
        Optional<Bytes> keeper = told(readings, immobiliser.master());
        return new Pairing(
                member(pack, readings, immobiliser.master()),
                keeper.map(octets -> octets.u8(KEYS)),
                keeper.map(octets -> octets.u16(WAITS)).orElse(0),
                immobiliser.members().stream()
                        .map(id -> member(pack, readings, id))
                        .toList());
    }

    private static Member member(Pack pack, Map<String, ModuleReading> readings, String id) {
        ModuleReading reading = readings.getOrDefault(id, ModuleReading.silent(id));
        State told = told(readings, id)
                .map(octets -> octets.u8(0) == 1 ? State.PAIRED : State.NOT_PAIRED)
                .orElse(State.NOT_TOLD);
        return new Member(pack.module(id), reading.answers() ? told : State.SILENT);
    }

    private static Optional<Bytes> told(Map<String, ModuleReading> readings, String id) {
        return Optional.ofNullable(readings.get(id))
                .flatMap(reading -> reading.octets(Ident.IMMOBILISER))
                .filter(octets -> octets.length() >= OCTETS);
    }
}

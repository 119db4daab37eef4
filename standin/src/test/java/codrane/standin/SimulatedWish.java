package codrane.standin;

import static java.util.Objects.requireNonNull;

import codrane.core.baseline.PutBack;
import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.SettingRule;
import codrane.core.plan.JobKind;
import codrane.core.plan.LineInstruction;
import codrane.core.scan.DeepReading;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;

/** What a random job is to change: another value of a random setting, of the kind that the job is about. */
record SimulatedWish(Random random, Pack pack, JobKind kind) {
    /** @return none when the job is about no setting, or none of its kind was read */
    List<PutBack> chosen(DeepReading reading) {
        if (kind.about() != JobKind.About.SETTINGS) return List.of();
        List<PutBack> all = new ArrayList<>();
        for (PackModule m : pack.modules().values())
            for (Layout layout : pack.blocksOf(m)) {
                Bytes held =
                        requireNonNull(reading.modules().get(m.id())).coding().get(layout.id());
                if (held == null || held.length() != layout.length()) continue;
                if (kind == JobKind.CHANGE_LINE) all.add(oneOctet(m, layout, held));
                else
                    layout.decode(held)
                            .forEach((key, now) -> values(
                                            layout.id(), layout.field(key).orElseThrow())
                                    .filter(value -> !value.equals(now))
                                    .forEach(value -> all.add(new PutBack(m.id(), layout.id(), key, value, now))));
            }
        return all.isEmpty() ? List.of() : List.of(all.get(random.nextInt(all.size())));
    }

    private Stream<String> values(String layout, Field field) {
        return switch (kind) {
            case SCALED_VALUE -> {
                SettingRule rule = pack.setting(layout, field.key());
                yield Stream.of(rule.least(), rule.most())
                        .flatMap(Optional::stream)
                        .map(field::worded)
                        .filter(value -> field.rawOf(value).isPresent());
            }
            case CHOOSE_VARIANT -> field.key().equals("variant") ? field.values().values().stream() : Stream.of();
            default -> field.values().values().stream();
        };
    }

    /** As an instruction says it: one octet is another, and its block's check follows. */
    private PutBack oneOctet(PackModule m, Layout layout, Bytes held) {
        int madeFor = pack.madeFor().containsKey(layout.id()) ? 6 : 0; // whose block it is stays
        byte[] octets = held.toArray();
        octets[Math.min(madeFor, octets.length - 1)] ^= 0x01;
        return new LineInstruction.Applied.Changed(
                        m.id(), layout.id(), held, layout.check().apply(Bytes.copyOf(octets)))
                .chosen();
    }
}

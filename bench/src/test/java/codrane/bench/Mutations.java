package codrane.bench;

import codrane.core.octets.Bytes;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;

/** Inputs for fuzzing: good samples that were damaged, and noise. The same seed gives the same inputs. */
final class Mutations {
    private static final int LONGEST_NOISE = 80;

    private final Random random;
    private final List<Bytes> samples;

    Mutations(long seed, List<Bytes> samples) {
        random = new Random(seed);
        this.samples = samples;
    }

    static Mutations ofTexts(long seed, String... samples) {
        return new Mutations(
                seed, java.util.Arrays.stream(samples).map(Mutations::utf8).toList());
    }

    static Mutations ofHex(long seed, String... samples) {
        return new Mutations(
                seed, java.util.Arrays.stream(samples).map(Bytes::parse).toList());
    }

    private static Bytes utf8(String text) {
        return Bytes.copyOf(text.getBytes(StandardCharsets.UTF_8));
    }

    Bytes next() {
        if (random.nextInt(8) == 0) return noise(random.nextInt(LONGEST_NOISE));
        Bytes octets = samples.get(random.nextInt(samples.size()));
        for (int i = random.nextInt(4); i >= 0; i--) octets = damage(octets);
        return octets;
    }

    String nextText() {
        return new String(next().toArray(), StandardCharsets.UTF_8);
    }

    private Bytes damage(Bytes octets) {
        if (octets.isEmpty()) return noise(4);
        int at = random.nextInt(octets.length());
        return switch (random.nextInt(6)) {
            case 0 -> octets.slice(0, at);
            case 1 -> octets.from(at);
            case 2 -> octets.slice(0, at).plus(noise(1 + random.nextInt(4))).plus(octets.from(at));
            case 3 -> octets.slice(0, at).plus(octets.from(Math.min(octets.length(), at + 1 + random.nextInt(4))));
            case 4 -> octets.plus(samples.get(random.nextInt(samples.size())));
            default -> flip(octets, at);
        };
    }

    private Bytes flip(Bytes octets, int at) {
        byte[] changed = octets.toArray();
        changed[at] ^= (byte) (1 << random.nextInt(8));
        return Bytes.copyOf(changed);
    }

    private Bytes noise(int length) {
        byte[] octets = new byte[length];
        random.nextBytes(octets);
        return Bytes.copyOf(octets);
    }
}

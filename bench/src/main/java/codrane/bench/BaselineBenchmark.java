package codrane.bench;

import codrane.core.baseline.BaselineDiff;
import codrane.core.baseline.BaselineFile;
import codrane.core.coding.BlockCheck;
import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Decoding and comparing the coding of a large vehicle: 60 modules, 20,000 fields, one in twenty changed. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class BaselineBenchmark {
    private static final int MODULES = 60;
    private static final int FIELDS = 334;

    private Layout layout;
    private List<Bytes> before;
    private List<Bytes> after;

    /** Blocks of one octet a field, in a layout like the packs'. */
    @Setup
    public void fill() {
        layout = layout();
        Random random = new Random(41);
        before = new ArrayList<>();
        after = new ArrayList<>();
        for (int module = 0; module < MODULES; module++) {
            byte[] block = new byte[FIELDS];
            random.nextBytes(block);
            before.add(Bytes.copyOf(block));
            for (int at = 0; at < FIELDS; at++) if (random.nextInt(20) == 0) block[at] ^= 1;
            after.add(Bytes.copyOf(block));
        }
    }

    private static Layout layout() {
        List<Field> fields = new ArrayList<>();
        for (int i = 0; i < FIELDS; i++)
            fields.add(new Field(
                    "field." + i, "Field " + i, 8 * i, 8, Field.Kind.UNSIGNED, false, Map.of(), Field.Scale.NONE));
        return new Layout("wide", "Wide", 0x0600, FIELDS, fields, BlockCheck.NONE, Map.of());
    }

    private BaselineFile decoded(List<Bytes> blocks) {
        List<BaselineFile.Module> modules = new ArrayList<>();
        for (int i = 0; i < blocks.size(); i++) {
            modules.add(new BaselineFile.Module(
                    "module-" + i,
                    "answers",
                    Map.of("software", "1.0"),
                    List.of(new BaselineFile.Block("wide", blocks.get(i), layout.decode(blocks.get(i)))),
                    List.of(),
                    true,
                    List.of(),
                    List.of()));
        }
        return new BaselineFile(
                "0BKLR3A46MN004127",
                "brennick-lorne",
                "2026-03-01T09:00:00Z",
                "on",
                modules,
                List.of(),
                Optional.empty());
    }

    /** Both vehicles decoded, and what differs found. */
    @Benchmark
    public BaselineDiff decodeAndDiff() {
        return BaselineDiff.of(decoded(before), decoded(after));
    }
}

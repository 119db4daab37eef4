package codrane.bench;

import codrane.core.order.OrderEffect;
import codrane.core.pack.Pack;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
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

/** What changes in all modules of a Chorus when the folding ramp comes in for the fixed one. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class OrderBenchmark {
    private Pack pack;
    private List<String> now;

    /** Run from the checkout's folder: the pack is read from there. */
    @Setup
    public void read() throws IOException {
        pack = BenchPacks.load(Path.of("packs", "tolvane-chorus.yaml"));
        now = List.copyOf(pack.equipment().order().orElseThrow().factory());
    }

    @Benchmark
    public OrderEffect change() {
        return OrderEffect.of(pack, now, List.of("RMP1"), List.of("RMP2"), Map.of());
    }
}

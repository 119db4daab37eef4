package codrane.bench;

import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.pack.MarketRules;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLoader;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackResult;
import codrane.core.plan.Aids;
import codrane.core.plan.JobKind;
import codrane.core.plan.ModuleAnswer;
import codrane.core.plan.PartFacts;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.Plan;
import codrane.core.plan.VehicleFacts;
import codrane.core.planner.PlanQuestions;
import codrane.core.planner.Planner;
import codrane.core.ready.AtHand;
import codrane.core.ready.Readiness;
import codrane.core.scan.CodingState;
import codrane.core.scan.ModuleReading.Presence;
import codrane.core.vin.Vin;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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

/** Questions, plan and readiness of a job with pairing and keys, on a vehicle with all its modules. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class PlanBenchmark {
    private static final String WORDING =
            "Fit the module. Configure it with the service tool; programming is not needed. Learn the keys.";

    private VehicleFacts facts;

    /** Run from the checkout's folder: the pack is read from there. */
    @Setup
    public void gather() throws IOException {
        Path file = Path.of("packs", "peregil-dunlin.yaml");
        Pack pack = ((PackResult.Loaded) PackLoader.load(file.toString(), Files.readString(file))).pack();
        MarketRules law = ((MarketRules.Result.Loaded)
                        MarketRules.load("island.yaml", Files.readString(Path.of("packs", "markets", "island.yaml"))))
                .rules();
        Vin vin = new Vin("0PGDN4B2ZHC013377");
        Map<String, ModuleAnswer> answers = new LinkedHashMap<>();
        for (PackModule module : pack.modules().values())
            answers.put(
                    module.id(),
                    new ModuleAnswer(
                            Presence.ANSWERS,
                            Optional.of(module.id().equals("body") ? "" : vin.text()),
                            module.software().current(),
                            module.id().equals("body") ? CodingState.BLANK : CodingState.AGREES,
                            List.of()));
        facts = VehicleFacts.of(JobKind.REPLACE_DEAD, pack, vin, answers, new Gateway.None())
                .with(PartFacts.of("body").with(PartOrigin.NEW).with(PartFacts.Old.SILENT))
                .with(Aids.NONE.with(new Aids.Keys(3, 2)).withWording(WORDING))
                .with(law);
    }

    @Benchmark
    public Plan plan() {
        return Planner.plan(facts);
    }

    @Benchmark
    public Readiness questionsPlanAndReadiness() {
        if (!PlanQuestions.of(facts).isEmpty()) throw new IllegalStateException("the facts are not whole");
        Plan plan = Planner.plan(facts);
        return Readiness.of(plan, facts, AtHand.NOTHING, Instant.EPOCH, ZoneOffset.UTC);
    }
}

package codrane.app.stage.identify;

import codrane.app.baseline.Baselines;
import codrane.core.baseline.BaselineFile;
import codrane.core.job.JobState;
import codrane.core.job.Scan;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.scan.CodingState;
import codrane.core.scan.ModuleReading;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What a careful eye sees in a scan. */
record Signs(Baselines baselines) {
    /** What a person sees while a part is not coded: no diagnosis until it is. */
    List<String> expected(JobState state, Scan scan) {
        List<String> expected = new ArrayList<>();
        for (PackModule module : state.pack().modules().values()) {
            ModuleReading reading = scan.readings().get(module.id());
            boolean blank = reading != null
                    && reading.answers()
                    && CodingState.of(state.pack(), module, reading, state.job().vin()) == CodingState.BLANK;
            if (blank && !module.traits().uncodedLooks().isEmpty())
                expected.add(module.title() + ": "
                        + String.join(", ", module.traits().uncodedLooks()) + ".");
        }
        return expected;
    }

    /** Modules that were programmed since the last visit, by somebody else. */
    List<String> programmed(JobState state, Scan scan) {
        return baselines.earlier(state.job().vehicleId(), state.job().id()).stream()
                .findFirst()
                .map(summary -> baselines.file(summary.id()))
                .map(last -> state.pack().modules().values().stream()
                        .flatMap(m -> programmed(m, scan.readings().get(m.id()), last).stream())
                        .toList())
                .orElse(List.of());
    }

    private static Optional<String> programmed(PackModule module, @Nullable ModuleReading now, BaselineFile last) {
        Optional<String> was =
                last.module(module.id()).map(m -> m.identification().getOrDefault("counter", ""));
        Optional<String> is =
                Optional.ofNullable(now).flatMap(r -> r.octets(Ident.COUNTER)).map(Bytes::hex);
        boolean both = was.isPresent() && is.isPresent() && was.get().matches("[0-9A-F]{2,8}");
        if (!both || was.equals(is)) return Optional.empty();
        return Optional.of(module.title() + " counts " + Long.parseLong(is.get(), 16)
                + " programmings; at the last visit it was " + Long.parseLong(was.get(), 16)
                + ". Somebody else programmed it since, or it is another part.");
    }
}

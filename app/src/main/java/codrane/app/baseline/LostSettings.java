package codrane.app.baseline;

import codrane.app.workshop.Times;
import codrane.core.baseline.BaselineDiff;
import codrane.core.baseline.BaselineFile;
import codrane.core.baseline.BaselineSummary;
import codrane.core.baseline.Drift;
import codrane.core.baseline.PutBack;
import codrane.core.baseline.Restore;
import codrane.core.job.JobState;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Compares a vehicle with how it was left by the job before. */
@Component
public class LostSettings {
    private final Baselines baselines;
    private final Times times;

    LostSettings(Baselines baselines, Times times) {
        this.baselines = baselines;
        this.times = times;
    }

    /**
     * Against how the newest job left it, or the one that a person chose.
     *
     * @return empty when there is nothing to compare with, or no baseline of now
     */
    public Optional<Lost> of(JobState state) {
        Optional<BaselineSummary> now = state.baseline().filter(BaselineSummary::whole);
        if (now.isEmpty()) return Optional.empty();
        List<BaselineSummary> all = baselines
                .earlier(state.job().vehicleId(), state.job().id())
                .stream()
                .filter(b -> b.takenAt().isBefore(now.get().takenAt()))
                .toList();
        if (all.isEmpty()) return Optional.empty();
        BaselineSummary then = all.stream()
                .filter(b -> state.decided().compared().equals(Optional.of(b.id())))
                .findFirst()
                .orElse(all.getFirst());
        return Optional.of(compare(state, all, then, now.get()));
    }

    private Lost compare(JobState state, List<BaselineSummary> all, BaselineSummary then, BaselineSummary now) {
        BaselineFile asLeft = baselines.file(then.id());
        BaselineFile found = baselines.file(now.id());
        Drift drift = Drift.of(state.pack(), asLeft, found);
        List<Lost.WholeBlock> whole = new ArrayList<>();
        List<String> refused = new ArrayList<>();
        for (BaselineDiff.ModuleDiff diff : BaselineDiff.of(asLeft, found).modules()) {
            if (diff.coding().isEmpty() || !state.pack().modules().containsKey(diff.module())) continue;
            PackModule module = state.pack().module(diff.module());
            switch (Restore.judge(asLeft, found, diff.module())) {
                case Restore.Refused(String reason) -> refused.add(module.title() + ": " + reason);
                case Restore.Possible(Map<String, Bytes> blocks) ->
                    blocks.forEach((layout, raw) -> whole.add(whole(state.pack(), module, found, layout, raw)));
            }
        }
        boolean same = drift.isEmpty() && whole.isEmpty() && refused.isEmpty();
        return new Lost(then, all, now, drift, whole, refused, sentence(state, same, then, now));
    }

    private String sentence(JobState state, boolean same, BaselineSummary then, BaselineSummary now) {
        String left = times.at(then.takenAt());
        String read = times.at(now.takenAt());
        return (same
                        ? "Every setting read on " + read + " is as it was on " + left + "."
                        : "No setting that has a name differs between " + left + " and " + read
                                + ", but other bytes of coding do.")
                + (state.written() ? " What this job changed since then stands under Record." : "");
    }

    private static Lost.WholeBlock whole(Pack pack, PackModule module, BaselineFile found, String layout, Bytes raw) {
        String now = found.module(module.id()).orElseThrow().coding().stream()
                .filter(b -> b.id().equals(layout))
                .map(b -> b.raw().hex())
                .findFirst()
                .orElse("");
        return new Lost.WholeBlock(
                new PutBack(module.id(), layout, PutBack.WHOLE, raw.hex(), now),
                module.title() + ", " + pack.layout(layout).title());
    }
}

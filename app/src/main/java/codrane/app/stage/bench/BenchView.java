package codrane.app.stage.bench;

import codrane.app.tools.CheckView;
import codrane.core.job.BenchCheck;
import codrane.core.job.JobState;
import codrane.core.job.release.Release;
import codrane.core.plan.JobKind;
import codrane.core.power.Chemistry;
import codrane.core.text.Words;
import codrane.core.tool.Check;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * The page of Bench.
 *
 * @param holdsRun what of all this will hold the run, or that nothing does; empty when nothing is marked
 * @param answered the newest answered request, as a sentence; empty while there is none
 * @param power absent until the battery was measured
 * @param form as it was kept; what was refused stands in its place
 */
public record BenchView(
        long number,
        List<CheckView> tool,
        List<CheckView> computer,
        List<String> holdsRun,
        String answered,
        Optional<PowerView> power,
        BenchForm form,
        boolean may) {
    static List<String> holdsRun(JobState state, Stream<Check> checks) {
        if (state.job().kind() == JobKind.BASELINE_ONLY || state.runFinished()) return List.of();
        List<String> held = Release.heldFromBench(state);
        if (!held.isEmpty())
            return held.stream().map(why -> "This will hold Run: " + why).toList();
        boolean marked = checks.anyMatch(c -> c.state() != Check.State.GOOD);
        return marked ? List.of("None of what is marked here holds Run: it is yours to judge.") : List.of();
    }

    static String answered(JobState state) {
        return state.benched().check().map(check -> sentence(state, check)).orElse("");
    }

    private static String sentence(JobState state, BenchCheck check) {
        return check.module() + " answered over " + check.interfaceName() + ", "
                + state.now().dayAndTime(check.at()) + ", " + check.who() + "; supply then "
                + check.volts().map(Words::volts).orElse("not readable") + ".";
    }

    /** Kinds of battery, by what a form sends. */
    public Map<String, String> chemistries() {
        Map<String, String> kinds = new TreeMap<>();
        Arrays.stream(Chemistry.values()).forEach(c -> kinds.put(c.key(), c.words()));
        return kinds;
    }
}

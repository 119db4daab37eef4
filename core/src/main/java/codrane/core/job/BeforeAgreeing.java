package codrane.core.job;

import codrane.core.job.BenchNotes.BatteryNote;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.plan.Plan;
import codrane.core.plan.PowerNeed;
import codrane.core.planner.Planner;
import codrane.core.power.PowerForecast;
import codrane.core.power.PowerForecast.Decision;
import codrane.core.power.PowerForecast.Load;
import codrane.core.ready.Need;
import codrane.core.text.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/** What must be known before anybody agrees to a plan, or pays for it. */
public final class BeforeAgreeing {
    private BeforeAgreeing() {}

    /** Each as a sentence with the way on; none when nothing stands against the plan. */
    public static List<String> of(JobState state) {
        return state.once("before agreeing", BeforeAgreeing::stops);
    }

    private static List<String> stops(JobState state) {
        List<String> stops = new ArrayList<>();
        List<String> unable = RunTasks.unable(state);
        if (!unable.isEmpty())
            stops.add("Codrane can't carry out: " + String.join("; ", unable)
                    + ". What is not carried out whole is not begun: do it with the maker's tool, or plan less.");
        power(state).ifPresent(stops::add);
        return List.copyOf(stops);
    }

    /** What is still to be got, as one sentence with the longest lead; empty when all is here. */
    public static Optional<String> missing(JobState state) {
        List<Need> missing = state.readiness().map(r -> r.missing()).orElse(List.of());
        if (missing.isEmpty()) return Optional.empty();
        return Optional.of("Still to be got: "
                + missing.stream()
                        .map(n -> n.title().substring(0, 1).toLowerCase(Locale.ROOT)
                                + n.title().substring(1)
                                + (n.lead().isZero() ? "" : " (" + Words.lead(n.lead()) + ")"))
                        .collect(Collectors.joining("; "))
                + ".");
    }

    /** Only for a battery that somebody measured: a guess forbids nothing. */
    private static Optional<String> power(JobState state) {
        Optional<BatteryNote> note = state.benched().notes().battery();
        List<Load> loads = PowerNeed.stretches(state.pack(), state.operations()).stream()
                .map(PowerNeed.Stretch::load)
                .toList();
        if (note.isEmpty() || loads.isEmpty() || state.writes().isEmpty()) return Optional.empty();
        PowerForecast forecast =
                PowerForecast.of(note.get().battery(), note.get().supportUnit(), loads, state.window());
        return forecast.decision() == Decision.NO
                ? Optional.of("The power forbids it: " + forecast.reason())
                : Optional.empty();
    }

    /**
     * Whether what is known now would make another plan: then the old one is not shown as if it held. What the maker's
     * service said of a module's software is not asked again for this.
     */
    public static boolean factsChanged(JobState state) {
        return state.once("facts against the plan", BeforeAgreeing::changed);
    }

    private static boolean changed(JobState state) {
        boolean comparable = state.run().isEmpty()
                && state.before().isPresent()
                && state.job().kind() != JobKind.RESTORE_SOFTWARE;
        if (!comparable || state.plan().isEmpty()) return false;
        Plan now = Planner.plan(state.vehicleFacts(state.before().get()));
        Plan then = state.plan().get().plan();
        return now.blocked() != then.blocked() || !acts(now).equals(acts(then));
    }

    /**
     * Each act with who must agree to it. What makes ready is done away from the vehicle: done, it is no longer planned,
     * and the plan holds on.
     */
    private static List<String> acts(Plan plan) {
        return plan.operations().stream()
                .filter(o -> o.kind() != Operation.Kind.SET_UP)
                .map(o -> o.key() + " " + o.holds())
                .toList();
    }
}

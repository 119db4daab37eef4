package codrane.core.job;

import codrane.core.plan.Aids.Settling;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Operation;
import java.util.Arrays;
import java.util.List;

/** The means that calm a vehicle down after writing, the gentlest first, and where this job is among them. */
public record SettleLadder(List<Rung> rungs) {
    /** What this job has to do with one of the means. */
    public enum Where {
        BY_THE_RUN("done by the run"),
        SAID("said to be done"),
        WANTED("to be done"),
        IF_NEEDED("only if messages stay"),
        NOT_PLANNED("not in this plan");

        private final String words;

        Where(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** @param lost what a vehicle forgets by it */
    public record Rung(Settling means, String title, String lost, Where where) {}

    public SettleLadder {
        rungs = List.copyOf(rungs);
    }

    public static SettleLadder of(JobState state) {
        return new SettleLadder(Arrays.stream(Settling.values())
                .map(means -> new Rung(means, title(means), lost(means), where(state, means)))
                .toList());
    }

    /** Whether the plan has any of them: one that clears faults alone has none. */
    public boolean planned() {
        return rungs.stream().anyMatch(rung -> rung.where() != Where.NOT_PLANNED);
    }

    private static Where where(JobState state, Settling means) {
        if (state.decided().notes().settled().contains(means)) return Where.SAID;
        List<Operation> planned = state.operations().stream()
                .filter(o -> o.kind() == means.kind())
                .filter(o -> means != Settling.RESET || o.module().isEmpty())
                .toList();
        if (planned.isEmpty()) return Where.NOT_PLANNED;
        if (planned.stream().allMatch(Operation::conditional)) return Where.IF_NEEDED;
        if (means == Settling.RELEARN || means == Settling.RESET)
            return state.runFinished() ? Where.BY_THE_RUN : Where.WANTED;
        boolean said =
                state.personHold(HoldPoint.SETTLED).filter(h -> !h.waived()).isPresent();
        return said ? Where.SAID : Where.WANTED;
    }

    private static String title(Settling means) {
        return switch (means) {
            case SLEEP -> "Sleep";
            case RELEARN -> "Learn anew";
            case RESET -> "Restart all modules";
            case BATTERY_OFF -> "Battery off";
        };
    }

    private static String lost(Settling means) {
        return switch (means) {
            case SLEEP -> "nothing is lost";
            case RELEARN -> "lost: what was learned before";
            case RESET -> "nothing stored is lost";
            case BATTERY_OFF -> "lost: clock, window stops, radio code";
        };
    }
}

package codrane.app.live;

import codrane.core.gateway.OperationMatrix;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.octets.Bytes;
import codrane.core.pack.Habits.KeyCycle;
import codrane.core.pack.Pack;
import codrane.core.pack.VehicleCondition;
import codrane.core.plan.ProgrammingSeconds;
import codrane.core.power.PowerGate;
import codrane.core.power.PowerGate.Watch;
import codrane.core.power.PowerWindow;
import codrane.core.run.KeyWatch;
import codrane.core.run.Reply;
import codrane.core.run.RunAction;
import codrane.core.run.RunMachine;
import codrane.core.run.RunState;
import codrane.core.run.RunTask;
import codrane.core.uds.ResponseCode.Known;
import codrane.link.DiagnosticLink;
import codrane.link.run.RunControl;
import codrane.link.run.RunGates;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/** The gates of a real bench: its meter, the vehicle's key, the gateway matrix. */
final class BenchGates implements RunGates {
    private static final Duration MEASURE_AT_MOST = Duration.ofSeconds(15);
    private static final Duration KEY_AT_MOST = Duration.ofSeconds(90);
    private static final Duration SOME_MORE = Duration.ofSeconds(30);
    /** Shorter pauses are over before anybody has read what they are for. */
    private static final Duration TOLD_FROM = Duration.ofSeconds(3);

    private static final Duration ASK_EVERY = Duration.ofMillis(500);
    private static final Set<Known> OF_THE_CODE = EnumSet.of(Known.INVALID_KEY, Known.EXCEEDED_ATTEMPTS);

    private final RunOrder order;
    private final DiagnosticLink link;
    private final RunProgress progress;
    private final RunControl control;
    private final InstantSource time;
    private Optional<Gateway> renewed = Optional.empty();

    BenchGates(RunOrder order, DiagnosticLink link, RunProgress progress, RunControl control, InstantSource time) {
        this.order = order;
        this.link = link;
        this.progress = progress;
        this.control = control;
        this.time = time;
    }

    /** Only before anything was done may a gate close by itself; later it waits for as long as it takes. */
    private static boolean untouched(RunState state) {
        return state.index() == 0 && !state.recovering();
    }

    @Override
    public Verdict awaitPower(RunState state, PowerWindow window) {
        Instant end = time.instant().plus(MEASURE_AT_MOST);
        while (true) {
            PowerGate.Verdict verdict = PowerGate.start(order.bench().samples(), window, time.instant());
            if (verdict.passes()) return authorised(state);
            boolean giveUp =
                    verdict.state() == PowerGate.State.REFUSED || time.instant().isAfter(end);
            if (untouched(state) && giveUp)
                return new Verdict.Closed(
                        "Not started: " + verdict.reason(), "Raise the supply voltage, then run again.");
            hold(untouched(state) ? verdict.reason() : "Held before the next step. " + verdict.reason());
            if (control.mayGoOn(state) instanceof Verdict.Closed closed) return closed;
        }
    }

    /** Nothing is half done here: an authorisation that would end within the step is renewed by the run itself. */
    private Verdict authorised(RunState state) {
        if (!(gateway() instanceof Gateway.Authorised(Instant until))
                || time.instant().plus(takes(state.task())).isBefore(until)) return new Verdict.Open();
        progress.hold("Renewing the authorisation: it would end within the next step.");
        RunOrder.Renewed now = order.renewal().renew(link);
        if (now.until().isPresent()) {
            renewed = Optional.of(new Gateway.Authorised(now.until().get()));
            return new Verdict.Open();
        }
        if (state.recovering()) return new Verdict.Open(); // half written as it is: every minute that is left counts
        return new Verdict.Closed(
                "Stopped before \"" + state.task().title()
                        + "\": the authorisation would end within it, and was not renewed. " + now.why(),
                "Authorise at Unlock, then go on.");
    }

    private Gateway gateway() {
        return renewed.orElseGet(order::gateway);
    }

    /** How long a step keeps the wire. */
    private Duration takes(RunTask task) {
        return switch (task) {
            case RunTask.Program program ->
                SOME_MORE.plusSeconds(ProgrammingSeconds.of(
                        order.pack(), program.module().flash().orElseThrow()));
            case RunTask.Routine routine -> SOME_MORE.plus(routine.procedure().duration());
            default -> SOME_MORE;
        };
    }

    @Override
    public Verdict awaitConditions(RunState state, RunAction.AwaitConditions conditions) {
        Instant end = time.instant().plus(KEY_AT_MOST);
        while (true) {
            List<String> missing = conditions.needs().stream()
                    .filter(need -> !holds(need))
                    .map(VehicleCondition::words)
                    .toList();
            if (missing.isEmpty()) return sameVehicle();
            String not = String.join(", ", missing);
            if (untouched(state) && time.instant().isAfter(end))
                return new Verdict.Closed("Not started: the vehicle does not tell " + not + ".", conditions.prompt());
            hold(conditions.prompt() + " Not yet: " + not + ".");
            if (control.mayGoOn(state) instanceof Verdict.Closed closed) return closed;
        }
    }

    /** While the key is off most modules are silent, and after a while all of them. */
    @Override
    public Verdict awaitKeyTurn(RunState state, KeyCycle cycle) {
        Pack pack = order.pack();
        KeyWatch watch = new KeyWatch(cycle);
        while (true) {
            watch.seen(order.bench().readKey(pack, link).map(VehicleCondition.KEY_ON::holds), time.instant());
            if (watch.turned()) return new Verdict.Open();
            hold(watch.prompt());
            if (control.mayGoOn(state) instanceof Verdict.Closed closed) return closed;
        }
    }

    /** What the vehicle has no sensor for its module checks itself. */
    private boolean holds(VehicleCondition need) {
        Pack pack = order.pack();
        if (!pack.equipment().sensors().containsKey(need.sensor())) return true;
        Optional<Integer> position = order.bench().readPosition(pack, link, need.sensor());
        return position.isPresent() && need.holds(position.get());
    }

    /** Faults are cleared in every module, so a module that is only cleared is a witness still. */
    private Verdict sameVehicle() {
        Set<String> written = order.tasks().stream()
                .filter(t -> !(t instanceof RunTask.Clear))
                .map(t -> t.module().id())
                .collect(Collectors.toSet());
        return Witness.stranger(link, order.pack(), order.before(), written)
                .<Verdict>map(s -> new Verdict.Closed("Not started: " + s, "Plug into the right one, then run again."))
                .orElseGet(Verdict.Open::new);
    }

    @Override
    public OperationMatrix.Verdict permit(OperationMatrix.Operation operation) {
        return OperationMatrix.judge(operation, gateway(), time.instant());
    }

    /** Low or unknown voltage holds the run between blocks, a lease about to end before anything. */
    @Override
    public Verdict beforeSending(RunState state) {
        while (true) {
            if (control.mayGoOn(state) instanceof Verdict.Closed closed) return closed;
            Optional<Verdict> stopped = stopsWhatMoves(state);
            if (stopped.isPresent()) return stopped.get();
            Optional<String> why = held(state);
            if (why.isEmpty()) return new Verdict.Open();
            hold(why.get());
        }
    }

    /** The next run may have the interface soon: what moves by this one is stopped while it is its own. */
    private Optional<Verdict> stopsWhatMoves(RunState state) {
        return control.stale(time.instant()) && RunMachine.beforeStopping(state).isPresent()
                ? Optional.of(new Verdict.Closed(
                        "The database did not answer, so what moved was stopped.",
                        "See that nothing moves; then release it again."))
                : Optional.empty();
    }

    private Optional<String> held(RunState state) {
        if (control.stale(time.instant()))
            return Optional.of("Held: the database does not answer. Keep the power on; it goes on by itself.");
        boolean block = state.phase() == RunState.Phase.TRANSFER;
        if (!block || !(state.task() instanceof RunTask.Program program)) return Optional.empty();
        Watch watch = watch(program);
        return watch == Watch.FINE ? Optional.empty() : Optional.of(sentence(watch, program.window()));
    }

    private Watch watch(RunTask.Program program) {
        return PowerGate.watch(order.bench().samples(), program.window(), time.instant());
    }

    private static String sentence(Watch watch, PowerWindow window) {
        return switch (watch) {
            case FINE -> "";
            case UNKNOWN ->
                "Held: the supply voltage can't be read. Check the meter; nothing is lost while the power stays on.";
            case PAUSE ->
                "Held: the supply fell below %.1f V. Raise it; the transfer goes on by itself."
                        .formatted(window.hold());
            case CRITICAL ->
                "Held: the supply fell below %.1f V. Switch the support unit on now; don't turn the key off."
                        .formatted(window.critical());
        };
    }

    private void hold(String sentence) {
        progress.hold(sentence);
        pause(ASK_EVERY);
    }

    @Override
    public Optional<Reply> withCodes(Function<Bytes, Reply> exchange) {
        Optional<Reply> reply =
                order.codes().take().map(codes -> order.bench().trace().withholding(() -> exchange.apply(codes)));
        boolean refused = reply.filter(r -> r instanceof Reply.Refused(var code)
                        && code.known().filter(OF_THE_CODE::contains).isPresent())
                .isPresent();
        if (refused) order.codes().refused();
        return reply;
    }

    @Override
    public void pause(RunAction.Pause pause) {
        if (pause.time().compareTo(TOLD_FROM) >= 0) progress.hold(pause.purpose() + ".");
        pause(pause.time());
    }

    @Override
    public void pause(Duration span) {
        try {
            Thread.sleep(span);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("the run's thread was interrupted", e);
        }
    }
}

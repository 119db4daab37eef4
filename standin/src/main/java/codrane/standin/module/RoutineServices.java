package codrane.standin.module;

import codrane.core.gateway.SignedGrant;
import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult.Decoded;
import codrane.core.pack.Equipment;
import codrane.core.pack.Pack.Family;
import codrane.core.pack.Procedure;
import codrane.core.pack.VehicleCondition;
import codrane.core.uds.ResponseCode.Known;
import codrane.core.uds.Service;
import codrane.core.uds.UdsRequest;
import codrane.core.uds.UdsRequest.RoutineControl;
import codrane.core.uds.UdsResponse;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;

/**
 * RoutineControl: erase and check of the flash memory, the pack's procedures, the immobiliser's routines, and the token
 * of a gateway.
 */
final class RoutineServices implements ServiceGroup {
    private static final double LEAST_VOLTS = 11.0;
    private static final Duration PAIRING = Duration.ofMillis(2500);
    private static final Duration FORGETTING = Duration.ofMillis(800);

    /** Results of the pack's procedures. */
    private static final int DONE = 0x00;

    private static final int RUNNING = 0x01;
    private static final int STOPPED = 0x02;

    private final ModuleState state;
    private final DiagnosticSession session;
    private final Surroundings around;
    private Optional<Procedure> last = Optional.empty();
    private Instant lastEnds = Instant.MIN;
    private boolean stopped;

    RoutineServices(ModuleState state, DiagnosticSession session, Surroundings around) {
        this.state = state;
        this.session = session;
        this.around = around;
    }

    @Override
    public Map<Service, Rule> rules() {
        return Map.of(
                Service.ROUTINE_CONTROL,
                Rule.withSubFunctions(4, RoutineControl.START, RoutineControl.STOP, RoutineControl.RESULTS));
    }

    @Override
    public void serve(UdsRequest request, Answer answer) {
        if (!(request instanceof RoutineControl control)) throw new IllegalStateException("not served: " + request);
        int routine = control.routine();
        Optional<Procedure> procedure = around.pack().equipment().procedures().values().stream()
                .filter(p -> p.module().equals(state.module.id()) && p.routine() == routine)
                .findFirst();
        if (routine == RoutineControl.ERASE_MEMORY || routine == RoutineControl.CHECK_PROGRAMMING_DEPENDENCIES)
            flash(control, answer);
        else if (routine == Gateway.TOKEN_ROUTINE && around.gateway().is(state.module, Family.TOKEN))
            token(control, answer);
        else if (isMaster()
                && (routine == immobiliser().pairRoutine()
                        || routine == immobiliser().keyRoutine())) immobiliser(control, answer);
        else if (state.module
                .traits()
                .forgetVin()
                .filter(forget -> forget == routine)
                .isPresent()) forget(control, answer);
        else if (procedure.isPresent()) procedure(procedure.get(), control, answer);
        else answer.refuse(Known.REQUEST_OUT_OF_RANGE);
    }

    private static UdsResponse told(RoutineControl control, int... status) {
        return new UdsResponse.RoutineControl(control.type(), control.routine(), Bytes.of(status));
    }

    private void flash(RoutineControl control, Answer answer) {
        boolean erases = control.routine() == RoutineControl.ERASE_MEMORY;
        // a routine that the session does not have is out of range. Source: unchecked (ISO 14229-1, RoutineControl)
        boolean there = state.flash.isPresent() && session.isProgramming();
        if (!there) answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        else if (!session.unlocked()) answer.refuse(Known.SECURITY_ACCESS_DENIED);
        else if (control.type() != RoutineControl.START) answer.refuse(Known.SUB_FUNCTION_NOT_SUPPORTED);
        else if (control.option().length() != (erases ? 8 : 4)) answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        else if (around.volts() < LEAST_VOLTS) answer.refuse(Known.VOLTAGE_TOO_LOW);
        else if (state.health() == Part.Health.HALF_DEAD) answer.refuse(Known.GENERAL_PROGRAMMING_FAILURE);
        else if (erases) erase(state.flash.get(), control, answer);
        else check(state.flash.get(), control, answer);
    }

    /** Address and size, four octets each. */
    private void erase(FlashMemory flash, RoutineControl control, Answer answer) {
        around.programming(true);
        answer.after(state.module.flash().orElseThrow().erase(), () -> {
            boolean erased =
                    flash.erase(control.option().u32(0), control.option().u32(4));
            return erased ? told(control, DONE) : answer.negative(Known.REQUEST_OUT_OF_RANGE);
        });
    }

    /** The checksum that the content must have, four octets. */
    private void check(FlashMemory flash, RoutineControl control, Answer answer) {
        answer.after(state.module.flash().orElseThrow().verify(), () -> {
            boolean was = flash.valid();
            int result = flash.check(control.option().u32(0), state.hardware());
            if (result == 0 && !was) state.programmed(around.now());
            return told(control, result);
        });
    }

    private void token(RoutineControl control, Answer answer) {
        boolean token = SignedGrant.decode(control.option()) instanceof Decoded<SignedGrant>;
        if (control.type() != RoutineControl.START) {
            answer.refuse(Known.SUB_FUNCTION_NOT_SUPPORTED);
        } else if (!token) {
            answer.refuse(Known.INVALID_KEY);
        } else {
            SignedGrant grant = SignedGrant.decode(control.option()).value();
            switch (around.gateway().judge(grant, around.now())) {
                case WRONG_SIGNATURE -> answer.refuse(Known.INVALID_KEY);
                case WRONG_VEHICLE -> answer.refuse(Known.CERTIFICATE_SCOPE_INVALID);
                case WRONG_TIME -> answer.refuse(Known.CERTIFICATE_TIME_INVALID);
                case ACCEPTED ->
                    answer.after(Duration.ofMillis(90), () -> around.gateway().open(grant), told(control, DONE));
            }
        }
    }

    private void forget(RoutineControl control, Answer answer) {
        if (control.type() != RoutineControl.START) answer.refuse(Known.SUB_FUNCTION_NOT_SUPPORTED);
        else if (session.isDefault()) answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        else if (!session.unlocked()) answer.refuse(Known.SECURITY_ACCESS_DENIED);
        else answer.after(FORGETTING, state::forgetIdentity, told(control, DONE));
    }

    private boolean isMaster() {
        return around.immobiliser()
                .pack()
                .filter(p -> p.master().equals(state.module.id()))
                .isPresent();
    }

    private Equipment.Immobiliser immobiliser() {
        return around.immobiliser().pack().orElseThrow();
    }

    private void immobiliser(RoutineControl control, Answer answer) {
        boolean pairs = control.routine() == immobiliser().pairRoutine();
        if (control.type() == RoutineControl.RESULTS && !pairs) {
            int result = around.immobiliser().waits(around.now()) ? RUNNING : DONE;
            answer.positive(told(control, result, around.immobiliser().keys()));
            return;
        }
        if (control.type() != RoutineControl.START) {
            answer.refuse(Known.SUB_FUNCTION_NOT_SUPPORTED);
        } else if (session.isDefault()) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE); // the default session does not have the routine
        } else if (control.option().length() < 2) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        } else if (pairs && !around.pairable(control.option().u8(0))) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        } else {
            withCodes(pairs, control, answer);
        }
    }

    private void withCodes(boolean pairs, RoutineControl control, Answer answer) {
        switch (around.immobiliser().tryCodes(control.option().from(pairs ? 1 : 0), around.now())) {
            case WRONG -> answer.refuse(Known.INVALID_KEY);
            case WRONG_AND_LOCKED -> answer.refuse(Known.EXCEEDED_ATTEMPTS);
            case LOCKED -> answer.refuse(Known.TIME_DELAY_NOT_EXPIRED);
            case RIGHT -> {
                Runnable effect = pairs
                        ? () -> around.pair(control.option().u8(0))
                        : () -> around.immobiliser().openWindow(around.now());
                answer.after(pairs ? PAIRING : Duration.ofMillis(50), effect, told(control, pairs ? DONE : RUNNING));
            }
        }
    }

    private void procedure(Procedure procedure, RoutineControl control, Answer answer) {
        switch (control.type()) {
            case RoutineControl.START -> start(procedure, control, answer);
            case RoutineControl.STOP -> {
                boolean running = last.filter(procedure::equals).isPresent()
                        && around.now().isBefore(lastEnds);
                stopped = running || stopped;
                if (running) answer.positive(told(control));
                else answer.refuse(Known.REQUEST_SEQUENCE_ERROR);
            }
            default -> {
                if (last.filter(procedure::equals).isEmpty()) answer.refuse(Known.REQUEST_SEQUENCE_ERROR);
                else answer.positive(told(control, result()));
            }
        }
    }

    private int result() {
        if (stopped) return STOPPED;
        return around.now().isBefore(lastEnds) ? RUNNING : DONE;
    }

    private void start(Procedure procedure, RoutineControl control, Answer answer) {
        Optional<VehicleCondition> missing =
                procedure.needs().stream().filter(n -> !around.holds(n)).findFirst();
        if (session.isDefault()) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE); // the default session does not have the routine
        } else if (missing.isPresent()) {
            answer.refuse(
                    switch (missing.get()) {
                        case ENGINE_OFF -> Known.ENGINE_IS_RUNNING;
                        case ENGINE_RUNNING -> Known.ENGINE_IS_NOT_RUNNING;
                        default -> Known.CONDITIONS_NOT_CORRECT;
                    });
        } else {
            last = Optional.of(procedure);
            stopped = false;
            lastEnds = around.now().plus(procedure.duration());
            answer.positive(told(control, RUNNING));
            answer.then(procedure.duration(), () -> finish(procedure));
        }
    }

    private void finish(Procedure procedure) {
        if (stopped) return;
        if (procedure.effect() != Procedure.Effect.ACTUATE) state.learn();
        lastEnds = Instant.MIN;
    }
}

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
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;

/**
 * RoutineControl: erase and check of the flash memory, the pack's procedures, the immobiliser's routines, and the token
 * of a gateway.
 */
final class RoutineServices implements ServiceGroup {
    private static final int START = 1;
    private static final int STOP = 2;
    private static final int RESULTS = 3;
    private static final int ERASE = 0xFF00;
    private static final int CHECK = 0xFF01;
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
        return Map.of(Service.ROUTINE_CONTROL, Rule.withSubFunctions(4, START, STOP, RESULTS));
    }

    @Override
    public void serve(Service service, UdsRequest request, Answer answer) {
        int routine = request.u16(2);
        Optional<Procedure> procedure = around.pack().equipment().procedures().values().stream()
                .filter(p -> p.module().equals(state.module.id()) && p.routine() == routine)
                .findFirst();
        if (routine == ERASE || routine == CHECK) flash(routine, request, answer);
        else if (routine == Gateway.TOKEN_ROUTINE && around.gateway().is(state.module, Family.TOKEN))
            token(request, answer);
        else if (isMaster()
                && (routine == immobiliser().pairRoutine()
                        || routine == immobiliser().keyRoutine())) immobiliser(routine, request, answer);
        else if (state.module
                .traits()
                .forgetVin()
                .filter(forget -> forget == routine)
                .isPresent()) forget(request, answer);
        else if (procedure.isPresent()) procedure(procedure.get(), request, answer);
        else answer.refuse(Known.REQUEST_OUT_OF_RANGE);
    }

    private void flash(int routine, UdsRequest request, Answer answer) {
        int octets = routine == ERASE ? 12 : 8;
        // a routine that the session does not have is out of range. Source: unchecked (ISO 14229-1, RoutineControl)
        boolean there = state.flash.isPresent() && session.isProgramming();
        if (!there) answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        else if (!session.unlocked()) answer.refuse(Known.SECURITY_ACCESS_DENIED);
        else if (request.subFunction() != START) answer.refuse(Known.SUB_FUNCTION_NOT_SUPPORTED);
        else if (request.length() != octets) answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        else if (around.volts() < LEAST_VOLTS) answer.refuse(Known.VOLTAGE_TOO_LOW);
        else if (state.health() == Part.Health.HALF_DEAD) answer.refuse(Known.GENERAL_PROGRAMMING_FAILURE);
        else if (routine == ERASE) erase(state.flash.get(), request, answer);
        else check(state.flash.get(), request, answer);
    }

    private void erase(FlashMemory flash, UdsRequest request, Answer answer) {
        around.programming(true);
        answer.outcome(
                state.module.flash().orElseThrow().erase(),
                () -> flash.erase(request.message().u32(4), request.message().u32(8))
                        ? Bytes.of(0x71, START, 0xFF, 0x00, 0x00)
                        : answer.negative(Known.REQUEST_OUT_OF_RANGE));
    }

    private void check(FlashMemory flash, UdsRequest request, Answer answer) {
        answer.after(state.module.flash().orElseThrow().verify(), () -> {
            boolean was = flash.valid();
            int result = flash.check(request.message().u32(4), state.hardware());
            if (result == 0 && !was) state.programmed(around.now());
            return Bytes.of(START, 0xFF, 0x01, result);
        });
    }

    private void token(UdsRequest request, Answer answer) {
        boolean token = SignedGrant.decode(request.from(4)) instanceof Decoded<SignedGrant>;
        if (request.subFunction() != START) {
            answer.refuse(Known.SUB_FUNCTION_NOT_SUPPORTED);
        } else if (!token) {
            answer.refuse(Known.INVALID_KEY);
        } else {
            SignedGrant grant = SignedGrant.decode(request.from(4)).value();
            switch (around.gateway().judge(grant, around.now())) {
                case WRONG_SIGNATURE -> answer.refuse(Known.INVALID_KEY);
                case WRONG_VEHICLE -> answer.refuse(Known.CERTIFICATE_SCOPE_INVALID);
                case WRONG_TIME -> answer.refuse(Known.CERTIFICATE_TIME_INVALID);
                case ACCEPTED ->
                    answer.after(
                            Duration.ofMillis(90),
                            () -> around.gateway().open(grant),
                            request.message().slice(1, 3).plus(Bytes.of(DONE)));
            }
        }
    }

    private void forget(UdsRequest request, Answer answer) {
        if (request.subFunction() != START) answer.refuse(Known.SUB_FUNCTION_NOT_SUPPORTED);
        else if (session.isDefault()) answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        else if (!session.unlocked()) answer.refuse(Known.SECURITY_ACCESS_DENIED);
        else
            answer.after(
                    FORGETTING,
                    state::forgetIdentity,
                    request.message().slice(1, 3).plus(Bytes.of(DONE)));
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

    private void immobiliser(int routine, UdsRequest request, Answer answer) {
        boolean pairs = routine == immobiliser().pairRoutine();
        if (request.subFunction() == RESULTS && !pairs) {
            int result = around.immobiliser().waits(around.now()) ? RUNNING : DONE;
            answer.positive(request.message()
                    .slice(1, 3)
                    .plus(Bytes.of(result, around.immobiliser().keys())));
            return;
        }
        if (request.subFunction() != START) {
            answer.refuse(Known.SUB_FUNCTION_NOT_SUPPORTED);
        } else if (session.isDefault()) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE); // the default session does not have the routine
        } else if (request.length() < 6) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        } else if (pairs && !around.pairable(request.u8(4))) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        } else {
            withCodes(pairs, request, answer);
        }
    }

    private void withCodes(boolean pairs, UdsRequest request, Answer answer) {
        switch (around.immobiliser().tryCodes(request.from(pairs ? 5 : 4), around.now())) {
            case WRONG -> answer.refuse(Known.INVALID_KEY);
            case WRONG_AND_LOCKED -> answer.refuse(Known.EXCEEDED_ATTEMPTS);
            case LOCKED -> answer.refuse(Known.TIME_DELAY_NOT_EXPIRED);
            case RIGHT -> {
                Runnable effect = pairs
                        ? () -> around.pair(request.u8(4))
                        : () -> around.immobiliser().openWindow(around.now());
                answer.after(
                        pairs ? PAIRING : Duration.ofMillis(50),
                        effect,
                        request.message().slice(1, 3).plus(Bytes.of(pairs ? DONE : RUNNING)));
            }
        }
    }

    private void procedure(Procedure procedure, UdsRequest request, Answer answer) {
        Bytes head = request.message().slice(1, 3);
        switch (request.subFunction()) {
            case START -> start(procedure, head, answer);
            case STOP -> {
                boolean running = last.filter(procedure::equals).isPresent()
                        && around.now().isBefore(lastEnds);
                stopped = running || stopped;
                if (running) answer.positive(head);
                else answer.refuse(Known.REQUEST_SEQUENCE_ERROR);
            }
            default -> {
                if (last.filter(procedure::equals).isEmpty()) answer.refuse(Known.REQUEST_SEQUENCE_ERROR);
                else answer.positive(head.plus(Bytes.of(result())));
            }
        }
    }

    private int result() {
        if (stopped) return STOPPED;
        return around.now().isBefore(lastEnds) ? RUNNING : DONE;
    }

    private void start(Procedure procedure, Bytes head, Answer answer) {
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
            answer.positive(head.plus(Bytes.of(RUNNING)));
            answer.then(procedure.duration(), () -> finish(procedure));
        }
    }

    private void finish(Procedure procedure) {
        if (stopped) return;
        if (procedure.effect() != Procedure.Effect.ACTUATE) state.learn();
        lastEnds = Instant.MIN;
    }
}

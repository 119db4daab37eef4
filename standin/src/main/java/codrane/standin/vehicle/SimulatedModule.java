package codrane.standin.vehicle;

import codrane.core.access.SimulatedKey;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.run.ResponseCode.Known;
import codrane.link.time.Scheduler;
import java.time.Duration;
import java.util.Optional;
import java.util.Random;
import java.util.function.Consumer;

/**
 * One module's UDS server: 10 11 14 19 22 27 2E 31 34 36 37 3E. Source: unchecked (ISO 14229-1). Lives on the
 * vehicle's scheduler.
 */
final class SimulatedModule {
    private static final int DEFAULT_SESSION = 1;
    private static final Duration SESSION_TIMEOUT = Duration.ofSeconds(5);
    private static final Duration ANSWER = Duration.ofMillis(3);
    private static final Duration BOOT = Duration.ofMillis(1200);
    private static final int MOST_ATTEMPTS = 3;
    private static final double LEAST_VOLTS = 11.0;

    private final SimulatedVehicle vehicle;
    private final ModuleState state;
    private final Scheduler time;
    private final Pace pace;
    private final double deviation;
    private final Random seeds;
    private int session = DEFAULT_SESSION;
    private boolean unlocked;
    private Bytes seed = Bytes.EMPTY;
    private int wrongKeys;
    private boolean booting;
    private Download download;
    private Scheduler.Timer sessionTimer = () -> {};

    /** A transfer under way. */
    private static final class Download {
        private int counter = 1;
        private boolean first = true;
    }

    SimulatedModule(SimulatedVehicle vehicle, ModuleState state, Scheduler time, Pace pace) {
        this.vehicle = vehicle;
        this.state = state;
        this.time = time;
        this.pace = pace;
        deviation = pace.deviation();
        seeds = new Random(state.module.address());
    }

    ModuleState state() {
        return state;
    }

    /** @param respond takes each response message; none when the request is answered by silence */
    void handle(Bytes request, Consumer<Bytes> respond) {
        if (booting || request.isEmpty()) return;
        keepSession();
        Answer answer = new Answer(request, respond);
        if (vehicle.gatewayRefuses(request.u8(0))) {
            answer.refuse(Known.AUTHENTICATION_REQUIRED);
            return;
        }
        serve(request, answer);
    }

    private void serve(Bytes request, Answer answer) {
        switch (request.u8(0)) {
            case 0x10 -> sessionControl(request, answer);
            case 0x11 -> reset(request, answer);
            case 0x14 -> clear(request, answer);
            case 0x19 -> readFaults(request, answer);
            case 0x22 -> read(request, answer);
            case 0x27 -> securityAccess(request, answer);
            case 0x2E -> write(request, answer);
            case 0x31 -> routine(request, answer);
            case 0x34 -> requestDownload(request, answer);
            case 0x36 -> transfer(request, answer);
            case 0x37 -> exit(answer);
            case 0x3E -> testerPresent(request, answer);
            default -> answer.refuse(Known.SERVICE_NOT_SUPPORTED);
        }
    }

    /** Sends the answer after its processing time, with response-pending messages while it takes long. */
    private final class Answer {
        private final Bytes request;
        private final Consumer<Bytes> respond;

        Answer(Bytes request, Consumer<Bytes> respond) {
            this.request = request;
            this.respond = respond;
        }

        void positive(Bytes rest) {
            after(ANSWER, () -> {}, Bytes.of(request.u8(0) | 0x40).plus(rest));
        }

        void refuse(Known code) {
            after(ANSWER, () -> {}, Bytes.of(0x7F, request.u8(0), code.number()));
        }

        /** @param effect runs when the work is done, just before the answer */
        void after(Duration nominal, Runnable effect, Bytes message) {
            after(nominal, () -> {
                effect.run();
                return message;
            });
        }

        void after(Duration nominal, java.util.function.Supplier<Bytes> result) {
            Duration work = pace.work(nominal, deviation);
            Duration p2 = state.module.session().p2();
            if (work.compareTo(p2.multipliedBy(4).dividedBy(5)) > 0)
                pending(work, p2.multipliedBy(4).dividedBy(5));
            time.after(work, () -> {
                keepSession();
                respond.accept(result.get());
            });
        }

        private void pending(Duration left, Duration in) {
            if (left.compareTo(in) <= 0) return;
            time.after(in, () -> {
                keepSession();
                respond.accept(Bytes.of(0x7F, request.u8(0), Known.RESPONSE_PENDING.number()));
                pending(
                        left.minus(in),
                        state.module.session().p2Star().multipliedBy(7).dividedBy(10));
            });
        }
    }

    private void keepSession() {
        sessionTimer.cancel();
        if (session != DEFAULT_SESSION) sessionTimer = time.after(SESSION_TIMEOUT, () -> enter(DEFAULT_SESSION));
    }

    private void enter(int newSession) {
        session = newSession;
        unlocked = false;
        if (newSession != state.module.session().programming()) {
            if (download != null) state.flash.ifPresent(FlashMemory::interrupted);
            vehicle.supply().programming(false);
        }
        download = null;
    }

    private void sessionControl(Bytes request, Answer answer) {
        PackModule.Session pack = state.module.session();
        if (request.length() != 2) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
            return;
        }
        int wanted = request.u8(1) & 0x7F;
        boolean known = wanted == DEFAULT_SESSION
                || wanted == pack.extended()
                || wanted == pack.programming() && state.flash.isPresent();
        if (!known) {
            answer.refuse(Known.SUB_FUNCTION_NOT_SUPPORTED);
        } else if (wanted == pack.programming() && vehicle.engineRunning()) {
            answer.refuse(Known.CONDITIONS_NOT_CORRECT);
        } else {
            enter(wanted);
            keepSession();
            int p2 = (int) pack.p2().toMillis();
            int p2Star = (int) (pack.p2Star().toMillis() / 10);
            answer.positive(Bytes.of(wanted, p2 >> 8, p2 & 0xFF, p2Star >> 8, p2Star & 0xFF));
        }
    }

    private void reset(Bytes request, Answer answer) {
        if (request.length() != 2) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        } else if (request.u8(1) != 0x01) {
            answer.refuse(Known.SUB_FUNCTION_NOT_SUPPORTED);
        } else {
            answer.positive(Bytes.of(0x01));
            time.after(pace.work(ANSWER.multipliedBy(3), deviation), this::restart);
        }
    }

    /** Silent until booted. */
    private void restart() {
        enter(DEFAULT_SESSION);
        booting = true;
        time.after(pace.work(BOOT, deviation), () -> booting = false);
    }

    private void clear(Bytes request, Answer answer) {
        if (request.length() != 4) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        } else if (!request.from(1).allAre(0xFF)) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        } else {
            answer.after(Duration.ofMillis(25), state.faults::clear, Bytes.of(0x54));
        }
    }

    private void readFaults(Bytes request, Answer answer) {
        if (request.length() != 3) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        } else if (request.u8(1) != 0x02) {
            answer.refuse(Known.SUB_FUNCTION_NOT_SUPPORTED);
        } else {
            vehicle.refreshFaults(this);
            answer.positive(Bytes.of(0x02, FaultMemory.PRESENT).plus(state.faults.report(request.u8(2))));
        }
    }

    private void read(Bytes request, Answer answer) {
        if (request.length() != 3) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
            return;
        }
        int did = request.u16(1);
        Optional<Bytes> value = state.identification(did).or(() -> vehicle.liveValue(this, did));
        if (value.isEmpty() && !state.bootOnly()) value = state.layout(did).map(l -> state.coding(did));
        if (value.isPresent()) answer.positive(request.from(1).plus(value.get()));
        else answer.refuse(Known.REQUEST_OUT_OF_RANGE);
    }

    private void securityAccess(Bytes request, Answer answer) {
        int level = state.module.session().securityLevel();
        if (session == DEFAULT_SESSION) {
            answer.refuse(Known.SERVICE_NOT_SUPPORTED_IN_SESSION);
        } else if (request.length() == 2 && request.u8(1) == level) {
            seed = unlocked ? Bytes.filled(4, 0) : newSeed();
            answer.positive(Bytes.of(level).plus(seed));
        } else if (request.length() == 6 && request.u8(1) == level + 1) {
            tryKey(request.from(2), answer);
        } else {
            answer.refuse(Known.SUB_FUNCTION_NOT_SUPPORTED);
        }
    }

    private Bytes newSeed() {
        int value = seeds.nextInt() | 1; // never all zero: that means unlocked
        return Bytes.of(value >>> 24, value >>> 16 & 0xFF, value >>> 8 & 0xFF, value & 0xFF);
    }

    private void tryKey(Bytes key, Answer answer) {
        boolean asked = !seed.isEmpty() && !seed.allAre(0);
        Bytes expected = asked ? SimulatedKey.of(seed, state.module.session().securityMask()) : Bytes.EMPTY;
        seed = Bytes.EMPTY;
        if (!asked) {
            answer.refuse(Known.REQUEST_SEQUENCE_ERROR);
        } else if (wrongKeys >= MOST_ATTEMPTS) {
            answer.refuse(Known.EXCEEDED_ATTEMPTS);
        } else if (key.equals(expected)) {
            unlocked = true;
            wrongKeys = 0;
            answer.positive(Bytes.of(state.module.session().securityLevel() + 1));
        } else {
            wrongKeys++;
            answer.refuse(Known.INVALID_KEY);
        }
    }

    private void write(Bytes request, Answer answer) {
        if (request.length() < 4) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        } else if (session == DEFAULT_SESSION) {
            answer.refuse(Known.SERVICE_NOT_SUPPORTED_IN_SESSION);
        } else if (!unlocked) {
            answer.refuse(Known.SECURITY_ACCESS_DENIED);
        } else if (vehicle.supply().volts() < LEAST_VOLTS) {
            answer.refuse(Known.VOLTAGE_TOO_LOW);
        } else if (request.u16(1) == state.module.did(PackModule.Ident.VIN)) {
            writeVin(request, answer);
        } else {
            writeCoding(request, answer);
        }
    }

    private void writeVin(Bytes request, Answer answer) {
        boolean bound = !state.module.traits().vinRewritable() && !state.vinBlank();
        if (request.length() != 20) answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        else if (bound) answer.refuse(Known.CONDITIONS_NOT_CORRECT);
        else
            answer.after(
                    Duration.ofMillis(35),
                    () -> state.vin(request.from(3)),
                    Bytes.of(0x6E).plus(request.slice(1, 2)));
    }

    private void writeCoding(Bytes request, Answer answer) {
        int did = request.u16(1);
        Optional<Layout> layout = state.layout(did);
        if (layout.isEmpty()) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        } else if (state.bootOnly()) {
            answer.refuse(Known.CONDITIONS_NOT_CORRECT);
        } else if (request.length() != 3 + layout.get().length()) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        } else if (!layout.get().check().holds(request.from(3))) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        } else {
            answer.after(
                    Duration.ofMillis(40),
                    () -> state.coding(did, request.from(3)),
                    Bytes.of(0x6E).plus(request.slice(1, 2)));
        }
    }

    /** The flash memory when it may be written now; otherwise refuses. */
    private Optional<FlashMemory> flashFor(Answer answer) {
        if (state.flash.isEmpty()) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        } else if (session != state.module.session().programming()) {
            answer.refuse(Known.SERVICE_NOT_SUPPORTED_IN_SESSION);
        } else if (!unlocked) {
            answer.refuse(Known.SECURITY_ACCESS_DENIED);
        } else if (vehicle.supply().volts() < LEAST_VOLTS) {
            answer.refuse(Known.VOLTAGE_TOO_LOW);
        } else {
            return state.flash;
        }
        return Optional.empty();
    }

    private void routine(Bytes request, Answer answer) {
        if (request.length() < 4) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        } else if (request.u8(1) != 0x01) {
            answer.refuse(Known.SUB_FUNCTION_NOT_SUPPORTED);
        } else if (request.u16(2) == 0xFF00 && request.length() == 12) {
            flashFor(answer).ifPresent(flash -> erase(flash, request, answer));
        } else if (request.u16(2) == 0xFF01 && request.length() == 8) {
            flashFor(answer).ifPresent(flash -> check(flash, request, answer));
        } else {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        }
    }

    private void erase(FlashMemory flash, Bytes request, Answer answer) {
        Duration work = state.module.flash().orElseThrow().erase();
        vehicle.supply().programming(true);
        answer.after(
                work,
                () -> flash.erase(request.u32(4), request.u32(8))
                        ? Bytes.of(0x71, 0x01, 0xFF, 0x00, 0x00)
                        : Bytes.of(0x7F, 0x31, Known.REQUEST_OUT_OF_RANGE.number()));
    }

    private void check(FlashMemory flash, Bytes request, Answer answer) {
        Duration work = state.module.flash().orElseThrow().verify();
        answer.after(work, () -> {
            boolean was = flash.valid();
            int result = flash.check(request.u32(4), state.hardware());
            if (result == 0 && !was) state.programmed();
            return Bytes.of(0x71, 0x01, 0xFF, 0x01, result);
        });
    }

    private void requestDownload(Bytes request, Answer answer) {
        if (request.length() != 11 || request.u8(2) != 0x44) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
            return;
        }
        flashFor(answer).ifPresent(flash -> {
            if (request.u8(1) != 0 || !flash.accepts(request.u32(3), request.u32(7))) {
                answer.refuse(Known.UPLOAD_DOWNLOAD_NOT_ACCEPTED);
                return;
            }
            download = new Download();
            vehicle.supply().programming(true);
            int most = state.module.flash().orElseThrow().blockBytes();
            answer.positive(Bytes.of(0x20, most >> 8, most & 0xFF));
        });
    }

    private void transfer(Bytes request, Answer answer) {
        if (download == null) {
            answer.refuse(Known.REQUEST_SEQUENCE_ERROR);
            return;
        }
        flashFor(answer).ifPresent(flash -> {
            PackModule.Flash pack = state.module.flash().orElseThrow();
            if (request.length() < 3 || request.length() > pack.blockBytes()) {
                answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
            } else if (!download.first && request.u8(1) == (download.counter - 1 & 0xFF)) {
                answer.positive(Bytes.of(request.u8(1))); // repeated after a lost answer: not written again
            } else if (request.u8(1) != download.counter) {
                answer.refuse(Known.WRONG_BLOCK_SEQUENCE_COUNTER);
            } else {
                accept(flash, request, pack, answer);
            }
        });
    }

    private void accept(FlashMemory flash, Bytes request, PackModule.Flash pack, Answer answer) {
        if (!flash.write(request.from(2))) {
            answer.refuse(Known.TRANSFER_DATA_SUSPENDED);
            return;
        }
        download.first = false;
        download.counter = download.counter + 1 & 0xFF;
        vehicle.blockWritten(this);
        answer.after(pack.block(), () -> {}, Bytes.of(0x76, request.u8(1)));
    }

    private void exit(Answer answer) {
        if (download == null) {
            answer.refuse(Known.REQUEST_SEQUENCE_ERROR);
            return;
        }
        download = null;
        answer.positive(Bytes.EMPTY);
    }

    private void testerPresent(Bytes request, Answer answer) {
        if (request.length() != 2) answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        else if ((request.u8(1) & 0x7F) != 0) answer.refuse(Known.SUB_FUNCTION_NOT_SUPPORTED);
        else if ((request.u8(1) & 0x80) == 0) answer.positive(Bytes.of(0));
    }
}

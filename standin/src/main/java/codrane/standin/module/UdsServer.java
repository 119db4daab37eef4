package codrane.standin.module;

import static java.util.Objects.requireNonNull;

import codrane.core.fault.FaultCode;
import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult.Decoded;
import codrane.core.pack.PackModule;
import codrane.core.pack.VehicleCondition;
import codrane.core.uds.ResponseCode.Known;
import codrane.core.uds.Service;
import codrane.core.uds.UdsRequest;
import codrane.core.uds.UdsResponse;
import codrane.link.time.Scheduler;
import codrane.link.time.Watchdog;
import java.time.Duration;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/**
 * One module's diagnostics: checks each request in the standard's order, then hands it to its group of services.
 * Source: unchecked (ISO 14229-1, server response behaviour). Lives on the vehicle's scheduler.
 */
public final class UdsServer {
    private static final Duration SESSION_TIMEOUT = Duration.ofSeconds(5);
    private static final Duration BOOT = Duration.ofMillis(1200);

    private final ModuleState state;
    private final Surroundings around;
    private final Scheduler time;
    private final Pace pace;
    private final double deviation;
    private final DiagnosticSession session;
    private final LiveValues live;
    private final List<ServiceGroup> groups;
    private final Map<Service, ServiceGroup> byService = new EnumMap<>(Service.class);
    private final Watchdog sessionTimeout;
    private final Disturbance disturbance = new Disturbance();
    private boolean booting;

    public UdsServer(ModuleState state, Surroundings around, Scheduler time, Pace pace) {
        this.state = state;
        this.around = around;
        this.time = time;
        this.pace = pace;
        deviation = pace.deviation();
        sessionTimeout = new Watchdog(time);
        session = new DiagnosticSession(state, around, time);
        live = new LiveValues(state.module, around, time);
        groups = List.of(
                new SessionServices(session, around, before(state.module), this::restart),
                new SecurityServices(state.module, session, around),
                new DataServices(state, around, live),
                new MemoryServices(state, session, around),
                new FaultServices(state, around),
                new RoutineServices(state, session, around),
                new ObdServices(state, around));
        for (ServiceGroup group : groups) group.rules().keySet().forEach(service -> byService.put(service, group));
    }

    private static List<VehicleCondition> before(PackModule module) {
        return module.flash().map(flash -> flash.before().needs()).orElse(List.of());
    }

    public PackModule module() {
        return state.module;
    }

    public ModuleState state() {
        return state;
    }

    /** @param percent by which everything that it measures is too high from now on */
    public void wear(double percent) {
        live.wear(percent);
    }

    public Disturbance disturbance() {
        return disturbance;
    }

    /** Whether the module was asked not to send its normal messages. */
    public boolean asksForQuiet() {
        return session.communicationDisabled();
    }

    /** @param respond takes each response message; none when the request is answered by silence */
    public void handle(Bytes message, boolean functional, Consumer<Bytes> respond) {
        if (booting || unreachable() || message.isEmpty()) return;
        keepSession();
        int sid = message.u8(0);
        Answer answer = new Answer(message, functional, state.module.session(), time, new OwnWork(), keeping(respond));
        Optional<Service> service = Service.of(sid).filter(byService::containsKey);
        if (service.isEmpty()) {
            answer.refuse(Known.SERVICE_NOT_SUPPORTED); // whatever the gateway thinks of it
            return;
        }
        switch (around.passage(state.module, sid)) {
            case REFUSED -> answer.refuse(Known.AUTHENTICATION_REQUIRED);
            case CLAIMED -> answer.positive(new UdsResponse.Unreadable(Bytes.of(sid | Service.POSITIVE)));
            case PASSES -> serve(service.get(), message, answer);
        }
    }

    private Consumer<Bytes> keeping(Consumer<Bytes> respond) {
        return message -> {
            keepSession();
            respond.accept(message);
        };
    }

    private void serve(Service service, Bytes message, Answer answer) {
        ServiceGroup group = requireNonNull(byService.get(service));
        Optional<Known> refusal = refusal(requireNonNull(group.rules().get(service)), message);
        if (refusal.isPresent()) answer.refuse(refusal.get());
        else if (UdsRequest.decode(message) instanceof Decoded<UdsRequest>(UdsRequest request))
            group.serve(request, answer);
        else answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
    }

    private Optional<Known> refusal(Rule rule, Bytes message) {
        boolean here = switch (rule.where()) {
            case EVERYWHERE -> true;
            case NOT_IN_DEFAULT -> !session.isDefault();
            case PROGRAMMING -> session.isProgramming();
        };
        if (!here) return Optional.of(Known.SERVICE_NOT_SUPPORTED_IN_SESSION);
        if (rule.unlocked() && !session.unlocked()) return Optional.of(Known.SECURITY_ACCESS_DENIED);
        if (message.length() < rule.leastOctets()) return Optional.of(Known.INCORRECT_MESSAGE_LENGTH);
        if (rule.subFunctions().isEmpty()) return Optional.empty();
        boolean known = rule.subFunctions().contains(message.u8(1) & ~Service.SUPPRESS);
        return known ? Optional.empty() : Optional.of(Known.SUB_FUNCTION_NOT_SUPPORTED);
    }

    private void keepSession() {
        if (!session.isDefault()) sessionTimeout.expectWithin(SESSION_TIMEOUT, this::endSession);
    }

    private void endSession() {
        session.enterDefault();
        live.releaseAll();
    }

    /** Silent until booted. */
    private void restart() {
        powerLost();
        booting = true;
        time.after(pace.work(BOOT, deviation), () -> {
            booting = false;
            wake();
        });
        around.restarted(state.module.traits().turnsKey());
    }

    /** One that lost its VIN asks the neighbour that tells it. */
    public void wake() {
        if (!state.vinBlank() || unreachable()) return;
        state.module.traits().learnsVinFrom().ifPresent(neighbour -> state.vin(around.vinOf(neighbour)));
    }

    /** Everything that is not kept is forgotten. */
    public void powerLost() {
        sessionTimeout.rest();
        endSession();
    }

    /** Whether nothing reaches it: dead, gone, or off the bus. */
    public boolean unreachable() {
        return state.health() == Part.Health.BURNT || state.health() == Part.Health.ABSENT || disturbance.silent();
    }

    /** The module takes this vehicle's secret. */
    public void pair() {
        state.pair();
    }

    /** Checksum and next free address of the flash memory, when there is one. */
    public Map<String, Object> lookAtFlash() {
        Map<String, Object> look = new LinkedHashMap<>();
        state.flash.ifPresent(flash -> {
            look.put("flashCrc", "%08X".formatted(flash.crc()));
            look.put("flashNext", flash.next());
        });
        return look;
    }

    /** Status by fault, as it is now. */
    public Map<String, Object> lookAtFaults() {
        state.faults.refresh(around.canArise(state.module), around.arising(state.module), around.volts());
        Map<String, Object> look = new LinkedHashMap<>();
        state.faults.all().forEach((number, status) -> look.put(new FaultCode(number).text(), status));
        return look;
    }

    private final class OwnWork implements Answer.Work {
        @Override
        public Duration takes(Duration nominal) {
            return pace.work(nominal, deviation);
        }

        @Override
        public int needlessPending() {
            return disturbance.takePending();
        }

        @Override
        public Bytes last(Bytes message) {
            return disturbance.takeWrong() ? wrong(message) : message;
        }

        /** The same service with other data, as from a module that mixes things up. */
        private Bytes wrong(Bytes message) {
            Bytes head = message.slice(0, message.length() - 1);
            return head.plus(Bytes.of(message.u8(message.length() - 1) ^ 0x3C));
        }
    }
}

package codrane.standin.module;

import codrane.core.octets.Bytes;
import codrane.core.octets.WireWriter;
import codrane.core.pack.Adaptation;
import codrane.core.pack.LiveValue;
import codrane.core.pack.PackModule.Ident;
import codrane.core.uds.ResponseCode.Known;
import codrane.core.uds.Service;
import codrane.core.uds.UdsRequest;
import codrane.core.uds.UdsRequest.InputOutputControlByIdentifier;
import codrane.core.uds.UdsRequest.Piece;
import codrane.core.uds.UdsRequest.WriteDataByIdentifier;
import codrane.core.uds.UdsResponse;
import java.time.Duration;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * ReadDataByIdentifier, ReadScalingDataByIdentifier, DynamicallyDefineDataIdentifier, WriteDataByIdentifier,
 * InputOutputControlByIdentifier.
 */
final class DataServices implements ServiceGroup {
    private static final Duration WRITING = Duration.ofMillis(40);
    private static final double LEAST_VOLTS = 11.0;
    private static final int MOST_IDENTIFIERS = 16;
    private static final int FIRST_DYNAMIC = 0xF200;
    private static final int LAST_DYNAMIC = 0xF3FF;
    private static final int MOST_DYNAMIC_OCTETS = 255;

    private final ModuleState state;
    private final Surroundings around;
    private final LiveValues live;
    private final Map<Integer, List<Piece>> defined = new HashMap<>();

    DataServices(ModuleState state, Surroundings around, LiveValues live) {
        this.state = state;
        this.around = around;
        this.live = live;
    }

    @Override
    public Map<Service, Rule> rules() {
        return Map.of(
                Service.READ_DATA_BY_IDENTIFIER, Rule.of(3),
                Service.READ_SCALING_DATA_BY_IDENTIFIER, Rule.of(3),
                Service.DYNAMICALLY_DEFINE_DATA_IDENTIFIER, Rule.withSubFunctions(2, 1, 3),
                Service.WRITE_DATA_BY_IDENTIFIER, Rule.of(4).inSession().whenUnlocked(),
                Service.INPUT_OUTPUT_CONTROL_BY_IDENTIFIER, Rule.of(4).inSession());
    }

    @Override
    public void serve(UdsRequest request, Answer answer) {
        switch (request) {
            case UdsRequest.ReadDataByIdentifier(List<Integer> identifiers) -> read(identifiers, answer);
            case UdsRequest.ReadScalingDataByIdentifier(int identifier) -> scaling(identifier, answer);
            case UdsRequest.DefineByIdentifier define -> define(define, answer);
            case UdsRequest.ClearDynamicallyDefinedDataIdentifier(Optional<Integer> identifier) ->
                undefine(identifier, answer);
            case UdsRequest.WriteDataByIdentifier write -> write(write, answer);
            case UdsRequest.InputOutputControlByIdentifier control -> control(control, answer);
            default -> throw new IllegalStateException("not served here: " + request);
        }
    }

    private Optional<Bytes> value(int did) {
        Optional<Bytes> value = state.identification(did).or(() -> live.read(did));
        if (value.isPresent() || state.bootOnly()) return value;
        return state.layout(did)
                .map(layout -> state.coding(did))
                .or(() -> state.adaptation(did))
                .or(() ->
                        state.orderHeld().filter(o -> o.dataIdentifier() == did).map(o -> state.order()))
                .or(() -> immobiliserState(did))
                .or(() -> dynamic(did));
    }

    private Optional<Bytes> immobiliserState(int did) {
        Immobiliser immobiliser = around.immobiliser();
        boolean here = immobiliser.concerns(state.module.id())
                && immobiliser.pack().orElseThrow().state() == did;
        return here ? Optional.of(immobiliser.report(state, around.now())) : Optional.empty();
    }

    /** Those that the module does not have are left out; with none at all the request is refused. */
    private void read(List<Integer> identifiers, Answer answer) {
        if (identifiers.size() > MOST_IDENTIFIERS) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
            return;
        }
        WireWriter all = new WireWriter();
        for (int identifier : identifiers)
            value(identifier).ifPresent(value -> all.u16(identifier).bytes(value));
        Bytes found = all.written();
        if (found.isEmpty()) answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        else if (found.length() > 4094) answer.refuse(Known.RESPONSE_TOO_LONG);
        else answer.positive(UdsResponse.ReadDataByIdentifier.several(found));
    }

    /** Unsigned number of so many octets, then a formula y = C0 * x + C1 with both constants. */
    private void scaling(int identifier, Answer answer) {
        scaling(identifier)
                .map(s -> Bytes.join(Bytes.of(s.octets(), 0x95, 0x00), constant(s.factor()), constant(s.offset())))
                .ifPresentOrElse(
                        octets -> answer.positive(new UdsResponse.ReadScalingDataByIdentifier(identifier, octets)),
                        () -> answer.refuse(Known.REQUEST_OUT_OF_RANGE));
    }

    private Optional<LiveValue.Scaling> scaling(int did) {
        return live.find(did)
                .map(LiveValue::scaling)
                .or(() -> state.module.adaptations().stream()
                        .filter(a -> a.identifier() == did)
                        .findFirst()
                        .map(Adaptation::scaling));
    }

    /** Four bits exponent of ten and twelve bits mantissa, both in two's complement. */
    static Bytes constant(double value) {
        int exponent = 0;
        double mantissa = value;
        while (exponent > -8 && Math.abs(mantissa - Math.rint(mantissa)) > 1e-9 && Math.abs(mantissa * 10) < 2048) {
            mantissa *= 10;
            exponent--;
        }
        while (exponent < 7 && Math.abs(mantissa) >= 2048) {
            mantissa /= 10;
            exponent++;
        }
        int rounded = (int) Math.rint(mantissa) & 0xFFF;
        return Bytes.of((exponent & 0xF) << 4 | rounded >> 8, rounded & 0xFF);
    }

    private void define(UdsRequest.DefineByIdentifier define, Answer answer) {
        boolean good = define.identifier() >= FIRST_DYNAMIC
                && define.identifier() <= LAST_DYNAMIC
                && define.pieces().stream().allMatch(this::exists);
        if (!good) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        } else {
            defined.put(define.identifier(), define.pieces());
            answer.positive(new UdsResponse.DynamicallyDefineDataIdentifier(1, Optional.of(define.identifier())));
        }
    }

    private void undefine(Optional<Integer> identifier, Answer answer) {
        if (identifier.isPresent() && defined.remove(identifier.get()) == null) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        } else {
            if (identifier.isEmpty()) defined.clear();
            answer.positive(new UdsResponse.DynamicallyDefineDataIdentifier(3, identifier));
        }
    }

    private boolean exists(Piece piece) {
        boolean chained = piece.source() >= FIRST_DYNAMIC && piece.source() <= LAST_DYNAMIC;
        if (chained || piece.position() < 1 || piece.length() < 1) return false;
        return value(piece.source())
                .filter(v -> piece.position() - 1 + piece.length() <= v.length())
                .isPresent();
    }

    private Optional<Bytes> dynamic(int did) {
        List<Piece> dynamic = defined.get(did);
        if (dynamic == null) return Optional.empty();
        Bytes all = Bytes.EMPTY;
        for (Piece piece : dynamic) {
            Optional<Bytes> source = value(piece.source());
            if (source.isEmpty() || all.length() + piece.length() > MOST_DYNAMIC_OCTETS) return Optional.empty();
            all = all.plus(source.get().slice(piece.position() - 1, piece.length()));
        }
        return Optional.of(all);
    }

    private void write(WriteDataByIdentifier write, Answer answer) {
        int did = write.identifier();
        if (around.volts() < LEAST_VOLTS) answer.refuse(Known.VOLTAGE_TOO_LOW);
        else if (state.health() == Part.Health.HALF_DEAD) answer.refuse(Known.GENERAL_PROGRAMMING_FAILURE);
        else if (did == state.module.did(Ident.VIN)) writeVin(write, answer);
        else if (state.layout(did).isPresent()) writeCoding(write, answer);
        else if (state.adaptation(did).isPresent())
            accept(write, answer, state.adaptation(did).get().length(), () -> state.adaptation(did, write.data()));
        else if (state.orderHeld().filter(o -> o.dataIdentifier() == did).isPresent()) writeOrder(write, answer);
        else answer.refuse(Known.REQUEST_OUT_OF_RANGE);
    }

    private void writeVin(WriteDataByIdentifier write, Answer answer) {
        boolean bound = !state.module.traits().vinRewritable() && !state.vinBlank();
        if (bound) answer.refuse(Known.CONDITIONS_NOT_CORRECT);
        else accept(write, answer, 17, () -> state.vin(write.data()));
    }

    private void writeCoding(WriteDataByIdentifier write, Answer answer) {
        Bytes block = write.data();
        var layout = state.layout(write.identifier()).orElseThrow();
        if (state.bootOnly()) answer.refuse(Known.CONDITIONS_NOT_CORRECT);
        else if (block.length() == layout.length() && !layout.check().holds(block))
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        else accept(write, answer, layout.length(), () -> state.coding(write.identifier(), block));
    }

    private void writeOrder(WriteDataByIdentifier write, Answer answer) {
        var order = state.orderHeld().orElseThrow();
        boolean known = Arrays.stream(write.data().text().strip().split(" +"))
                .allMatch(code -> code.isEmpty() || order.titles().containsKey(code));
        if (!known) answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        else accept(write, answer, order.octets(), () -> state.order(write.data()));
    }

    private static void accept(WriteDataByIdentifier write, Answer answer, int octets, Runnable effect) {
        if (write.data().length() != octets) answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        else answer.after(WRITING, effect, new UdsResponse.WriteDataByIdentifier(write.identifier()));
    }

    /** Returning control and short-term adjustment of values that can be adjusted. */
    private void control(InputOutputControlByIdentifier control, Answer answer) {
        int did = control.identifier();
        Optional<LiveValue> value = live.find(did).filter(LiveValue::controllable);
        if (value.isEmpty()) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
            return;
        }
        switch (control.control()) {
            case InputOutputControlByIdentifier.RETURN_CONTROL_TO_ECU -> {
                live.release(did);
                answer.positive(controlled(control, Bytes.EMPTY));
            }
            case InputOutputControlByIdentifier.SHORT_TERM_ADJUSTMENT -> {
                if (control.state().length() != value.get().scaling().octets())
                    answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
                else {
                    live.adjust(did, control.state());
                    answer.positive(controlled(control, control.state()));
                }
            }
            default -> answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        }
    }

    private static UdsResponse controlled(InputOutputControlByIdentifier control, Bytes state) {
        return new UdsResponse.InputOutputControlByIdentifier(control.identifier(), control.control(), state);
    }
}

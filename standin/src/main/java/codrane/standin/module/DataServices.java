package codrane.standin.module;

import codrane.core.octets.Bytes;
import codrane.core.pack.Adaptation;
import codrane.core.pack.LiveValue;
import codrane.core.pack.PackModule.Ident;
import codrane.core.uds.ResponseCode.Known;
import codrane.core.uds.Service;
import java.time.Duration;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

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
    private final Map<Integer, Dynamic> defined = new HashMap<>();

    /** @param position of the first octet, from 1 */
    private record Piece(int source, int position, int length) {}

    private record Dynamic(List<Piece> pieces) {}

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
    public void serve(Service service, UdsRequest request, Answer answer) {
        switch (service) {
            case READ_DATA_BY_IDENTIFIER -> read(request, answer);
            case READ_SCALING_DATA_BY_IDENTIFIER -> scaling(request, answer);
            case DYNAMICALLY_DEFINE_DATA_IDENTIFIER -> define(request, answer);
            case WRITE_DATA_BY_IDENTIFIER -> write(request, answer);
            default -> control(request, answer);
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
    private void read(UdsRequest request, Answer answer) {
        if (request.length() % 2 == 0 || request.length() > 1 + 2 * MOST_IDENTIFIERS) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
            return;
        }
        Bytes all = Bytes.EMPTY;
        for (int at = 1; at < request.length(); at += 2) {
            Optional<Bytes> value = value(request.u16(at));
            if (value.isPresent())
                all = all.plus(request.message().slice(at, 2)).plus(value.get());
        }
        if (all.isEmpty()) answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        else if (all.length() > 4094) answer.refuse(Known.RESPONSE_TOO_LONG);
        else answer.positive(all);
    }

    /** Unsigned number of so many octets, then a formula y = C0 * x + C1 with both constants. */
    private void scaling(UdsRequest request, Answer answer) {
        Optional<LiveValue.Scaling> scaling = scaling(request.u16(1));
        if (request.length() != 3) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        } else if (scaling.isEmpty()) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        } else {
            LiveValue.Scaling s = scaling.get();
            answer.positive(request.from(1)
                    .plus(Bytes.of(s.octets(), 0x95, 0x00))
                    .plus(constant(s.factor()))
                    .plus(constant(s.offset())));
        }
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

    private void define(UdsRequest request, Answer answer) {
        if (request.subFunction() == 3) {
            undefine(request, answer);
            return;
        }
        int pieces = (request.length() - 4) / 4;
        if (pieces < 1 || request.length() != 4 + 4 * pieces) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
            return;
        }
        int did = request.u16(2);
        Dynamic dynamic = new Dynamic(IntStream.range(0, pieces)
                .map(i -> 4 + 4 * i)
                .mapToObj(at -> new Piece(request.u16(at), request.u8(at + 2), request.u8(at + 3)))
                .toList());
        boolean good = did >= FIRST_DYNAMIC
                && did <= LAST_DYNAMIC
                && dynamic.pieces().stream().allMatch(this::exists);
        if (!good) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        } else {
            defined.put(did, dynamic);
            answer.positive(Bytes.of(1).plus(request.message().slice(2, 2)));
        }
    }

    private void undefine(UdsRequest request, Answer answer) {
        if (request.length() != 2 && request.length() != 4) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        } else if (request.length() == 4 && defined.remove(request.u16(2)) == null) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        } else {
            if (request.length() == 2) defined.clear();
            answer.positive(Bytes.of(3).plus(request.from(2)));
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
        Dynamic dynamic = defined.get(did);
        if (dynamic == null) return Optional.empty();
        Bytes all = Bytes.EMPTY;
        for (Piece piece : dynamic.pieces()) {
            Optional<Bytes> source = value(piece.source());
            if (source.isEmpty() || all.length() + piece.length() > MOST_DYNAMIC_OCTETS) return Optional.empty();
            all = all.plus(source.get().slice(piece.position() - 1, piece.length()));
        }
        return Optional.of(all);
    }

    private void write(UdsRequest request, Answer answer) {
        int did = request.u16(1);
        Bytes data = request.from(3);
        if (around.volts() < LEAST_VOLTS) answer.refuse(Known.VOLTAGE_TOO_LOW);
        else if (state.health() == Part.Health.HALF_DEAD) answer.refuse(Known.GENERAL_PROGRAMMING_FAILURE);
        else if (did == state.module.did(Ident.VIN)) writeVin(request, answer);
        else if (state.layout(did).isPresent()) writeCoding(request, answer);
        else if (state.adaptation(did).isPresent())
            accept(request, answer, state.adaptation(did).get().length(), () -> state.adaptation(did, data));
        else if (state.orderHeld().filter(o -> o.dataIdentifier() == did).isPresent()) writeOrder(request, answer);
        else answer.refuse(Known.REQUEST_OUT_OF_RANGE);
    }

    private void writeVin(UdsRequest request, Answer answer) {
        boolean bound = !state.module.traits().vinRewritable() && !state.vinBlank();
        if (bound) answer.refuse(Known.CONDITIONS_NOT_CORRECT);
        else accept(request, answer, 17, () -> state.vin(request.from(3)));
    }

    private void writeCoding(UdsRequest request, Answer answer) {
        int did = request.u16(1);
        Bytes block = request.from(3);
        var layout = state.layout(did).orElseThrow();
        if (state.bootOnly()) answer.refuse(Known.CONDITIONS_NOT_CORRECT);
        else if (block.length() == layout.length() && !layout.check().holds(block))
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        else accept(request, answer, layout.length(), () -> state.coding(did, block));
    }

    private void writeOrder(UdsRequest request, Answer answer) {
        var order = state.orderHeld().orElseThrow();
        String text = request.from(3).text();
        boolean known = Arrays.stream(text.strip().split(" +"))
                .allMatch(code -> code.isEmpty() || order.titles().containsKey(code));
        if (!known) answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        else accept(request, answer, order.octets(), () -> state.order(request.from(3)));
    }

    private static void accept(UdsRequest request, Answer answer, int octets, Runnable effect) {
        if (request.length() != 3 + octets) answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        else answer.after(WRITING, effect, request.message().slice(1, 2));
    }

    /** Returning control and short-term adjustment of values that can be adjusted. */
    private void control(UdsRequest request, Answer answer) {
        int did = request.u16(1);
        Optional<LiveValue> value = live.find(did).filter(LiveValue::controllable);
        if (value.isEmpty()) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
            return;
        }
        int octets = value.get().scaling().octets();
        switch (request.u8(3)) {
            case 0x00 -> {
                live.release(did);
                answer.positive(request.message().slice(1, 3));
            }
            case 0x03 -> {
                if (request.length() != 4 + octets) answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
                else {
                    live.adjust(did, request.from(4));
                    answer.positive(request.from(1));
                }
            }
            default -> answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        }
    }
}

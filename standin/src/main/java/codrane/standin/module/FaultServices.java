package codrane.standin.module;

import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.uds.Requests;
import codrane.core.uds.ResponseCode.Known;
import codrane.core.uds.Service;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;

/** ClearDiagnosticInformation, ReadDTCInformation, ControlDTCSetting. */
final class FaultServices implements ServiceGroup {
    private static final Duration CLEARING = Duration.ofMillis(25);
    private static final int FORMAT_ISO_14229 = 0x01;
    private static final int ALL_RECORDS = 0xFF;
    /** Data identifier in snapshots: supply voltage, tenths of a volt. */
    private static final Bytes VOLTS = Bytes.of(0xD1, 0x12);

    private final ModuleState state;
    private final Surroundings around;

    FaultServices(ModuleState state, Surroundings around) {
        this.state = state;
        this.around = around;
    }

    @Override
    public Map<Service, Rule> rules() {
        return Map.of(
                Service.CLEAR_DIAGNOSTIC_INFORMATION, Rule.of(4),
                Service.READ_DTC_INFORMATION, Rule.withSubFunctions(2, 0x01, 0x02, 0x03, 0x04, 0x06, 0x0A),
                Service.CONTROL_DTC_SETTING, Rule.withSubFunctions(2, 1, 2).inSession());
    }

    @Override
    public void serve(Service service, UdsRequest request, Answer answer) {
        switch (service) {
            case CLEAR_DIAGNOSTIC_INFORMATION -> clear(request, answer);
            case READ_DTC_INFORMATION -> read(request, answer);
            default -> setting(request, answer);
        }
    }

    private void clear(UdsRequest request, Answer answer) {
        int group = request.u8(1) << 16 | request.u16(2);
        if (request.length() != 4) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        } else if (group == Requests.ALL_GROUPS) {
            answer.after(CLEARING, state.faults::clear, Bytes.EMPTY);
        } else if (known(group)) { // stored or not: there is nothing to refuse in a fault that is not there
            answer.after(CLEARING, () -> state.faults.clear(group), Bytes.EMPTY);
        } else {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        }
    }

    private void read(UdsRequest request, Answer answer) {
        int report = request.subFunction();
        int octets = switch (report) {
            case 0x01, 0x02 -> 3;
            case 0x04, 0x06 -> 6;
            default -> 2;
        };
        if (request.length() != octets) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
            return;
        }
        state.faults.refresh(around.canArise(state.module), around.arising(state.module), around.volts());
        Bytes head = Bytes.of(report, FaultMemory.PRESENT);
        switch (report) {
            case 0x01 -> {
                int count = state.faults.count(request.u8(2));
                answer.positive(head.plus(Bytes.of(FORMAT_ISO_14229, count >> 8, count & 0xFF)));
            }
            case 0x02 -> answer.positive(head.plus(state.faults.report(request.u8(2))));
            case 0x03 -> answer.positive(Bytes.of(report).plus(state.faults.snapshots()));
            case 0x0A -> answer.positive(head.plus(supported()));
            default -> record(request, answer);
        }
    }

    /** Every fault that the pack names for the module, with its status now. */
    private Bytes supported() {
        Bytes all = Bytes.EMPTY;
        for (Pack.FaultText fault : around.pack().faults()) {
            if (fault.module().equals(state.module.id()))
                all = all.plus(state.faults.octets(fault.code().number()));
        }
        return all;
    }

    private void record(UdsRequest request, Answer answer) {
        int number = request.u8(2) << 16 | request.u16(3);
        boolean asked = request.u8(5) == FaultMemory.RECORD || request.u8(5) == ALL_RECORDS;
        if (!known(number) || !asked) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
            return;
        }
        Bytes content = Bytes.of(request.subFunction()).plus(state.faults.octets(number));
        if (!state.faults.has(number)) answer.positive(content);
        else answer.positive(content.plus(request.subFunction() == 0x04 ? snapshot(number) : extended(number)));
    }

    private boolean known(int number) {
        Optional<Pack.FaultText> named = around.pack().faults().stream()
                .filter(f -> f.module().equals(state.module.id()) && f.code().number() == number)
                .findFirst();
        return named.isPresent() || state.faults.has(number);
    }

    private Bytes snapshot(int number) {
        return Bytes.of(FaultMemory.RECORD, 1).plus(VOLTS).plus(Bytes.of(state.faults.decivolts(number)));
    }

    private Bytes extended(int number) {
        return Bytes.of(FaultMemory.RECORD, state.faults.times(number));
    }

    private void setting(UdsRequest request, Answer answer) {
        state.faults.setting(request.subFunction() == 1);
        answer.positive(Bytes.of(request.subFunction()));
    }
}

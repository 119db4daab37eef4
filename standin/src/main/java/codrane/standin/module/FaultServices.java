package codrane.standin.module;

import codrane.core.octets.Bytes;
import codrane.core.octets.WireWriter;
import codrane.core.pack.Pack;
import codrane.core.uds.ResponseCode.Known;
import codrane.core.uds.Service;
import codrane.core.uds.UdsRequest;
import codrane.core.uds.UdsResponse;
import codrane.core.uds.UdsResponse.DtcAndStatus;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** ClearDiagnosticInformation, ReadDTCInformation, ControlDTCSetting. */
final class FaultServices implements ServiceGroup {
    private static final Duration CLEARING = Duration.ofMillis(25);
    private static final int ALL_RECORDS = 0xFF;
    /** Data identifier in snapshots: supply voltage, tenths of a volt. */
    private static final int VOLTS = 0xD112;

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
    public void serve(UdsRequest request, Answer answer) {
        state.faults.refresh(around.canArise(state.module), around.arising(state.module), around.volts());
        switch (request) {
            case UdsRequest.ClearDiagnosticInformation(int group) -> clear(group, answer);
            case UdsRequest.ControlDtcSetting(int type, Bytes option) -> {
                state.faults.setting(type == UdsRequest.ControlDtcSetting.ON);
                answer.positive(new UdsResponse.ControlDtcSetting(type));
            }
            case UdsRequest.ReportNumberOfDtcByStatusMask(int mask) ->
                answer.positive(new UdsResponse.ReportNumberOfDtcByStatusMask(
                        FaultMemory.PRESENT,
                        UdsResponse.ReportNumberOfDtcByStatusMask.FORMAT_ISO_14229,
                        state.faults.count(mask)));
            case UdsRequest.ReportDtcByStatusMask(int mask) ->
                answer.positive(new UdsResponse.ReportDtcByStatusMask(FaultMemory.PRESENT, state.faults.report(mask)));
            case UdsRequest.ReportDtcSnapshotIdentification all ->
                answer.positive(new UdsResponse.ReportDtcSnapshotIdentification(state.faults.snapshots()));
            case UdsRequest.ReportSupportedDtc all ->
                answer.positive(new UdsResponse.ReportSupportedDtc(FaultMemory.PRESENT, supported()));
            case UdsRequest.ReportDtcSnapshotRecordByDtcNumber(int dtc, int record) -> snapshot(dtc, record, answer);
            case UdsRequest.ReportDtcExtDataRecordByDtcNumber(int dtc, int record) -> extended(dtc, record, answer);
            default -> throw new IllegalStateException("not served here: " + request);
        }
    }

    private void clear(int group, Answer answer) {
        if (group == UdsRequest.ClearDiagnosticInformation.ALL_GROUPS) {
            answer.after(CLEARING, state.faults::clear, new UdsResponse.ClearDiagnosticInformation());
        } else if (known(group)) { // stored or not: there is nothing to refuse in a fault that is not there
            answer.after(CLEARING, () -> state.faults.clear(group), new UdsResponse.ClearDiagnosticInformation());
        } else {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        }
    }

    /** Every fault that the pack names for the module, with its status now. */
    private List<DtcAndStatus> supported() {
        return around.pack().faults().stream()
                .filter(fault -> fault.module().equals(state.module.id()))
                .map(fault -> state.faults.of(fault.code().number()))
                .toList();
    }

    private void snapshot(int dtc, int record, Answer answer) {
        if (!asked(dtc, record)) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
            return;
        }
        Bytes content = state.faults.has(dtc)
                ? new WireWriter()
                        .u8(FaultMemory.RECORD)
                        .u8(1)
                        .u16(VOLTS)
                        .u8(state.faults.decivolts(dtc))
                        .written()
                : Bytes.EMPTY;
        answer.positive(new UdsResponse.ReportDtcSnapshotRecordByDtcNumber(state.faults.of(dtc), content));
    }

    private void extended(int dtc, int record, Answer answer) {
        if (!asked(dtc, record)) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
            return;
        }
        Bytes content = state.faults.has(dtc) ? Bytes.of(FaultMemory.RECORD, state.faults.times(dtc)) : Bytes.EMPTY;
        answer.positive(new UdsResponse.ReportDtcExtDataRecordByDtcNumber(state.faults.of(dtc), content));
    }

    private boolean asked(int dtc, int record) {
        return known(dtc) && (record == FaultMemory.RECORD || record == ALL_RECORDS);
    }

    private boolean known(int number) {
        Optional<Pack.FaultText> named = around.pack().faults().stream()
                .filter(f -> f.module().equals(state.module.id()) && f.code().number() == number)
                .findFirst();
        return named.isPresent() || state.faults.has(number);
    }
}

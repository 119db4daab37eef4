package codrane.standin.module;

import codrane.core.octets.Bytes;
import codrane.core.octets.Checksums;
import codrane.core.pack.Equipment.Sensor;
import codrane.core.pack.Obd;
import codrane.core.uds.ResponseCode.Known;
import codrane.core.uds.Service;
import codrane.core.uds.UdsRequest;
import codrane.core.uds.UdsResponse;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Legislated diagnostics of a module that takes part in them: 01 03 04 07 09 0A. Source: unchecked (ISO 15031-5, as
 * carried on CAN by ISO 15765-4).
 */
final class ObdServices implements ServiceGroup {
    private static final int NAME_OCTETS = 16;
    private static final int SUPPORTED = 0x00;
    private static final int MONITOR_STATUS = 0x01;
    private static final int ENGINE_SPEED = 0x0C;
    private static final int RUN_TIME = 0x1F;
    private static final int VOLTAGE = 0x42;
    private static final int VIN = 0x02;
    private static final int CALIBRATIONS = 0x04;
    private static final int VERIFICATION = 0x06;
    private static final int PENDING = 0x01;
    private static final int MOST_ASKED = 6;
    private static final int IDLE_TIMES_FOUR = 4 * 780;

    private final ModuleState state;
    private final Surroundings around;

    ObdServices(ModuleState state, Surroundings around) {
        this.state = state;
        this.around = around;
    }

    @Override
    public Map<Service, Rule> rules() {
        if (state.module.obd().isEmpty()) return Map.of();
        return Map.of(
                Service.OBD_CURRENT_DATA, Rule.of(2),
                Service.OBD_STORED_FAULTS, Rule.of(1),
                Service.OBD_CLEAR, Rule.of(1),
                Service.OBD_PENDING_FAULTS, Rule.of(1),
                Service.OBD_VEHICLE_INFORMATION, Rule.of(2),
                Service.OBD_PERMANENT_FAULTS, Rule.of(1));
    }

    @Override
    public void serve(UdsRequest request, Answer answer) {
        switch (request) {
            case UdsRequest.ObdCurrentData(List<Integer> identifiers) -> some(currentData(), identifiers, answer);
            case UdsRequest.ObdVehicleInformation(int type) -> information(type, answer);
            case UdsRequest.ObdStoredFaults ask ->
                answer.positive(new UdsResponse.ObdStoredFaults(faults(FaultMemory.STORED)));
            case UdsRequest.ObdPendingFaults ask -> answer.positive(new UdsResponse.ObdPendingFaults(faults(PENDING)));
            case UdsRequest.ObdPermanentFaults ask -> // none is ever kept for good
                answer.positive(new UdsResponse.ObdPermanentFaults(List.of()));
            default -> answer.after(Duration.ofMillis(25), state.faults::clear, new UdsResponse.ObdClear());
        }
    }

    private Map<Integer, Bytes> currentData() {
        refresh();
        int faults = Math.min(127, list(FaultMemory.STORED).size());
        boolean running = around.position(Sensor.KEY) == 2;
        int speed = running ? IDLE_TIMES_FOUR : 0;
        int millivolts = (int) Math.round(around.volts() * 1000);
        Map<Integer, Bytes> values = new LinkedHashMap<>();
        values.put(MONITOR_STATUS, Bytes.of((faults > 0 ? 0x80 : 0) | faults, 0x07, 0x00, 0x00));
        values.put(ENGINE_SPEED, Bytes.of(speed >> 8, speed & 0xFF));
        values.put(RUN_TIME, Bytes.of(0, 0));
        values.put(VOLTAGE, Bytes.of(millivolts >> 8, millivolts & 0xFF));
        return values;
    }

    /** Those of the asked ones that there are; to none of them it is silent, as the law's standard wants. */
    private static void some(Map<Integer, Bytes> values, List<Integer> asked, Answer answer) {
        Bytes all = Bytes.EMPTY;
        for (int id : asked) {
            if (id % 0x20 == 0) all = all.plus(Bytes.of(id)).plus(supported(values, id));
            else if (values.containsKey(id)) all = all.plus(Bytes.of(id)).plus(values.get(id));
        }
        if (asked.size() > MOST_ASKED) answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        else if (!all.isEmpty()) answer.positive(new UdsResponse.ObdCurrentData(all));
    }

    /** A bit for each of the 32 identifiers behind this one, the last saying whether more follow. */
    private static Bytes supported(Map<Integer, Bytes> values, int from) {
        long bits = 0;
        for (int id : values.keySet()) {
            if (id > from && id <= from + 0x20) bits |= 1L << (from + 0x20 - id);
        }
        boolean more = values.keySet().stream().anyMatch(id -> id > from + 0x20);
        return FlashMemory.u32(more ? bits | 1 : bits);
    }

    private void information(int type, Answer answer) {
        Obd obd = state.module.obd().orElseThrow();
        Map<Integer, Bytes> values = new LinkedHashMap<>();
        values.put(VIN, Bytes.of(1).plus(state.vin()));
        values.put(CALIBRATIONS, Bytes.of(obd.calibrations().size()).plus(names(obd)));
        values.put(VERIFICATION, Bytes.of(obd.calibrations().size()).plus(numbers(obd)));
        Optional<Bytes> items =
                type == SUPPORTED ? Optional.of(supported(values, 0)) : Optional.ofNullable(values.get(type));
        items.ifPresent(value -> answer.positive(new UdsResponse.ObdVehicleInformation(type, value)));
    }

    private static Bytes names(Obd obd) {
        Bytes all = Bytes.EMPTY;
        for (String name : obd.calibrations()) {
            all = all.plus(Bytes.ascii(name)).plus(Bytes.filled(NAME_OCTETS - name.length(), 0));
        }
        return all;
    }

    /** The first is the module's own number; the others are of parts that are never programmed. */
    private Bytes numbers(Obd obd) {
        Bytes all = state.verificationNumber();
        for (String name : obd.calibrations().subList(1, obd.calibrations().size())) {
            all = all.plus(FlashMemory.u32(Checksums.crc32(Bytes.ascii(name))));
        }
        return all;
    }

    /** Two octets each: the law's faults have no third. */
    private List<Integer> faults(int status) {
        refresh();
        return list(status).stream().map(number -> number >> 8).toList();
    }

    private List<Integer> list(int status) {
        return state.faults.all().entrySet().stream()
                .filter(e -> (e.getValue() & status) != 0)
                .map(Map.Entry::getKey)
                .toList();
    }

    private void refresh() {
        state.faults.refresh(around.canArise(state.module), around.arising(state.module), around.volts());
    }
}

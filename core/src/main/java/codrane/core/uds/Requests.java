package codrane.core.uds;

import codrane.core.octets.Bytes;

/**
 * Request messages under their standard names. Addresses and sizes are sent with four octets each. Source: unchecked
 * (ISO 14229-1).
 */
public final class Requests {
    /** Group that means all faults. */
    public static final int ALL_GROUPS = 0xFFFFFF;

    private static final int FOUR_AND_FOUR = 0x44;

    private Requests() {}

    public static Bytes diagnosticSessionControl(int session) {
        return Bytes.of(0x10, session);
    }

    /** @param type 1 hard, 2 key off and on, 3 soft */
    public static Bytes ecuReset(int type) {
        return Bytes.of(0x11, type);
    }

    /** @param group of faults, 0..0xFFFFFF */
    public static Bytes clearDiagnosticInformation(int group) {
        return Bytes.of(0x14).plus(u24(group));
    }

    /** @param mask status bits of which one must be set, 0..255 */
    public static Bytes reportNumberOfDtcByStatusMask(int mask) {
        return Bytes.of(0x19, 0x01, mask);
    }

    public static Bytes reportDtcByStatusMask(int mask) {
        return Bytes.of(0x19, 0x02, mask);
    }

    public static Bytes reportDtcSnapshotIdentification() {
        return Bytes.of(0x19, 0x03);
    }

    /** @param record number, 0xFF: all */
    public static Bytes reportDtcSnapshotRecordByDtcNumber(int dtc, int record) {
        return Bytes.of(0x19, 0x04).plus(u24(dtc)).plus(Bytes.of(record));
    }

    public static Bytes reportDtcExtDataRecordByDtcNumber(int dtc, int record) {
        return Bytes.of(0x19, 0x06).plus(u24(dtc)).plus(Bytes.of(record));
    }

    public static Bytes reportSupportedDtc() {
        return Bytes.of(0x19, 0x0A);
    }

    /** @param identifiers one or more, each 0..0xFFFF */
    public static Bytes readDataByIdentifier(int... identifiers) {
        Bytes request = Bytes.of(0x22);
        for (int identifier : identifiers) request = request.plus(u16(identifier));
        return request;
    }

    public static Bytes readMemoryByAddress(long address, long size) {
        return Bytes.of(0x23, FOUR_AND_FOUR).plus(u32(address)).plus(u32(size));
    }

    public static Bytes readScalingDataByIdentifier(int identifier) {
        return Bytes.of(0x24).plus(u16(identifier));
    }

    /** @param level odd */
    public static Bytes requestSeed(int level) {
        return Bytes.of(0x27, level);
    }

    /** @param level odd, as for the seed */
    public static Bytes sendKey(int level, Bytes key) {
        return Bytes.of(0x27, level + 1).plus(key);
    }

    /** @param control 0 both enabled, 1 receive only, 2 send only, 3 both disabled; of normal messages */
    public static Bytes communicationControl(int control) {
        return Bytes.of(0x28, control, 0x01);
    }

    public static Bytes deAuthenticate() {
        return Bytes.of(0x29, 0x00);
    }

    public static Bytes verifyCertificateUnidirectional(Bytes certificate) {
        return Bytes.of(0x29, 0x01, 0x00).plus(sized(certificate)).plus(sized(Bytes.EMPTY));
    }

    public static Bytes proofOfOwnership(Bytes proof) {
        return Bytes.of(0x29, 0x03).plus(sized(proof)).plus(sized(Bytes.EMPTY));
    }

    public static Bytes authenticationConfiguration() {
        return Bytes.of(0x29, 0x08);
    }

    /**
     * @param identifier to define, F200..F3FF
     * @param position of the first octet taken, from 1
     */
    public static Bytes defineByIdentifier(int identifier, int source, int position, int length) {
        return Bytes.of(0x2C, 0x01).plus(u16(identifier)).plus(u16(source)).plus(Bytes.of(position, length));
    }

    public static Bytes clearDynamicallyDefinedDataIdentifier(int identifier) {
        return Bytes.of(0x2C, 0x03).plus(u16(identifier));
    }

    public static Bytes writeDataByIdentifier(int identifier, Bytes data) {
        return Bytes.of(0x2E).plus(u16(identifier)).plus(data);
    }

    public static Bytes returnControlToEcu(int identifier) {
        return Bytes.of(0x2F).plus(u16(identifier)).plus(Bytes.of(0x00));
    }

    public static Bytes shortTermAdjustment(int identifier, Bytes state) {
        return Bytes.of(0x2F).plus(u16(identifier)).plus(Bytes.of(0x03)).plus(state);
    }

    public static Bytes startRoutine(int routine, Bytes options) {
        return Bytes.of(0x31, 0x01).plus(u16(routine)).plus(options);
    }

    public static Bytes stopRoutine(int routine) {
        return Bytes.of(0x31, 0x02).plus(u16(routine));
    }

    public static Bytes requestRoutineResults(int routine) {
        return Bytes.of(0x31, 0x03).plus(u16(routine));
    }

    /** Neither compressed nor encrypted. */
    public static Bytes requestDownload(long address, long size) {
        return Bytes.of(0x34, 0x00, FOUR_AND_FOUR).plus(u32(address)).plus(u32(size));
    }

    public static Bytes requestUpload(long address, long size) {
        return Bytes.of(0x35, 0x00, FOUR_AND_FOUR).plus(u32(address)).plus(u32(size));
    }

    /** @param counter block sequence counter, 0..255, begins with 1 and wraps to 0 */
    public static Bytes transferData(int counter, Bytes data) {
        return Bytes.of(0x36, counter).plus(data);
    }

    public static Bytes requestTransferExit() {
        return Bytes.of(0x37);
    }

    public static Bytes writeMemoryByAddress(long address, Bytes data) {
        return Bytes.of(0x3D, FOUR_AND_FOUR)
                .plus(u32(address))
                .plus(u32(data.length()))
                .plus(data);
    }

    public static Bytes testerPresent() {
        return Bytes.of(0x3E, 0x00);
    }

    /** Is not answered when all is well. */
    public static Bytes testerPresentSuppressed() {
        return Bytes.of(0x3E, 0x80);
    }

    /** @param on whether modules store faults */
    public static Bytes controlDtcSetting(boolean on) {
        return Bytes.of(0x85, on ? 0x01 : 0x02);
    }

    /** @param code of a fixed rate: 12 for 500 kbit/s, 11 for 250 kbit/s */
    public static Bytes verifyModeTransitionWithFixedParameter(int code) {
        return Bytes.of(0x87, 0x01, code);
    }

    public static Bytes transitionMode() {
        return Bytes.of(0x87, 0x03);
    }

    private static Bytes sized(Bytes field) {
        return u16(field.length()).plus(field);
    }

    private static Bytes u16(int value) {
        return Bytes.of(value >> 8, value & 0xFF);
    }

    private static Bytes u24(int value) {
        return Bytes.of(value >> 16, value >> 8 & 0xFF, value & 0xFF);
    }

    private static Bytes u32(long value) {
        return Bytes.of((int) (value >> 24 & 0xFF), (int) (value >> 16 & 0xFF), (int) (value >> 8 & 0xFF), (int)
                (value & 0xFF));
    }
}

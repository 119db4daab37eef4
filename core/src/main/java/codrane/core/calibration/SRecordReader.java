package codrane.core.calibration;

import codrane.core.octets.Source;

/** Motorola S-record, S0 to S9. Source: unchecked (the format's published record layout). */
final class SRecordReader {
    private static final int[] ADDRESS_OCTETS = {2, 2, 3, 4, 0, 2, 3, 4, 3, 2};

    private final MemoryImage image;
    private boolean ended;
    private int dataRecords;

    SRecordReader(MemoryImage image) {
        this.image = image;
    }

    void read(Source content) {
        int last = RecordLine.each(content, this::record);
        if (!ended) throw new RecordLine.Fault(last, 1, "the file is cut off: its end record is missing");
    }

    private void record(RecordLine line) {
        if (ended) throw line.fault("a record after the end record");
        if (line.character("S") != 'S') throw line.faultAt(1, "a record starts with S");
        int type = line.character("record type") - '0';
        if (type < 0 || type > 9 || type == 4) throw line.faultAt(2, "record type is not S0 to S3 or S5 to S9");
        int count = line.octet("length");
        int addressOctets = ADDRESS_OCTETS[type];
        if (count < addressOctets + 1) throw line.faultAt(3, "length " + count + " is too small for this record type");
        long address = 0;
        for (int i = 0; i < addressOctets; i++) address = address << 8 | line.octet("address");
        byte[] data = line.octets(count - addressOctets - 1, "data");
        int expected = ~line.sum() & 0xFF;
        int column = line.column();
        int found = line.octet("check byte");
        if (found != expected) {
            throw line.faultAt(column, "check byte is %02X, the record asks for %02X".formatted(found, expected));
        }
        line.expectEnd();
        apply(line, type, address, data);
    }

    private void apply(RecordLine line, int type, long address, byte[] data) {
        if (type >= 1 && type <= 3) {
            dataRecords++;
            if (address + data.length > MemoryImage.LIMIT) throw line.faultAt(5, "data past 4 GiB");
            if (!image.put(address, data)) {
                throw line.faultAt(5, "other data is already at address %08X".formatted(address));
            }
            line.checkScattered(image);
        } else if (type == 5 || type == 6) {
            long mask = type == 5 ? 0xFFFF : 0xFFFFFF;
            if (address != (dataRecords & mask)) {
                throw line.faultAt(5, "the file counts " + address + " data records, there are " + dataRecords);
            }
        } else if (type >= 7) {
            ended = true;
        }
    }
}

package codrane.core.calibration;

import codrane.core.octets.Source;

/** Intel HEX, record types 00 to 05. Source: unchecked (the format's published record layout). */
final class IntelHexReader {
    private final MemoryImage image;
    private long base;
    private boolean ended;

    IntelHexReader(MemoryImage image) {
        this.image = image;
    }

    void read(Source content) {
        int last = RecordLine.each(content, this::record);
        if (!ended) throw new RecordLine.Fault(last, 1, "the file is cut off: its end record is missing");
    }

    private void record(RecordLine line) {
        if (ended) throw line.fault("a record after the end record");
        if (line.character("colon") != ':') throw line.faultAt(1, "a record starts with a colon");
        int length = line.octet("length");
        int high = line.octet("address");
        int address = high << 8 | line.octet("address");
        int type = line.octet("record type");
        if (type > 5) throw line.faultAt(8, "record type %02X is not 00 to 05".formatted(type));
        byte[] data = line.octets(length, "data");
        checkSum(line);
        line.expectEnd();
        apply(line, type, address, data);
    }

    private static void checkSum(RecordLine line) {
        int expected = -line.sum() & 0xFF;
        int column = line.column();
        int found = line.octet("check byte");
        if (found != expected) {
            throw line.faultAt(column, "check byte is %02X, the record asks for %02X".formatted(found, expected));
        }
    }

    private void apply(RecordLine line, int type, int address, byte[] data) {
        switch (type) {
            case 0 -> store(line, address, data);
            case 1 -> {
                expectLength(line, data, 0);
                ended = true;
            }
            case 2 -> {
                expectLength(line, data, 2);
                base = (long) word(data) << 4;
            }
            case 4 -> {
                expectLength(line, data, 2);
                base = (long) word(data) << 16;
            }
            default -> expectLength(line, data, 4); // start addresses: nothing to store
        }
    }

    private void store(RecordLine line, int address, byte[] data) {
        long start = base + address;
        if (start + data.length > MemoryImage.LIMIT) throw line.faultAt(4, "data past 4 GiB");
        if (!image.put(start, data)) {
            throw line.faultAt(10, "other data is already at address %08X".formatted(start));
        }
        line.checkScattered(image);
    }

    private static void expectLength(RecordLine line, byte[] data, int expected) {
        if (data.length != expected) {
            throw line.faultAt(2, "this record type holds " + expected + " octets, not " + data.length);
        }
    }

    private static int word(byte[] data) {
        return (data[0] & 0xFF) << 8 | data[1] & 0xFF;
    }
}

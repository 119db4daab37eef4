package codrane.standin.module;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.uds.ResponseCode.Known;
import codrane.core.uds.Service;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * ReadMemoryByAddress, WriteMemoryByAddress, RequestDownload, RequestUpload, TransferData, RequestTransferExit. Besides
 * its flash each module has a small memory for notes, which can be written by address.
 */
final class MemoryServices implements ServiceGroup {
    /** The memory for notes. */
    static final long NOTES = 0x00FF0000L;

    private static final int NOTES_OCTETS = 256;
    private static final double LEAST_VOLTS = 11.0;
    private static final int MOST_READ = 1024;
    private static final int LONGEST_NUMBER = 4;
    private static final OptionalInt NO_DATA = OptionalInt.of(0);

    private final ModuleState state;
    private final DiagnosticSession session;
    private final Surroundings around;
    private final byte[] notes = new byte[NOTES_OCTETS];

    /** @param octets that both took, format octet included */
    private record Range(long address, long size, int octets) {}

    MemoryServices(ModuleState state, DiagnosticSession session, Surroundings around) {
        this.state = state;
        this.session = session;
        this.around = around;
    }

    @Override
    public Map<Service, Rule> rules() {
        return Map.of(
                Service.READ_MEMORY_BY_ADDRESS, Rule.of(4).inSession().whenUnlocked(),
                Service.WRITE_MEMORY_BY_ADDRESS, Rule.of(5).inSession().whenUnlocked(),
                Service.REQUEST_DOWNLOAD, Rule.of(5).inProgramming().whenUnlocked(),
                Service.REQUEST_UPLOAD, Rule.of(5).inProgramming().whenUnlocked(),
                Service.TRANSFER_DATA, Rule.of(2).inProgramming(),
                Service.REQUEST_TRANSFER_EXIT, Rule.of(1).inProgramming());
    }

    @Override
    public void serve(Service service, UdsRequest request, Answer answer) {
        switch (service) {
            case READ_MEMORY_BY_ADDRESS -> readMemory(request, answer);
            case WRITE_MEMORY_BY_ADDRESS -> writeMemory(request, answer);
            case REQUEST_DOWNLOAD -> download(request, answer);
            case REQUEST_UPLOAD -> upload(request, answer);
            case TRANSFER_DATA -> transfer(request, answer);
            default -> exit(request, answer);
        }
    }

    /**
     * Address and size, each of one to four octets as the format octet says; otherwise refuses. A format that the module
     * does not have is out of range, before the length that would follow from it is judged. Source: unchecked (ISO
     * 14229-1, addressAndLengthFormatIdentifier).
     *
     * @param at of the format octet
     * @param data octets that follow address and size; empty: as many as the size says
     */
    private static Optional<Range> range(UdsRequest request, int at, OptionalInt data, Answer answer) {
        int sizeOctets = request.u8(at) >> 4;
        int addressOctets = request.u8(at) & 0xF;
        boolean known = sizeOctets >= 1
                && sizeOctets <= LONGEST_NUMBER
                && addressOctets >= 1
                && addressOctets <= LONGEST_NUMBER;
        if (!known) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
            return Optional.empty();
        }
        int head = at + 1 + addressOctets + sizeOctets;
        if (request.length() >= head) {
            long address = number(request, at + 1, addressOctets);
            long size = number(request, at + 1 + addressOctets, sizeOctets);
            if (request.length() == head + (data.isPresent() ? data.getAsInt() : size))
                return Optional.of(new Range(address, size, 1 + addressOctets + sizeOctets));
        }
        answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        return Optional.empty();
    }

    private static long number(UdsRequest request, int at, int octets) {
        long number = 0;
        for (int i = 0; i < octets; i++) number = number << 8 | request.u8(at + i);
        return number;
    }

    private void readMemory(UdsRequest request, Answer answer) {
        Optional<Range> range = range(request, 1, NO_DATA, answer);
        if (range.isEmpty()) return;
        long address = range.get().address();
        long size = range.get().size();
        Optional<Bytes> content = inNotes(address, size)
                ? Optional.of(Bytes.copyOf(notes, (int) (address - NOTES), (int) size))
                : state.flash.filter(f -> size <= MOST_READ).flatMap(f -> f.read(address, size));
        content.ifPresentOrElse(answer::positive, () -> answer.refuse(Known.REQUEST_OUT_OF_RANGE));
    }

    private static boolean inNotes(long address, long size) {
        return address >= NOTES && size >= 1 && address + size <= NOTES + NOTES_OCTETS;
    }

    private void writeMemory(UdsRequest request, Answer answer) {
        Optional<Range> range = range(request, 1, OptionalInt.empty(), answer);
        if (range.isEmpty()) return;
        if (!inNotes(range.get().address(), range.get().size())) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE); // flash is written by transfer only
        } else {
            Bytes data = request.from(1 + range.get().octets());
            data.copyInto(notes, (int) (range.get().address() - NOTES), data.length());
            answer.positive(request.message().slice(1, range.get().octets()));
        }
    }

    /** The flash memory when it may be written now; otherwise refuses. */
    private Optional<FlashMemory> flashFor(Answer answer) {
        if (state.flash.isEmpty()) answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        else if (!session.isProgramming()) answer.refuse(Known.SERVICE_NOT_SUPPORTED_IN_SESSION);
        else if (!session.unlocked()) answer.refuse(Known.SECURITY_ACCESS_DENIED);
        else if (around.volts() < LEAST_VOLTS) answer.refuse(Known.VOLTAGE_TOO_LOW);
        else if (state.health() == Part.Health.HALF_DEAD) answer.refuse(Known.GENERAL_PROGRAMMING_FAILURE);
        else return state.flash;
        return Optional.empty();
    }

    private void download(UdsRequest request, Answer answer) {
        Optional<Range> range = range(request, 2, NO_DATA, answer);
        if (range.isEmpty()) return;
        flashFor(answer).ifPresent(flash -> {
            long start = range.get().address();
            boolean plain = request.u8(1) == 0; // neither packed nor encrypted
            if (!plain || !flash.has(start, range.get().size())) answer.refuse(Known.REQUEST_OUT_OF_RANGE);
            else if (!flash.accepts(start, range.get().size())) answer.refuse(Known.UPLOAD_DOWNLOAD_NOT_ACCEPTED);
            else begin(new Transfer(true, start, start + range.get().size()), answer);
        });
    }

    private void upload(UdsRequest request, Answer answer) {
        Optional<Range> range = range(request, 2, NO_DATA, answer);
        if (range.isEmpty()) return;
        flashFor(answer).ifPresent(flash -> {
            Range r = range.get();
            if (request.u8(1) != 0 || flash.read(r.address(), r.size()).isEmpty())
                answer.refuse(Known.REQUEST_OUT_OF_RANGE);
            else begin(new Transfer(false, r.address(), r.address() + r.size()), answer);
        });
    }

    private void begin(Transfer transfer, Answer answer) {
        session.begin(transfer);
        int most = pack().blockBytes();
        answer.positive(Bytes.of(0x20, most >> 8, most & 0xFF));
    }

    private PackModule.Flash pack() {
        return state.module.flash().orElseThrow();
    }

    private void transfer(UdsRequest request, Answer answer) {
        if (session.transfer().isEmpty()) {
            answer.refuse(Known.REQUEST_SEQUENCE_ERROR);
            return;
        }
        Transfer transfer = session.transfer().get();
        flashFor(answer).ifPresent(flash -> {
            boolean length = transfer.writes()
                    ? request.length() >= 3 && request.length() <= pack().blockBytes()
                    : request.length() == 2;
            int counter = request.u8(1);
            boolean repeats = transfer.writes() && transfer.repeats(counter);
            if (!length) answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
            else if (repeats) answer.positive(Bytes.of(counter)); // after a lost answer: not written again
            else if (transfer.left() == 0) answer.refuse(Known.REQUEST_SEQUENCE_ERROR); // all came already
            else if (!transfer.expects(counter)) answer.refuse(Known.WRONG_BLOCK_SEQUENCE_COUNTER);
            else if (transfer.writes()) write(flash, transfer, request, answer);
            else read(flash, transfer, counter, answer);
        });
    }

    private void write(FlashMemory flash, Transfer transfer, UdsRequest request, Answer answer) {
        Bytes data = request.from(2);
        if (data.length() > transfer.left() || !flash.write(data)) {
            answer.refuse(Known.TRANSFER_DATA_SUSPENDED);
            return;
        }
        transfer.advance(data.length());
        around.blockWritten(state.module);
        answer.after(pack().block(), () -> {}, Bytes.of(request.u8(1)));
    }

    private void read(FlashMemory flash, Transfer transfer, int counter, Answer answer) {
        long length = Math.min(transfer.left(), pack().blockBytes() - 2L);
        Optional<Bytes> data = length < 1 ? Optional.empty() : flash.read(transfer.next(), length);
        if (data.isEmpty()) {
            answer.refuse(Known.REQUEST_SEQUENCE_ERROR);
            return;
        }
        transfer.advance((int) length);
        answer.after(
                Duration.ofNanos(pack().block().toNanos() / 2),
                () -> {},
                Bytes.of(counter).plus(data.get()));
    }

    private void exit(UdsRequest request, Answer answer) {
        if (request.length() != 1) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        } else if (session.transfer().filter(t -> t.left() == 0).isEmpty()) {
            answer.refuse(Known.REQUEST_SEQUENCE_ERROR); // nothing is transferred, or not all of it came
        } else {
            session.endTransfer();
            answer.positive(Bytes.EMPTY);
        }
    }
}

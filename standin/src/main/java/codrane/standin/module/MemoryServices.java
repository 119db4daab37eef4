package codrane.standin.module;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.uds.ResponseCode.Known;
import codrane.core.uds.Service;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;

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
                Service.TRANSFER_DATA, Rule.of(2),
                Service.REQUEST_TRANSFER_EXIT, Rule.of(1));
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

    /** Address and size, each of one to four octets as the format octet says. */
    private static Optional<Range> range(UdsRequest request, int at) {
        int sizeOctets = request.u8(at) >> 4;
        int addressOctets = request.u8(at) & 0xF;
        boolean good = sizeOctets >= 1
                && sizeOctets <= LONGEST_NUMBER
                && addressOctets >= 1
                && addressOctets <= LONGEST_NUMBER
                && request.length() >= at + 1 + sizeOctets + addressOctets;
        if (!good) return Optional.empty();
        long address = number(request, at + 1, addressOctets);
        long size = number(request, at + 1 + addressOctets, sizeOctets);
        return Optional.of(new Range(address, size, 1 + addressOctets + sizeOctets));
    }

    private static long number(UdsRequest request, int at, int octets) {
        long number = 0;
        for (int i = 0; i < octets; i++) number = number << 8 | request.u8(at + i);
        return number;
    }

    private void readMemory(UdsRequest request, Answer answer) {
        Optional<Range> range = range(request, 1);
        if (range.isEmpty() || request.length() != 1 + range.get().octets()) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
            return;
        }
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
        Optional<Range> range = range(request, 1);
        boolean whole = range.isPresent()
                && request.length() == 1L + range.get().octets() + range.get().size();
        if (!whole) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        } else if (!inNotes(range.get().address(), range.get().size())) {
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
        Optional<Range> range = range(request, 2);
        if (range.isEmpty() || request.length() != 2 + range.get().octets()) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
            return;
        }
        flashFor(answer).ifPresent(flash -> {
            long start = range.get().address();
            if (request.u8(1) != 0) answer.refuse(Known.REQUEST_OUT_OF_RANGE); // neither packed nor encrypted
            else if (!flash.accepts(start, range.get().size())) answer.refuse(Known.UPLOAD_DOWNLOAD_NOT_ACCEPTED);
            else begin(new Transfer(true, start, start + range.get().size()), answer);
        });
    }

    private void upload(UdsRequest request, Answer answer) {
        Optional<Range> range = range(request, 2);
        if (range.isEmpty() || request.length() != 2 + range.get().octets()) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
            return;
        }
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
            if (!length) answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
            else if (transfer.writes() && transfer.repeats(counter))
                answer.positive(Bytes.of(counter)); // repeated after a lost answer: not written again
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
        } else if (session.transfer().isEmpty()) {
            answer.refuse(Known.REQUEST_SEQUENCE_ERROR);
        } else {
            session.endTransfer();
            answer.positive(Bytes.EMPTY);
        }
    }
}

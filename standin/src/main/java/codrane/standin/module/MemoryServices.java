package codrane.standin.module;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.uds.MemoryRange;
import codrane.core.uds.ResponseCode.Known;
import codrane.core.uds.Service;
import codrane.core.uds.UdsRequest;
import codrane.core.uds.UdsResponse;
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
    /** Neither compressed nor encrypted. */
    private static final int PLAIN = 0;
    /** Service and counter of a transfer. */
    private static final int HEAD_OCTETS = 2;

    private final ModuleState state;
    private final DiagnosticSession session;
    private final Surroundings around;
    private final byte[] notes = new byte[NOTES_OCTETS];

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
    public void serve(UdsRequest request, Answer answer) {
        switch (request) {
            case UdsRequest.ReadMemoryByAddress(MemoryRange range) -> readMemory(range, answer);
            case UdsRequest.WriteMemoryByAddress(MemoryRange range, Bytes data) -> writeMemory(range, data, answer);
            case UdsRequest.RequestDownload(int format, MemoryRange range) -> download(format, range, answer);
            case UdsRequest.RequestUpload(int format, MemoryRange range) -> upload(format, range, answer);
            case UdsRequest.TransferData(int counter, Bytes data) -> transfer(counter, data, answer);
            default -> exit(answer);
        }
    }

    private void readMemory(MemoryRange range, Answer answer) {
        content(range)
                .ifPresentOrElse(
                        data -> answer.positive(new UdsResponse.ReadMemoryByAddress(data)),
                        () -> answer.refuse(Known.REQUEST_OUT_OF_RANGE));
    }

    private Optional<Bytes> content(MemoryRange range) {
        if (!range.known()) return Optional.empty();
        if (inNotes(range))
            return Optional.of(Bytes.copyOf(notes, (int) (range.address() - NOTES), (int) range.size()));
        return state.flash.filter(f -> range.size() <= MOST_READ).flatMap(f -> f.read(range.address(), range.size()));
    }

    private static boolean inNotes(MemoryRange range) {
        return range.address() >= NOTES && range.size() >= 1 && range.address() + range.size() <= NOTES + NOTES_OCTETS;
    }

    private void writeMemory(MemoryRange range, Bytes data, Answer answer) {
        if (!range.known() || !inNotes(range)) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE); // flash is written by transfer only
        } else {
            data.copyInto(notes, (int) (range.address() - NOTES), data.length());
            answer.positive(new UdsResponse.WriteMemoryByAddress(range));
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

    /** A format that nobody here has is out of range before anything else is judged. */
    private void download(int format, MemoryRange range, Answer answer) {
        if (!range.known()) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
            return;
        }
        flashFor(answer).ifPresent(flash -> {
            long start = range.address();
            if (format != PLAIN || !flash.has(start, range.size())) answer.refuse(Known.REQUEST_OUT_OF_RANGE);
            else if (!flash.accepts(start, range.size())) answer.refuse(Known.UPLOAD_DOWNLOAD_NOT_ACCEPTED);
            else {
                session.begin(new Transfer(true, start, start + range.size()));
                answer.positive(new UdsResponse.RequestDownload(pack().blockBytes()));
            }
        });
    }

    private void upload(int format, MemoryRange range, Answer answer) {
        if (!range.known()) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
            return;
        }
        flashFor(answer).ifPresent(flash -> {
            if (format != PLAIN || flash.read(range.address(), range.size()).isEmpty())
                answer.refuse(Known.REQUEST_OUT_OF_RANGE);
            else {
                session.begin(new Transfer(false, range.address(), range.address() + range.size()));
                answer.positive(new UdsResponse.RequestUpload(pack().blockBytes()));
            }
        });
    }

    private PackModule.Flash pack() {
        return state.module.flash().orElseThrow();
    }

    private void transfer(int counter, Bytes data, Answer answer) {
        if (session.transfer().isEmpty()) {
            answer.refuse(Known.REQUEST_SEQUENCE_ERROR);
            return;
        }
        Transfer transfer = session.transfer().get();
        flashFor(answer).ifPresent(flash -> {
            boolean length = transfer.writes()
                    ? !data.isEmpty() && data.length() <= pack().blockBytes() - HEAD_OCTETS
                    : data.isEmpty();
            boolean repeats = transfer.writes() && transfer.repeats(counter);
            if (!length) answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
            else if (repeats) answer.positive(confirmed(counter)); // after a lost answer: not written again
            else if (transfer.left() == 0) answer.refuse(Known.REQUEST_SEQUENCE_ERROR); // all came already
            else if (!transfer.expects(counter)) answer.refuse(Known.WRONG_BLOCK_SEQUENCE_COUNTER);
            else if (transfer.writes()) write(flash, transfer, counter, data, answer);
            else read(flash, transfer, counter, answer);
        });
    }

    private static UdsResponse confirmed(int counter) {
        return new UdsResponse.TransferData(counter, Bytes.EMPTY);
    }

    private void write(FlashMemory flash, Transfer transfer, int counter, Bytes data, Answer answer) {
        if (data.length() > transfer.left() || !flash.write(data)) {
            answer.refuse(Known.TRANSFER_DATA_SUSPENDED);
            return;
        }
        transfer.advance(data.length());
        around.blockWritten(state.module);
        answer.after(pack().block(), () -> {}, confirmed(counter));
    }

    private void read(FlashMemory flash, Transfer transfer, int counter, Answer answer) {
        long length = Math.min(transfer.left(), pack().blockBytes() - HEAD_OCTETS);
        Optional<Bytes> data = length < 1 ? Optional.empty() : flash.read(transfer.next(), length);
        if (data.isEmpty()) {
            answer.refuse(Known.REQUEST_SEQUENCE_ERROR);
            return;
        }
        transfer.advance((int) length);
        answer.after(
                Duration.ofNanos(pack().block().toNanos() / 2),
                () -> {},
                new UdsResponse.TransferData(counter, data.get()));
    }

    private void exit(Answer answer) {
        if (session.transfer().filter(t -> t.left() == 0).isEmpty()) {
            answer.refuse(Known.REQUEST_SEQUENCE_ERROR); // nothing is transferred, or not all of it came
        } else {
            session.endTransfer();
            answer.positive(new UdsResponse.RequestTransferExit(Bytes.EMPTY));
        }
    }
}

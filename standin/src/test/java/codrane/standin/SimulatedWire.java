package codrane.standin;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackLink.Waits;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.pack.VinLock;
import codrane.core.run.Reply;
import codrane.core.run.RunTask;
import codrane.core.uds.UdsRequest;
import codrane.link.DiagnosticLink;
import codrane.link.scan.VehicleScanner;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;

/** What passes to the vehicle: nothing that the tasks do not say, and what is for good not twice. */
final class SimulatedWire {
    private static final int CLEAR = 0x14;
    private static final int RESET = 0x11;
    private static final int WRITE = 0x2E;
    private static final int ROUTINE = 0x31;
    private static final int DOWNLOAD = 0x34;
    private static final int TRANSFER = 0x36;
    private static final int EXIT = 0x37;
    private static final int START = 1;
    private static final int ERASE = 0xFF00;
    private static final Set<Integer> MERELY_READ = Set.of(0x10, 0x19, 0x22, 0x27, 0x3E);

    private final List<RunTask> tasks;
    /** How often something that can't be taken back was done, by what it is. */
    private final Map<String, Integer> forGood = new HashMap<>();

    /** Modules that were erased, and not asked since how far they are. */
    private final Set<Integer> erased = new HashSet<>();

    private int steps;
    private int lostAt;
    private boolean onTheWayBack;

    SimulatedWire(List<RunTask> tasks) {
        this.tasks = tasks;
    }

    /**
     * Has one request that is no block come to nothing.
     *
     * @param step which from now on, from 1; 0 for none
     * @param back whether it is the answer that is lost: what was asked for is done all the same
     */
    void lose(int step, boolean back) {
        lostAt = step == 0 ? 0 : steps + step;
        onTheWayBack = back;
    }

    /** @param node that sends */
    DiagnosticLink over(DiagnosticLink link, SimulatedRecords.Node node) {
        return new DiagnosticLink() {
            @Override
            public Reply request(int address, Bytes request, Waits waits) {
                planned(address, request);
                node.sends(request, MERELY_READ.contains(request.u8(0)));
                erasing(address, request);
                boolean lost = request.u8(0) != TRANSFER && ++steps == lostAt;
                if (lost && !onTheWayBack) return new Reply.Silent(waits.p2());
                Reply reply = link.request(address, request, waits);
                if (reply instanceof Reply.Positive) count(address, request);
                return lost ? new Reply.Silent(waits.p2()) : reply;
            }

            @Override
            public List<Heard> requestAll(Bytes request, Waits waits) {
                throw new AssertionError("a run speaks to all: " + request.hex());
            }

            @Override
            public void tell(int address, Bytes request) {
                planned(address, request);
                link.tell(address, request);
            }

            @Override
            public boolean lost() {
                return link.lost();
            }

            @Override
            public void close() {
                link.close();
            }
        };
    }

    /** What was erased is never erased again without asking the module. */
    private void erasing(int address, Bytes request) {
        tasks.stream()
                .filter(t -> t instanceof RunTask.Program && t.module().address() == address)
                .findFirst()
                .ifPresent(program -> {
                    int state = program.module().did(Ident.TRANSFER_STATE);
                    if (request.equals(new UdsRequest.ReadDataByIdentifier(state).encode())) erased.remove(address);
                    boolean erase = request.u8(0) == ROUTINE && request.u16(2) == ERASE;
                    if (erase)
                        assertThat(erased.add(address))
                                .as("erased once more, unasked")
                                .isTrue();
                });
    }

    private void planned(int address, Bytes request) {
        int service = request.u8(0);
        boolean in = MERELY_READ.contains(service)
                || tasks.stream()
                        .filter(t -> t.module().address() == address)
                        .anyMatch(t -> belongs(t, service, request));
        assertThat(in).as("in the plan: " + request.hex() + " to " + address).isTrue();
    }

    private static boolean belongs(RunTask task, int service, Bytes request) {
        return switch (task) {
            case RunTask.Program program ->
                Set.of(DOWNLOAD, TRANSFER, EXIT, ROUTINE, RESET).contains(service);
            case RunTask.Write write ->
                request.equals(new UdsRequest.WriteDataByIdentifier(write.dataIdentifier(), write.value()).encode());
            case RunTask.Routine routine ->
                service == ROUTINE && request.u16(2) == routine.procedure().routine();
            case RunTask.Pair pair ->
                service == ROUTINE
                        && request.u16(2) == pair.immobiliser().pairRoutine()
                        && request.u8(4) == pair.member().address();
            case RunTask.LearnKey key ->
                service == ROUTINE && request.u16(2) == key.immobiliser().keyRoutine();
            case RunTask.LearnVin learn ->
                service == RESET || service == ROUTINE && request.u16(2) == learn.forgetRoutine();
            case RunTask.Restart restart -> service == RESET;
            case RunTask.Clear clear -> service == CLEAR;
            case RunTask.KeysElsewhere keys -> false;
            case RunTask.TurnKey turn -> false;
        };
    }

    private void count(int address, Bytes request) {
        for (RunTask task : tasks) {
            if (task.module().address() != address) continue;
            boolean binds = task instanceof RunTask.Write write
                    && write.dataIdentifier() == write.module().did(Ident.VIN)
                    && write.module().traits().vinLock() == VinLock.BOUND
                    && request.u8(0) == WRITE;
            boolean pairs = task instanceof RunTask.Pair
                    && request.u8(0) == ROUTINE
                    && request.u8(1) == START
                    && belongs(task, ROUTINE, request);
            if ((binds || pairs) && belongs(task, request.u8(0), request)) forGood.merge(task.title(), 1, Integer::sum);
        }
    }

    /** @throws AssertionError when something that stays for good was done more than once */
    void nothingForGoodTwice() {
        assertThat(forGood)
                .allSatisfy((what, times) -> assertThat(times).as(what).isEqualTo(1));
    }

    /** The octets of a data identifier as the module gives them now, those of the last write to it. */
    Bytes read(DiagnosticLink link, RunTask.Write write) {
        PackModule module = write.module();
        Bytes request = new UdsRequest.ReadDataByIdentifier(write.dataIdentifier()).encode();
        Reply reply = IntStream.range(0, 3)
                .mapToObj(i -> link.request(module.address(), request, VehicleScanner.waits(module)))
                .filter(Reply.Positive.class::isInstance)
                .findFirst()
                .orElseThrow(() -> new AssertionError(module.title() + " does not answer"));
        return ((Reply.Positive) reply).message().from(3);
    }
}

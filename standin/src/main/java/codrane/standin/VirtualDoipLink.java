package codrane.standin;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackLink.Waits;
import codrane.core.run.Reply;
import codrane.link.DiagnosticLink;
import codrane.link.doip.DoipLink;
import codrane.link.doip.DoipMessage;
import codrane.link.doip.DoipMessage.DiagnosticMessage;
import codrane.link.doip.DoipMessage.DiagnosticMessagePositiveAcknowledge;
import codrane.link.doip.DoipTap;
import codrane.link.time.VirtualTime;
import codrane.link.uds.AwaitedReplies;
import codrane.link.uds.AwaitedReply;
import codrane.standin.doip.DirectBackend;
import codrane.standin.vehicle.SimulatedVehicle;
import java.time.Duration;
import java.util.List;

/** DoIP to a vehicle in the same process and virtual time; each message takes a tenth of a millisecond. */
final class VirtualDoipLink implements DiagnosticLink {
    private static final Duration MARGIN = Duration.ofMillis(20);
    private static final Duration WAY = Duration.ofNanos(100_000);

    private final VirtualTime time;
    private final PackLink.Doip addressing;
    private final DirectBackend backend;
    private final DoipTap tap;

    VirtualDoipLink(SimulatedVehicle vehicle, VirtualTime time, PackLink.Doip addressing, DoipTap tap) {
        this.time = time;
        this.addressing = addressing;
        this.tap = tap;
        backend = new DirectBackend(vehicle, time);
    }

    @Override
    public Reply request(int address, Bytes request, Waits waits) {
        AwaitedReply reply = new AwaitedReply(time, request, waits, MARGIN);
        time.execute(() -> {
            send(
                    addressing.logicalAddress(address),
                    address,
                    request,
                    false,
                    (from, message) -> reply.onMessage(message));
            reply.sent();
        });
        return time.await(reply.future());
    }

    @Override
    public List<Heard> requestAll(Bytes request, Waits waits) {
        AwaitedReplies replies = new AwaitedReplies(time, request, waits, MARGIN);
        time.execute(() -> {
            send(DoipLink.FUNCTIONAL, 0, request, true, replies::onMessage);
            replies.sent();
        });
        return time.await(replies.future());
    }

    @Override
    public void tell(int address, Bytes request) {
        time.execute(() -> send(addressing.logicalAddress(address), address, request, false, (from, message) -> {}));
    }

    private interface Listener {
        void heard(int address, Bytes message);
    }

    private void send(int target, int address, Bytes request, boolean all, Listener listener) {
        seen(true, new DiagnosticMessage(addressing.testerAddress(), target, request));
        if (!all && !backend.knows(address)) return;
        time.after(
                WAY, () -> seen(false, new DiagnosticMessagePositiveAcknowledge(target, addressing.testerAddress())));
        backend.request(
                address,
                request,
                all,
                (from, message) -> time.after(WAY, () -> {
                    seen(
                            false,
                            new DiagnosticMessage(
                                    addressing.logicalAddress(from), addressing.testerAddress(), message));
                    listener.heard(from, message);
                }));
    }

    private void seen(boolean fromTester, DoipMessage message) {
        tap.message(fromTester, message.encode(), time.now());
    }

    @Override
    public boolean lost() {
        return false;
    }

    @Override
    public void close() {
        // nothing is held
    }
}

package codrane.link.run;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult.Decoded;
import codrane.core.pack.PackLink.Waits;
import codrane.core.run.Reply;
import codrane.core.uds.UdsRequest;
import codrane.core.uds.UdsRequest.DiagnosticSessionControl;
import codrane.core.uds.UdsRequest.EcuReset;
import codrane.core.uds.UdsRequest.TesterPresent;
import codrane.link.DiagnosticLink;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.locks.ReentrantLock;

/**
 * A link that knows in which module a session was opened last, and can keep that session from another thread: a module
 * forgets it, with all that was unlocked, when it hears nothing for five seconds (S3, ISO 14229-2; Source: unchecked).
 */
final class SessionKeeper implements DiagnosticLink {
    private static final int DEFAULT_SESSION = 1;
    private static final Duration QUIET = Duration.ofSeconds(2);
    private static final int NOBODY = -1;

    private final DiagnosticLink link;
    private final ReentrantLock wire = new ReentrantLock();
    private int kept = NOBODY;
    private long spokenNanos;

    SessionKeeper(DiagnosticLink link) {
        this.link = link;
    }

    @Override
    public Reply request(int address, Bytes request, Waits waits) {
        wire.lock();
        try {
            Reply reply = link.request(address, request, waits);
            if (reply instanceof Reply.Positive) heard(address, request);
            return reply;
        } finally {
            spokenNanos = System.nanoTime();
            wire.unlock();
        }
    }

    private void heard(int address, Bytes request) {
        switch (UdsRequest.decode(request)) {
            case Decoded<UdsRequest>(EcuReset reset) -> kept = NOBODY;
            case Decoded<UdsRequest>(DiagnosticSessionControl(int session)) ->
                kept = session == DEFAULT_SESSION ? NOBODY : address;
            default -> {} // changes no session
        }
    }

    /** Says that the tester is present when the wire was quiet for two seconds; nothing when a request is under way. */
    void keep() {
        if (!wire.tryLock()) return;
        try {
            if (kept == NOBODY || System.nanoTime() - spokenNanos < QUIET.toNanos()) return;
            link.tell(kept, new TesterPresent().quiet());
            spokenNanos = System.nanoTime();
        } finally {
            wire.unlock();
        }
    }

    /** The session is left to end by itself. */
    void release() {
        wire.lock();
        try {
            kept = NOBODY;
        } finally {
            wire.unlock();
        }
    }

    @Override
    public List<Heard> requestAll(Bytes request, Waits waits) {
        wire.lock();
        try {
            return link.requestAll(request, waits);
        } finally {
            wire.unlock();
        }
    }

    @Override
    public void tell(int address, Bytes request) {
        wire.lock();
        try {
            link.tell(address, request);
        } finally {
            wire.unlock();
        }
    }

    @Override
    public boolean lost() {
        return link.lost();
    }

    @Override
    public void close() {
        link.close();
    }
}

package codrane.link.uds;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackLink.Waits;
import codrane.core.run.Reply;
import codrane.link.DiagnosticLink.Heard;
import codrane.link.time.Scheduler;
import codrane.link.time.Watchdog;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CompletableFuture;

/** The answers to a functional request: all that begin within P2, and those announced as pending. */
public final class AwaitedReplies {
    private final Bytes request;
    private final Waits waits;
    private final Duration margin;
    private final Watchdog timeout;
    private final CompletableFuture<List<Heard>> replies = new CompletableFuture<>();
    private final List<Heard> heard = new ArrayList<>();
    private final Set<Integer> pending = new HashSet<>();

    public AwaitedReplies(Scheduler time, Bytes request, Waits waits, Duration margin) {
        this.request = request;
        this.waits = waits;
        this.margin = margin;
        timeout = new Watchdog(time);
    }

    public CompletableFuture<List<Heard>> future() {
        return replies;
    }

    public void sent() {
        timeout.expectWithin(waits.p2().plus(margin), this::end);
    }

    /** A segmented answer has begun: time to arrive. */
    void incoming(int address) {
        pending.add(address);
        timeout.expectWithin(waits.p2Star().plus(margin), this::end);
    }

    void broken(int address) {
        pending.remove(address);
    }

    public void onMessage(int address, Bytes message) {
        if (replies.isDone()) return;
        switch (Answer.judge(request, message)) {
            case Answer.Final(Reply reply) -> {
                pending.remove(address);
                heard.add(new Heard(address, reply));
                if (pending.isEmpty()) sent();
            }
            case Answer.Pending() -> incoming(address);
            case Answer.Foreign() -> pending.remove(address);
        }
    }

    void lost(RuntimeException cause) {
        timeout.rest();
        replies.completeExceptionally(cause);
    }

    void end() {
        timeout.rest();
        replies.complete(List.copyOf(heard));
    }
}

package codrane.link.uds;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackLink.Waits;
import codrane.core.run.Reply;
import codrane.link.time.Scheduler;
import codrane.link.time.Watchdog;
import java.time.Duration;
import java.util.concurrent.CompletableFuture;

/** The answer to one request: P2, response pending and P2*. Lives on the scheduler of its bus. */
public final class AwaitedReply {
    /** A module that is pending for longer than this is taken for silent. */
    private static final Duration LONGEST_PENDING = Duration.ofMinutes(5);

    private final Scheduler time;
    private final Bytes request;
    private final Waits waits;
    private final Duration margin;
    private final CompletableFuture<Reply> reply = new CompletableFuture<>();
    private final Watchdog timer;
    private long sentAt;
    /** A segmented message is on its way, and watched by its own timeouts. */
    private boolean arriving;

    private Duration span = Duration.ZERO;

    /** @param margin added to the module's times for the way there and back */
    public AwaitedReply(Scheduler time, Bytes request, Waits waits, Duration margin) {
        this.time = time;
        this.request = request;
        this.waits = waits;
        this.margin = margin;
        timer = new Watchdog(time);
    }

    public CompletableFuture<Reply> future() {
        return reply;
    }

    /** Time is counted from here until the request is sent: it may never be. */
    public void begun() {
        sentAt = time.now();
    }

    public void sent() {
        begun();
        expectWithin(waits.p2());
    }

    /** The answer has begun to arrive: its own timeouts apply from here. */
    void incoming() {
        arriving = true;
        timer.rest();
    }

    void giveUp() {
        timer.rest();
        reply.complete(new Reply.Silent(Duration.ofNanos(Math.max(0, time.now() - sentAt))));
    }

    void lost(RuntimeException cause) {
        timer.rest();
        reply.completeExceptionally(cause);
    }

    public void onMessage(Bytes message) {
        if (reply.isDone()) return;
        switch (Answer.judge(request, message)) {
            case Answer.Final(Reply answer) -> {
                timer.rest();
                reply.complete(answer);
            }
            case Answer.Pending() -> {
                boolean tooLong = time.now() - sentAt > LONGEST_PENDING.toNanos();
                if (tooLong) giveUp();
                else expectWithin(waits.p2Star());
            }
            case Answer.Foreign() -> {
                boolean asked = !span.isZero(); // else the request is still on its way, and nothing can be late
                if (arriving && asked) expectWithin(span); // the awaited answer may still come, or never
            }
        }
    }

    private void expectWithin(Duration within) {
        span = within;
        arriving = false;
        if (!reply.isDone()) timer.expectWithin(within.plus(margin), this::giveUp);
    }
}

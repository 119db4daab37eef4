package codrane.standin.doip;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.uds.Service;
import codrane.link.isotp.IsoTpEndpoint;
import codrane.link.isotp.IsoTpEndpoint.Outcome;
import codrane.link.time.Scheduler;
import codrane.link.time.Watchdog;
import codrane.link.uds.Answer;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import java.util.function.BiConsumer;

/**
 * An edge node's conversation with one module. On the bus there is one pair of identifiers for all testers: a request
 * waits until the one before it is answered, or no answer can come any more, so that each tester hears its own.
 */
final class EdgeConversation {
    /** For the way and for a module that is late: longer than a tester waits beyond the module's own times. */
    static final Duration MARGIN = Duration.ofMillis(500);

    /** For a refusal of a request whose positive answer is suppressed. */
    private static final Duration QUIET_MARGIN = Duration.ofMillis(20);

    /** Without an answer. */
    private static final Bytes TESTER_PRESENT = Bytes.of(Service.TESTER_PRESENT.sid(), Service.SUPPRESS);

    private final PackModule module;
    private final IsoTpEndpoint endpoint;
    private final Runnable idle;
    private final Watchdog timeout;
    private final Deque<Asked> waiting = new ArrayDeque<>();
    private Optional<Asked> current = Optional.empty();

    /** A request, and who asked. */
    record Asked(Bytes request, BiConsumer<Integer, Bytes> respond) {
        /** Tester present without an answer is refused by nobody: nothing waits for it. */
        boolean expectsNothing() {
            return request.equals(TESTER_PRESENT);
        }
    }

    /** @param idle told when nothing is asked any more */
    EdgeConversation(Scheduler time, PackModule module, IsoTpEndpoint endpoint, Runnable idle) {
        this.module = module;
        this.endpoint = endpoint;
        this.idle = idle;
        timeout = new Watchdog(time);
        endpoint.onIncoming(timeout::rest);
        endpoint.onBroken(outcome -> end());
    }

    void ask(Asked asked) {
        waiting.add(asked);
    }

    boolean busy() {
        return current.isPresent();
    }

    /** Sends the next request, when none is under way. */
    void next() {
        if (busy() || waiting.isEmpty()) return;
        Asked asked = waiting.remove();
        current = Optional.of(asked);
        endpoint.send(asked.request(), outcome -> sent(asked, outcome));
    }

    private void sent(Asked asked, Outcome outcome) {
        if (!current.equals(Optional.of(asked))) return; // answered already
        if (outcome != Outcome.DONE || asked.expectsNothing()) end();
        else timeout.expectWithin(patience(asked), this::end);
    }

    private Duration patience(Asked asked) {
        return module.session().p2().plus(Service.suppressed(asked.request()) ? QUIET_MARGIN : MARGIN);
    }

    /** An answer to a request that nobody waits for any more belongs to nobody. */
    void answered(Bytes message) {
        if (current.isEmpty()) return;
        Asked asked = current.get();
        switch (Answer.judge(asked.request(), message)) {
            case Answer.Foreign() -> {}
            case Answer.Pending() -> {
                timeout.expectWithin(module.session().p2Star().plus(MARGIN), this::end);
                asked.respond().accept(module.address(), message);
            }
            case Answer.Final(var reply) -> {
                asked.respond().accept(module.address(), message);
                end();
            }
        }
    }

    private void end() {
        timeout.rest();
        current = Optional.empty();
        idle.run();
    }
}

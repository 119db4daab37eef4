package codrane.standin.module;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.uds.ResponseCode;
import codrane.core.uds.ResponseCode.Known;
import codrane.core.uds.Service;
import codrane.core.uds.UdsResponse;
import codrane.core.uds.UdsResponse.NegativeResponse;
import codrane.link.time.Scheduler;
import java.time.Duration;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;

/**
 * Sends the answer after its processing time, with response-pending messages while it takes long, and leaves out what
 * must not be sent: positive answers that are suppressed, and refusals of functional requests that only say that the
 * module does not know what was asked. After a pending message the final answer is always sent.
 */
final class Answer {
    private static final Duration ORDINARY = Duration.ofMillis(3);
    private static final Set<Known> SILENT_WHEN_FUNCTIONAL = Set.of(
            Known.SERVICE_NOT_SUPPORTED,
            Known.SUB_FUNCTION_NOT_SUPPORTED,
            Known.REQUEST_OUT_OF_RANGE,
            Known.SUB_FUNCTION_NOT_SUPPORTED_IN_SESSION,
            Known.SERVICE_NOT_SUPPORTED_IN_SESSION);

    private final Bytes request;
    private final boolean functional;
    private final PackModule.Session session;
    private final Scheduler time;
    private final Work work;
    private final Consumer<Bytes> respond;
    private boolean pendingSent;

    /** The module's own speed, and what disturbs it. */
    interface Work {
        Duration takes(Duration nominal);

        /** Pending messages that it sends for no reason before answering. */
        int needlessPending();

        /** The answer as it is sent. */
        Bytes last(Bytes message);
    }

    /**
     * @param request as it came, at least one octet
     * @param functional sent to all modules
     */
    Answer(
            Bytes request,
            boolean functional,
            PackModule.Session session,
            Scheduler time,
            Work work,
            Consumer<Bytes> respond) {
        this.request = request;
        this.functional = functional;
        this.session = session;
        this.time = time;
        this.work = work;
        this.respond = respond;
    }

    void positive(UdsResponse response) {
        send(ORDINARY, () -> response);
    }

    void refuse(Known code) {
        send(ORDINARY, () -> negative(code));
    }

    /** @param effect runs when the work is done, just before the answer */
    void after(Duration nominal, Runnable effect, UdsResponse response) {
        send(nominal, () -> {
            effect.run();
            return response;
        });
    }

    /** @param outcome does the work and says what became of it, positive or negative */
    void after(Duration nominal, Supplier<UdsResponse> outcome) {
        send(nominal, outcome);
    }

    /** Does something a while after answering. */
    void then(Duration nominal, Runnable action) {
        time.after(work.takes(nominal), action);
    }

    UdsResponse negative(Known code) {
        return new NegativeResponse(request.u8(0), code.code());
    }

    private void send(Duration nominal, Supplier<UdsResponse> response) {
        Duration takes = work.takes(nominal);
        Duration first = session.p2().multipliedBy(4).dividedBy(5);
        int needless = work.needlessPending();
        for (int i = 0; i < needless; i++) pending(Duration.ofMillis(5L * i));
        if (takes.compareTo(first) > 0) pendingEvery(takes, first);
        time.after(takes.plusMillis(5L * needless), () -> finish(response.get()));
    }

    private void pendingEvery(Duration left, Duration in) {
        if (left.compareTo(in) <= 0) return;
        pending(in);
        time.after(
                in,
                () -> pendingEvery(
                        left.minus(in), session.p2Star().multipliedBy(7).dividedBy(10)));
    }

    private void pending(Duration in) {
        time.after(in, () -> {
            pendingSent = true;
            respond.accept(negative(Known.RESPONSE_PENDING).encode());
        });
    }

    private void finish(UdsResponse response) {
        if (pendingSent || !quiet(response)) respond.accept(work.last(response.encode()));
    }

    private boolean quiet(UdsResponse response) {
        if (!(response instanceof NegativeResponse(int service, ResponseCode code))) return Service.suppressed(request);
        return functional
                && code.known().filter(SILENT_WHEN_FUNCTIONAL::contains).isPresent();
    }
}

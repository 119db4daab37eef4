package codrane.link.doip;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackLink.Waits;
import codrane.core.run.Reply;
import codrane.link.DiagnosticLink;
import codrane.link.LinkLostException;
import codrane.link.doip.DoipMessage.DiagnosticMessage;
import codrane.link.doip.DoipMessage.DiagnosticMessageNegativeAcknowledge;
import codrane.link.doip.DoipMessage.RoutingActivationRequest;
import codrane.link.doip.DoipMessage.RoutingActivationResponse;
import codrane.link.uds.Answer;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Diagnostics over DoIP: one TCP connection with activated routing. */
public final class DoipLink implements DiagnosticLink {
    /** Functional group of all modules in this project's vehicles. */
    public static final int FUNCTIONAL = 0xE400;

    private static final Duration ACTIVATION_WAIT = Duration.ofSeconds(2);
    private static final Duration MARGIN = Duration.ofMillis(400);
    private static final Duration LONGEST_PENDING = Duration.ofMinutes(5);
    private static final int MOST_ADDRESSES = 256;

    private final PackLink.Doip addressing;
    private final DoipConnection connection;

    private DoipLink(DoipConnection connection, PackLink.Doip addressing) {
        this.connection = connection;
        this.addressing = addressing;
    }

    public static DoipLink open(String host, int port, PackLink.Doip addressing) {
        return open(host, port, addressing, DoipTap.NONE);
    }

    /** @throws LinkLostException when nobody listens there, or routing is not activated */
    public static DoipLink open(String host, int port, PackLink.Doip addressing, DoipTap tap) {
        DoipConnection connection = DoipConnection.open(host, port, addressing.testerAddress(), tap);
        DoipLink link = new DoipLink(connection, addressing);
        try {
            link.activate(0);
        } catch (LinkLostException e) {
            connection.close();
            throw e;
        }
        return link;
    }

    private void activate(int type) {
        long end = System.nanoTime() + ACTIVATION_WAIT.toNanos();
        try (DoipConnection.Exchange exchange =
                connection.begin(new RoutingActivationRequest(addressing.testerAddress(), type))) {
            while (true) {
                DoipMessage message = exchange.next(end)
                        .orElseThrow(() -> new LinkLostException("The vehicle did not answer the routing activation."));
                if (!(message instanceof RoutingActivationResponse response)) continue;
                if (response.code() == RoutingActivationResponse.ACTIVATED) return;
                throw new LinkLostException(
                        "The vehicle refused the routing activation with code %02X.".formatted(response.code()));
            }
        }
    }

    @Override
    public Reply request(int address, Bytes request, Waits waits) {
        int target = addressing.logicalAddress(address);
        try (DoipConnection.Exchange exchange = begin(target, request)) {
            return answer(exchange, target, request, waits);
        }
    }

    private DoipConnection.Exchange begin(int target, Bytes request) {
        return connection.begin(new DiagnosticMessage(addressing.testerAddress(), target, request));
    }

    private static Reply answer(DoipConnection.Exchange exchange, int target, Bytes request, Waits waits) {
        long start = System.nanoTime();
        long end = start + waits.p2().plus(MARGIN).toNanos();
        while (true) {
            Optional<DoipMessage> message = exchange.next(end);
            if (message.isEmpty() || message.get() instanceof DiagnosticMessageNegativeAcknowledge) {
                return new Reply.Silent(Duration.ofNanos(System.nanoTime() - start));
            }
            boolean theirs = message.get() instanceof DiagnosticMessage d && d.source() == target;
            if (!theirs) continue; // acknowledgements, and late answers of other modules
            Answer answer = Answer.judge(request, ((DiagnosticMessage) message.get()).userData());
            if (answer instanceof Answer.Final(Reply reply)) return reply;
            boolean tooLong = System.nanoTime() - start > LONGEST_PENDING.toNanos();
            if (answer instanceof Answer.Pending && !tooLong)
                end = System.nanoTime() + waits.p2Star().plus(MARGIN).toNanos();
        }
    }

    @Override
    public List<Heard> requestAll(Bytes request, Waits waits) {
        try (DoipConnection.Exchange exchange = begin(FUNCTIONAL, request)) {
            return answers(exchange, request, waits);
        }
    }

    private List<Heard> answers(DoipConnection.Exchange exchange, Bytes request, Waits waits) {
        List<Heard> heard = new ArrayList<>();
        Set<Integer> pending = new HashSet<>();
        long end = System.nanoTime() + waits.p2().plus(MARGIN).toNanos();
        for (Optional<DoipMessage> next = exchange.next(end); next.isPresent(); next = exchange.next(end)) {
            if (!(next.get() instanceof DiagnosticMessage answer)) continue;
            int address = answer.source() - addressing.logicalBase();
            if (address < 0 || address >= MOST_ADDRESSES) continue;
            switch (Answer.judge(request, answer.userData())) {
                case Answer.Final(Reply reply) -> {
                    heard.add(new Heard(address, reply));
                    pending.remove(address);
                    if (pending.isEmpty())
                        end = System.nanoTime() + waits.p2().plus(MARGIN).toNanos();
                }
                case Answer.Pending() -> {
                    pending.add(address);
                    end = System.nanoTime() + waits.p2Star().plus(MARGIN).toNanos();
                }
                case Answer.Foreign() -> {}
            }
        }
        return heard;
    }

    @Override
    public void tell(int address, Bytes request) {
        connection.send(new DiagnosticMessage(addressing.testerAddress(), addressing.logicalAddress(address), request));
    }

    @Override
    public boolean lost() {
        return connection.lost();
    }

    @Override
    public void close() {
        connection.close();
    }
}

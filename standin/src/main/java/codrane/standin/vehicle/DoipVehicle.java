package codrane.standin.vehicle;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackLink;
import codrane.link.LoopbackServer;
import codrane.link.doip.DoipMessage;
import codrane.link.doip.DoipMessage.Diagnostic;
import codrane.link.doip.DoipMessage.DiagnosticAck;
import codrane.link.doip.DoipMessage.DiagnosticNegative;
import codrane.link.doip.DoipMessage.HeaderNegative;
import codrane.link.doip.DoipMessage.RoutingRequest;
import codrane.link.doip.DoipMessage.RoutingResponse;
import codrane.link.doip.DoipStream;
import codrane.link.doip.DoipStream.Arrival;
import codrane.link.time.Scheduler;
import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;

/**
 * A vehicle as a DoIP entity on TCP: routing activation, diagnostic messages and their negative answers. Source:
 * unchecked (ISO 13400-2).
 */
public final class DoipVehicle implements AutoCloseable {
    private static final int ENTITY = 0x1000;

    private final SimulatedVehicle vehicle;
    private final PackLink.Doip link;
    private final Scheduler time;
    private final LoopbackServer server;

    /** @param port 0 takes a free one */
    public DoipVehicle(SimulatedVehicle vehicle, Scheduler time, int port) throws IOException {
        this.vehicle = vehicle;
        this.time = time;
        // a vehicle on CAN can be spoken to over DoIP as well, through an edge node's addresses
        link = vehicle.pack().link() instanceof PackLink.Doip doip ? doip : new PackLink.Doip(ENTITY, 0x0E00);
        server = new LoopbackServer("doip-vehicle", port, this::serve);
    }

    public int port() {
        return server.port();
    }

    private void serve(Socket tester) throws IOException {
        DoipStream in = new DoipStream(tester.getInputStream());
        OutputStream out = tester.getOutputStream();
        int source = -1;
        for (Arrival arrival = in.next(); !(arrival instanceof Arrival.End); arrival = in.next()) {
            switch (arrival) {
                case Arrival.Bad(int code, boolean fatal) -> {
                    send(out, new HeaderNegative(code));
                    if (fatal) return;
                }
                case Arrival.Message(RoutingRequest request) -> {
                    int code = activation(request);
                    send(out, new RoutingResponse(request.source(), ENTITY, code));
                    if (code != RoutingResponse.ACTIVATED) return;
                    source = request.source();
                }
                case Arrival.Message(Diagnostic message) -> {
                    if (message.source() != source) {
                        send(out, new DiagnosticNegative(message.target(), message.source(), 0x02));
                        return;
                    }
                    diagnostic(out, message);
                }
                case Arrival.Message other -> {} // nothing else is asked of this entity
                case Arrival.End end -> throw new IllegalStateException("the loop has ended");
            }
        }
    }

    private static int activation(RoutingRequest request) {
        boolean tester = request.source() >= 0x0E00 && request.source() <= 0x0FFF;
        if (!tester) return 0x00;
        return request.activation() == 0 ? RoutingResponse.ACTIVATED : 0x06;
    }

    private void diagnostic(OutputStream out, Diagnostic message) throws IOException {
        int address = message.target() - link.logicalBase();
        if (address < 0 || address > 0xFF || !vehicle.fitted(address)) {
            send(out, new DiagnosticNegative(message.target(), message.source(), 0x03));
            return;
        }
        send(out, new DiagnosticAck(message.target(), message.source()));
        time.execute(() -> vehicle.request(address, message.userData(), response -> answer(out, message, response)));
    }

    private static void answer(OutputStream out, Diagnostic message, Bytes response) {
        try {
            send(out, new Diagnostic(message.target(), message.source(), response));
        } catch (IOException e) {
            // the tester is gone: its answer is lost, as on a real line
        }
    }

    private static void send(OutputStream out, DoipMessage message) throws IOException {
        synchronized (out) {
            out.write(message.encode().toArray());
        }
    }

    /** Cuts all testers off. */
    public void cut() {
        server.cut();
    }

    @Override
    public void close() throws IOException {
        server.close();
    }
}

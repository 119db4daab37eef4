package codrane.standin.module;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackLink;
import codrane.core.pack.VehicleCondition;
import codrane.core.uds.ResponseCode.Known;
import codrane.core.uds.Service;
import java.time.Duration;
import java.util.Map;

/** DiagnosticSessionControl, ECUReset, CommunicationControl, TesterPresent, LinkControl. */
final class SessionServices implements ServiceGroup {
    private static final Duration BEFORE_RESET = Duration.ofMillis(9);
    /** Fixed rates of LinkControl that a CAN can have: code and bits a second. */
    private static final Map<Integer, Integer> RATES =
            Map.of(0x10, 125_000, 0x11, 250_000, 0x12, 500_000, 0x13, 1_000_000);

    private final DiagnosticSession session;
    private final Runnable restart;
    private final Surroundings around;
    private boolean rateVerified;

    SessionServices(DiagnosticSession session, Surroundings around, Runnable restart) {
        this.session = session;
        this.around = around;
        this.restart = restart;
    }

    @Override
    public Map<Service, Rule> rules() {
        return Map.of(
                Service.DIAGNOSTIC_SESSION_CONTROL, Rule.of(2),
                Service.ECU_RESET, Rule.withSubFunctions(2, 1, 2, 3),
                Service.COMMUNICATION_CONTROL,
                        Rule.withSubFunctions(3, 0, 1, 2, 3).inSession(),
                Service.TESTER_PRESENT, Rule.withSubFunctions(2, 0),
                Service.LINK_CONTROL, Rule.withSubFunctions(2, 1, 3).inSession());
    }

    @Override
    public void serve(Service service, UdsRequest request, Answer answer) {
        switch (service) {
            case DIAGNOSTIC_SESSION_CONTROL -> open(request, answer);
            case ECU_RESET -> reset(request, answer);
            case COMMUNICATION_CONTROL -> communication(request, answer);
            case TESTER_PRESENT -> present(request, answer);
            default -> linkControl(request, answer);
        }
    }

    private static void present(UdsRequest request, Answer answer) {
        if (request.length() != 2) answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        else answer.positive(Bytes.of(request.subFunction()));
    }

    private void open(UdsRequest request, Answer answer) {
        int wanted = request.subFunction();
        if (!session.knows(wanted)) {
            answer.refuse(Known.SUB_FUNCTION_NOT_SUPPORTED);
        } else if (request.length() != 2) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        } else if (wanted == session.pack().programming() && around.holds(VehicleCondition.ENGINE_RUNNING)) {
            answer.refuse(Known.CONDITIONS_NOT_CORRECT);
        } else {
            if (wanted == DiagnosticSession.DEFAULT) session.enterDefault();
            else session.enter(wanted);
            int p2 = (int) session.pack().p2().toMillis();
            int p2Star = (int) (session.pack().p2Star().toMillis() / 10);
            answer.positive(Bytes.of(wanted, p2 >> 8, p2 & 0xFF, p2Star >> 8, p2Star & 0xFF));
        }
    }

    private void reset(UdsRequest request, Answer answer) {
        if (request.length() != 2) answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        else {
            answer.positive(Bytes.of(request.subFunction()));
            answer.then(BEFORE_RESET, restart);
        }
    }

    /** Normal messages are not simulated one by one; a quiet module is not taken for a lost one. */
    private void communication(UdsRequest request, Answer answer) {
        boolean knownType = request.u8(2) >= 1 && request.u8(2) <= 3;
        if (request.length() != 3) answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        else if (!knownType) answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        else {
            session.communication(request.subFunction() != 0);
            answer.positive(Bytes.of(request.subFunction()));
        }
    }

    /** Only the rate that the bus has is agreed to: the simulated bus can't change it. */
    private void linkControl(UdsRequest request, Answer answer) {
        if (request.subFunction() == 3) {
            if (request.length() != 2) answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
            else if (!rateVerified) answer.refuse(Known.REQUEST_SEQUENCE_ERROR);
            else answer.positive(Bytes.of(3));
            rateVerified = false;
            return;
        }
        int rate = around.pack().link() instanceof PackLink.Can can ? can.bitrate() : 0;
        if (request.length() != 3) answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        else if (RATES.getOrDefault(request.u8(2), -1) != rate) answer.refuse(Known.REQUEST_OUT_OF_RANGE);
        else {
            rateVerified = true;
            answer.positive(Bytes.of(1));
        }
    }
}

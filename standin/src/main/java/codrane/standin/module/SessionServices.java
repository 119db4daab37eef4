package codrane.standin.module;

import codrane.core.pack.PackLink;
import codrane.core.pack.VehicleCondition;
import codrane.core.uds.ResponseCode.Known;
import codrane.core.uds.Service;
import codrane.core.uds.UdsRequest;
import codrane.core.uds.UdsResponse;
import java.time.Duration;
import java.util.List;
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
    /** What the vehicle must be like for a programming session, besides an engine that stands. */
    private final List<VehicleCondition> before;

    private boolean rateVerified;

    SessionServices(DiagnosticSession session, Surroundings around, List<VehicleCondition> before, Runnable restart) {
        this.session = session;
        this.around = around;
        this.before = before;
        this.restart = restart;
    }

    @Override
    public Map<Service, Rule> rules() {
        return Map.of(
                Service.DIAGNOSTIC_SESSION_CONTROL,
                        Rule.withSubFunctions(2, session.known().toArray(Integer[]::new)),
                Service.ECU_RESET, Rule.withSubFunctions(2, 1, 2, 3),
                Service.COMMUNICATION_CONTROL,
                        Rule.withSubFunctions(3, 0, 1, 2, 3).inSession(),
                Service.TESTER_PRESENT, Rule.withSubFunctions(2, 0),
                Service.LINK_CONTROL, Rule.withSubFunctions(2, 1, 3).inSession());
    }

    @Override
    public void serve(UdsRequest request, Answer answer) {
        switch (request) {
            case UdsRequest.DiagnosticSessionControl(int wanted) -> open(wanted, answer);
            case UdsRequest.EcuReset(int type) -> {
                answer.positive(new UdsResponse.EcuReset(type));
                answer.then(BEFORE_RESET, restart);
            }
            case UdsRequest.CommunicationControl(int control, int type) -> communication(control, type, answer);
            case UdsRequest.VerifyModeTransitionWithFixedParameter(int rate) -> verify(rate, answer);
            case UdsRequest.TransitionMode change -> change(answer);
            default -> answer.positive(new UdsResponse.TesterPresent());
        }
    }

    private void open(int wanted, Answer answer) {
        if (wanted == session.pack().programming() && !ready()) {
            answer.refuse(Known.CONDITIONS_NOT_CORRECT);
            return;
        }
        if (wanted == DiagnosticSession.DEFAULT) session.enterDefault();
        else session.enter(wanted);
        answer.positive(new UdsResponse.DiagnosticSessionControl(
                wanted, session.pack().p2(), session.pack().p2Star()));
    }

    /** Whether the vehicle is as it must be to be programmed. */
    private boolean ready() {
        return !around.holds(VehicleCondition.ENGINE_RUNNING) && before.stream().allMatch(around::holds);
    }

    /** Normal messages are not simulated one by one; a quiet module is not taken for a lost one. */
    private void communication(int control, int type, Answer answer) {
        if (type < 1 || type > 3) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
            return;
        }
        session.communication(control != 0);
        answer.positive(new UdsResponse.CommunicationControl(control));
    }

    /** Only the rate that the bus has is agreed to: the simulated bus can't change it. */
    private void verify(int rate, Answer answer) {
        int here = around.pack().link() instanceof PackLink.Can can ? can.bitrate() : 0;
        if (RATES.getOrDefault(rate, -1) != here) {
            answer.refuse(Known.REQUEST_OUT_OF_RANGE);
            return;
        }
        rateVerified = true;
        answer.positive(new UdsResponse.LinkControl(1));
    }

    private void change(Answer answer) {
        if (rateVerified) answer.positive(new UdsResponse.LinkControl(3));
        else answer.refuse(Known.REQUEST_SEQUENCE_ERROR);
        rateVerified = false;
    }
}

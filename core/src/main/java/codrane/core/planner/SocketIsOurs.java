package codrane.core.planner;

import codrane.core.plan.Judgement;
import codrane.core.plan.VehicleFacts;

/** Never two writers on one diagnostic socket. */
final class SocketIsOurs implements Rule {
    @Override
    public String id() {
        return "socket-is-ours";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        int others = facts.aids().place().otherTools();
        if (others == 0) return Judgement.notNeeded("No other tool is said to be on the socket.");
        String are = others == 1 ? "Another tool is" : others + " other tools are";
        return draft.writes()
                ? Judgement.blocked(are + " on the diagnostic socket: never two writers at once. Unplug "
                        + (others == 1 ? "it." : "them."))
                : Judgement.notNeeded(are + " on the diagnostic socket: reading goes on, slower.");
    }
}

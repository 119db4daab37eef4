package codrane.core.planner;

import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.pack.Equipment.Immobiliser;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.List;

/** Authorities, codes of the day and files come over the internet. */
final class OnlineWhereNeeded implements Rule {
    @Override
    public String id() {
        return "online-where-needed";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        List<String> needed = new ArrayList<>();
        if (draft.has(Kind.UNLOCK) && !(facts.gateway() instanceof Gateway.Authorised))
            needed.add("the authorisation of the gateway");
        boolean daily = facts.pack()
                .equipment()
                .immobiliser()
                .filter(Immobiliser::dailyCode)
                .isPresent();
        if (daily && draft.has(Kind.PAIR)) needed.add("the code of the day");
        boolean offline = facts.aids().place().online().filter(on -> !on).isPresent();
        if (needed.isEmpty())
            return Judgement.notNeeded(
                    offline && draft.has(Kind.PROGRAM)
                            ? "There is no internet: the file must be here already."
                            : "Nothing waits for the internet.");
        String what = String.join(" and ", needed);
        return offline
                ? Judgement.blocked("There is no internet, and " + what + " can't be got without it.")
                : Judgement.notNeeded("The internet must be there for " + what + ".");
    }
}

package codrane.core.planner;

import codrane.core.pack.Equipment.Immobiliser;
import codrane.core.pack.PackModule;
import codrane.core.plan.Aids;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A module that shares the immobiliser's secret is paired; a replaced keeper of the secret pairs with every member. */
final class PairImmobiliser implements Rule {
    @Override
    public String id() {
        return "pair-immobiliser";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (!facts.kind().replaces() || facts.module().isEmpty()) return Judgement.notNeeded("Nothing was replaced.");
        PackModule module = facts.module().get();
        if (!facts.inImmobiliser(module.id()))
            return facts.kind() == JobKind.REPLACE_IMMOBILISER
                    ? Judgement.blocked(module.title() + " is no member of this model's immobiliser.")
                    : Judgement.notNeeded(module.title() + " has no part in the immobiliser.");
        if (!facts.moduleAnswer().answers()) return Judgement.notNeeded(module.title() + " is silent.");
        Immobiliser immobiliser = facts.pack().equipment().immobiliser().orElseThrow();
        boolean master = immobiliser.master().equals(module.id());
        if (facts.aids().keys().orElse(new Aids.Keys(0, 0)).here() == 0)
            return Judgement.blocked(
                    "No key is here: without one nothing is paired, and the vehicle does not start again.");
        List<Operation> pairs = new ArrayList<>();
        if (!facts.answer(immobiliser.master()).answers())
            return Judgement.blocked(facts.pack().module(immobiliser.master()).title()
                    + " does not answer: nothing can be paired with it.");
        for (String member : master ? immobiliser.members() : List.of(module.id())) {
            if (!facts.answer(member).answers())
                return Judgement.blocked(facts.pack().module(member).title() + " does not answer: it can't be paired.");
            pairs.add(pair(facts, immobiliser, facts.pack().module(member)));
        }
        return new Judgement.Applies(
                master
                        ? "It keeps the immobiliser's secret: every member is paired with it."
                        : "It must share the immobiliser's secret, or the vehicle does not start.",
                pairs);
    }

    private static Operation pair(VehicleFacts facts, Immobiliser immobiliser, PackModule member) {
        Optional<String> daily = immobiliser.dailyCode() ? Optional.of("code of the day") : Optional.empty();
        Operation pair = Operation.of(
                        Kind.PAIR,
                        member.id(),
                        "Pair the " + member.lowerTitle() + " with the "
                                + facts.pack().module(immobiliser.master()).lowerTitle(),
                        Seconds.PAIR,
                        "The " + member.lowerTitle() + " must share the immobiliser's secret, or the vehicle does not"
                                + " start.")
                .needing("access code", "all keys here", "supply at coding voltage")
                .holding(HoldPoint.OWNERSHIP_PROVED, HoldPoint.IDENTITY_SETTLED, HoldPoint.KEYS_COUNTED)
                .prompting(List.of("Type the access code twice: after "
                        + immobiliser.limits().attempts() + " wrong ones it waits "
                        + immobiliser.limits().lockout().toMinutes() + " min"))
                .notStoppable()
                .ifLeftHere("The vehicle does not start until pairing and keys are through.");
        return daily.map(pair::needing).orElse(pair);
    }
}

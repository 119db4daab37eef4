package codrane.app.cli;

import codrane.core.pack.Equipment.Immobiliser;
import codrane.core.plan.Aids;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.Plan;
import codrane.core.plan.VehicleFacts;
import java.util.List;
import java.util.Optional;

/**
 * What a plan does to the immobiliser and its keys.
 *
 * @param keeper module that keeps the secret and the keys
 * @param paired modules that are paired with it, in this order
 * @param known keys that the vehicle is known to have
 * @param here keys that are here
 * @param learned keys that are learned anew
 * @param lost keys that no longer start the vehicle afterwards: not here while the keeper learns anew
 * @param windowMs in which a key must be turned
 * @param attempts wrong codes until it waits
 * @param waitMs until it takes a code again
 * @param dailyCode whether the maker's code of the day is asked for too
 * @param learnedWith tools that can learn the keys; empty: Codrane's own interface can
 */
record KeysTold(
        String keeper,
        List<String> paired,
        int known,
        int here,
        int learned,
        int lost,
        int codeDigits,
        int attempts,
        long waitMs,
        long windowMs,
        boolean dailyCode,
        List<String> learnedWith) {
    /** Empty when the plan touches neither. */
    static Optional<KeysTold> of(VehicleFacts facts, Plan plan) {
        if (!plan.has(Kind.PAIR) && !plan.has(Kind.ADD_KEY)) return Optional.empty();
        Immobiliser immobiliser = facts.pack().equipment().immobiliser().orElseThrow();
        Aids.Keys keys = facts.aids().keys().orElse(new Aids.Keys(0, 0));
        boolean learns = plan.has(Kind.ADD_KEY);
        return Optional.of(new KeysTold(
                immobiliser.master(),
                plan.operations().stream()
                        .filter(o -> o.kind() == Kind.PAIR)
                        .map(o -> o.module())
                        .toList(),
                keys.known(),
                keys.here(),
                learns ? keys.here() : 0,
                learns ? Math.max(0, keys.known() - keys.here()) : 0,
                immobiliser.codeDigits(),
                immobiliser.limits().attempts(),
                immobiliser.limits().lockout().toMillis(),
                immobiliser.limits().window().toMillis(),
                immobiliser.dailyCode(),
                immobiliser.keysWith()));
    }
}

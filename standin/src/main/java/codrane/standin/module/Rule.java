package codrane.standin.module;

import java.util.Set;

/**
 * What the server checks before a service is served, in this order.
 *
 * @param where sessions in which the service is there
 * @param unlocked whether security access is needed
 * @param leastOctets shortest request, service identifier included
 * @param subFunctions those known; empty when the service has none
 */
record Rule(Where where, boolean unlocked, int leastOctets, Set<Integer> subFunctions) {
    enum Where {
        EVERYWHERE,
        NOT_IN_DEFAULT,
        PROGRAMMING
    }

    static Rule of(int leastOctets) {
        return new Rule(Where.EVERYWHERE, false, leastOctets, Set.of());
    }

    static Rule withSubFunctions(int leastOctets, Integer... subFunctions) {
        return new Rule(Where.EVERYWHERE, false, leastOctets, Set.of(subFunctions));
    }

    /** Not in the default session. */
    Rule inSession() {
        return new Rule(Where.NOT_IN_DEFAULT, unlocked, leastOctets, subFunctions);
    }

    Rule inProgramming() {
        return new Rule(Where.PROGRAMMING, unlocked, leastOctets, subFunctions);
    }

    Rule whenUnlocked() {
        return new Rule(where, true, leastOctets, subFunctions);
    }
}

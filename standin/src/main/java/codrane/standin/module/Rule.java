package codrane.standin.module;

import java.util.Set;

/**
 * What the server checks before a service is served, in this order.
 *
 * @param where sessions in which the service is there
 * @param unlocked whether security access is needed
 * @param leastOctets shortest request, service identifier included
 * @param subFunctions those known; empty when the service has none
 * @param needsWriting those that exist outside the default session only
 */
record Rule(Where where, boolean unlocked, int leastOctets, Set<Integer> subFunctions, Set<Integer> needsWriting) {
    enum Where {
        EVERYWHERE,
        NOT_IN_DEFAULT,
        PROGRAMMING
    }

    static Rule of(int leastOctets) {
        return new Rule(Where.EVERYWHERE, false, leastOctets, Set.of(), Set.of());
    }

    static Rule withSubFunctions(int leastOctets, Integer... subFunctions) {
        return new Rule(Where.EVERYWHERE, false, leastOctets, Set.of(subFunctions), Set.of());
    }

    /** Not in the default session. */
    Rule inSession() {
        return new Rule(Where.NOT_IN_DEFAULT, unlocked, leastOctets, subFunctions, needsWriting);
    }

    Rule inProgramming() {
        return new Rule(Where.PROGRAMMING, unlocked, leastOctets, subFunctions, needsWriting);
    }

    Rule whenUnlocked() {
        return new Rule(where, true, leastOctets, subFunctions, needsWriting);
    }

    /** Some sub-functions need another session than the default one. */
    Rule notInDefault(Integer... some) {
        return new Rule(where, unlocked, leastOctets, subFunctions, Set.of(some));
    }
}

package codrane.core.ready;

import codrane.core.access.AccessCheck;
import codrane.core.access.AccessNeed;
import codrane.core.access.WorkshopAccount;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.plan.VehicleFacts;
import codrane.core.ready.Need.State;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;

/** Account, technician and tool at the gateway's authority; the authorisation itself is got at Unlock. */
final class AuthorityNeed {
    /** An authority's check of a workshop takes hours at most. */
    private static final Duration CHECK_LEAD = Duration.ofHours(4);

    private static final Duration ENTRY_LEAD = Duration.ofMinutes(15);

    private AuthorityNeed() {}

    static Need of(VehicleFacts facts, AtHand hand, Instant now) {
        if (facts.gateway() instanceof Gateway.Authorised(Instant until) && now.isBefore(until))
            return here("The gateway is authorised.");
        return hand.account()
                .map(account -> of(account, hand.tool(), now))
                .orElseGet(() -> need(
                        State.TO_GET,
                        CHECK_LEAD,
                        "The gateway's authority was not asked yet whether it knows workshop, technician and tool:"
                                + " its checks take minutes to hours."));
    }

    private static Need of(WorkshopAccount account, Optional<String> tool, Instant now) {
        String anybody = account.technicians().stream().findFirst().orElse("");
        Optional<AccessNeed> lacks = AccessCheck.first(AccessCheck.judge(account, anybody, tool, now));
        if (lacks.isEmpty())
            return here(account.authority() + " knows workshop, tool and, as technician, "
                    + String.join(", ", account.technicians()) + ": authorising takes a minute, at Unlock.");
        return switch (lacks.get().kind()) {
            case CHECK -> {
                boolean waits = lacks.get().state() == AccessNeed.State.WAITS;
                yield new Need(
                        Need.Kind.AUTHORITY,
                        "",
                        Need.Kind.AUTHORITY.title(),
                        waits ? State.ASKED : State.TO_GET,
                        CHECK_LEAD,
                        waits ? account.checkedAt() : Optional.empty(),
                        Optional.of(0),
                        lacks.get().sentence());
            }
            case ACCOUNT, MAIL, PLAN ->
                need(State.TO_GET, CHECK_LEAD, lacks.get().sentence());
            case TECHNICIAN ->
                need(State.TO_GET, ENTRY_LEAD, "No technician of the workshop is known there: the lead adds people.");
            case TOOL -> need(State.TO_GET, ENTRY_LEAD, lacks.get().sentence());
        };
    }

    private static Need here(String sentence) {
        return need(State.HERE, Duration.ZERO, sentence);
    }

    private static Need need(State state, Duration lead, String sentence) {
        return new Need(
                Need.Kind.AUTHORITY,
                "",
                Need.Kind.AUTHORITY.title(),
                state,
                lead,
                Optional.empty(),
                Optional.of(0),
                sentence);
    }
}

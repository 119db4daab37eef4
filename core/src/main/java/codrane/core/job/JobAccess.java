package codrane.core.job;

import codrane.core.access.AccessCheck;
import codrane.core.access.AccessNeed;
import codrane.core.access.Authorisation;
import codrane.core.access.KnownAccount;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.tool.ToolLook;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * What is known about the way through a vehicle's gateway.
 *
 * @param authorisation seen open, not seen locked since; it may have expired
 * @param account empty when the authority was never asked
 * @param tool the connected one
 * @param refused the act that was refused last for want of it
 * @param now when all this was gathered
 */
public record JobAccess(
        Gateway gateway,
        Optional<Authorisation> authorisation,
        Optional<KnownAccount> account,
        Optional<ToolLook> tool,
        Optional<RefusedAct> refused,
        Instant now)
        implements Part {
    /** Of a vehicle without a gateway. */
    public static JobAccess none(Instant now) {
        return new JobAccess(
                new Gateway.None(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), now);
    }

    /** With the connected tool, of which a vehicle without a gateway has one, too. */
    public JobAccess withTool(Optional<ToolLook> connected) {
        return new JobAccess(gateway, authorisation, account, connected, refused, now);
    }

    public boolean there() {
        return !(gateway instanceof Gateway.None);
    }

    /** How long the authorisation still holds; zero when there is none. */
    public Duration left() {
        if (!(gateway instanceof Gateway.Authorised(Instant until)) || !now.isBefore(until)) return Duration.ZERO;
        return Duration.between(now, until);
    }

    public boolean open() {
        return !left().isZero();
    }

    /** Whether there was one that has run out. */
    public boolean expired() {
        return gateway instanceof Gateway.Authorised && !open();
    }

    /** What the authority wants; nothing when it was never asked. */
    public List<AccessNeed> needs(String technician) {
        return account.map(a -> AccessCheck.judge(a.account(), technician, tool.map(ToolLook::serial), now))
                .orElse(List.of());
    }
}

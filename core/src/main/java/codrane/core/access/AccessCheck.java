package codrane.core.access;

import codrane.core.access.AccessNeed.Kind;
import codrane.core.access.AccessNeed.State;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What stands between a technician with a tool and an authorisation, in the order in which it is got. */
public final class AccessCheck {
    private AccessCheck() {}

    /**
     * @param technician who will ask
     * @param serial of the connected tool; empty when none tells one
     */
    public static List<AccessNeed> judge(
            WorkshopAccount account, String technician, Optional<String> serial, Instant now) {
        List<AccessNeed> needs = new ArrayList<>();
        String at = " at " + account.authority();
        needs.add(owner(
                Kind.ACCOUNT,
                account.registered(),
                "The workshop is registered" + at + ".",
                "The workshop is not registered" + at + ": the lead does that."));
        needs.add(owner(
                Kind.MAIL,
                account.mailConfirmed(),
                "The workshop's mail is confirmed.",
                "The workshop's mail is not confirmed: type the code that was sent there."));
        needs.add(owner(
                Kind.PLAN,
                account.planHolds(now),
                account.plan().map(p -> "Plan: " + p + ".").orElse(""),
                account.plan().isEmpty()
                        ? "No plan is taken: it says how many tools may be registered."
                        : "The plan has ended: the lead renews it. Nothing is granted until then."));
        needs.add(check(account, now));
        boolean member = account.technicians().contains(technician);
        needs.add(owner(
                Kind.TECHNICIAN,
                member,
                technician + " is a technician of the workshop.",
                technician + " is not a technician of the workshop: the lead adds people."));
        needs.add(tool(account, serial));
        return needs;
    }

    /** The first that is missing. */
    public static Optional<AccessNeed> first(List<AccessNeed> needs) {
        return needs.stream().filter(n -> n.state() != State.HELD).findFirst();
    }

    private static AccessNeed owner(Kind kind, boolean held, String yes, String no) {
        return new AccessNeed(kind, held ? State.HELD : State.OPEN, held ? yes : no, true);
    }

    private static AccessNeed check(WorkshopAccount account, Instant now) {
        if (account.plan().isEmpty())
            return new AccessNeed(
                    Kind.CHECK, State.OPEN, "The check of the workshop begins when a plan is taken.", false);
        boolean waits = account.checkedAt().filter(now::isBefore).isPresent();
        return waits
                ? new AccessNeed(
                        Kind.CHECK,
                        State.WAITS,
                        "The workshop is being checked; reading goes on meanwhile. Look again later.",
                        false)
                : new AccessNeed(Kind.CHECK, State.HELD, "The workshop is checked.", false);
    }

    private static AccessNeed tool(WorkshopAccount account, Optional<String> serial) {
        if (serial.isEmpty())
            return new AccessNeed(
                    Kind.TOOL, State.OPEN, "The tool does not tell its serial number: connect it.", false);
        if (account.tools().containsKey(serial.get()))
            return new AccessNeed(Kind.TOOL, State.HELD, "Tool " + serial.get() + " is registered.", false);
        String left = account.toolsLeft() == 0
                ? " The plan's " + account.toolLimit() + " places are taken: remove one, or take a larger plan."
                : " " + account.toolsLeft() + " of " + account.toolLimit() + " places are free.";
        String sentence =
                "Tool " + serial.get() + " is not registered." + (account.plan().isPresent() ? left : "");
        return new AccessNeed(Kind.TOOL, State.OPEN, sentence, false);
    }
}

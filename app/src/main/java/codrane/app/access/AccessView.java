package codrane.app.access;

import codrane.core.access.Authorisation;
import codrane.core.access.WorkshopAccount;
import java.util.List;

/**
 * The page of the workshop's accounts.
 *
 * @param asking whether any authority is being asked
 * @param models interfaces that can be registered
 */
public record AccessView(
        String workshop,
        boolean asking,
        List<AuthorityView> authorities,
        List<String> models,
        List<PassView> passes,
        List<GrantedView> granted) {
    /**
     * One authority.
     *
     * @param asking whether it is being asked
     * @param step what the owner does next: register, mail, plan, wait or none
     * @param plan that was taken, in words
     * @param candidates accounts that are not technicians there yet
     */
    public record AuthorityView(
            String id,
            WorkshopAccount account,
            boolean asking,
            String trouble,
            String step,
            String plan,
            List<AuthorityRequests.PlanOffer> plans,
            List<String> candidates,
            May may) {}

    /** @param lead whether this one does what is the lead's */
    public record May(boolean lead, boolean tools) {}

    /** What was granted for a vehicle. */
    public record GrantedView(Authorisation of, String vin, String seen) {}

    /** A maker's service, its passes, and until when the workshop's runs. */
    public record PassView(String maker, String service, String sold, boolean runs, String words, boolean may) {}
}

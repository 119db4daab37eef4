package codrane.core.access;

/**
 * What the workshop knows about its account at an authority.
 *
 * @param account as the authority said it last
 * @param trouble why it could not be asked since; empty when it could
 */
public record KnownAccount(WorkshopAccount account, String trouble) {}

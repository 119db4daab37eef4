package codrane.app.account;

/** The five roles. A trainee looks, and writes nothing to a vehicle. */
public enum Role {
    LEAD,
    TECH,
    TRAINEE,
    DESK,
    SPECIALIST
}

package codrane.app.account;

/** The five roles. A trainee looks, and writes nothing to a vehicle. */
public enum Role {
    LEAD("lead"),
    TECH("technician"),
    TRAINEE("trainee"),
    DESK("front desk"),
    SPECIALIST("specialist");

    private final String title;

    Role(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }
}

package codrane.core.pack;

/** What can hurt, or is watched by law, when a module is worked on. The closed vocabulary of packs. */
public enum Concern {
    HIGH_VOLTAGE("High voltage: only the 12 V side is worked on here; isolation is for qualified people."),
    RESTRAINTS(
            "Restraints: battery off and the waiting time of the service information before a connector is touched; nobody in the seat."),
    MOVING_PARTS("It moves by itself: nobody under, on or in the way of it."),
    IMMOBILISER("Immobiliser and keys: ownership proved; local law may want a licensed locksmith."),
    DRIVER_ASSISTANCE("Driver assistance: aimed by qualified people with targets; driven only when proven."),
    BRAKES("Brakes: the first stops at walking pace, on free ground; driven only when proven."),
    LIFTING("Loads and movements: never past what the maker's plate allows."),
    STEERING("Steering: wheels free or on turning plates, hands off the wheel; driven only when proven."),
    EMISSIONS("Emissions: only the maker's unaltered software and values."),
    LIGHTS("Lights: the market's rules say what may shine."),
    DRIVER_VIEW("Screens in the driver's view: the market's rules say what may move there."),
    SPEEDOMETER("Speedometer: compare it with a measured way, on the tyres that are fitted."),
    INSURANCE("The insurer may have to be told."),
    LICENSED_WORK("Licensed work: a person whom local law allows to do this.");

    private final String caution;

    Concern(String caution) {
        this.caution = caution;
    }

    /** One or two short sentences, for where the act is. */
    public String caution() {
        return caution;
    }

    /** As in packs and market rules: lower case with dashes. */
    public String key() {
        return YamlMap.dashed(this);
    }
}

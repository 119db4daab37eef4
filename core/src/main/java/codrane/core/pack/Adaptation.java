package codrane.core.pack;

/**
 * A value that a module has learned, under a data identifier. Programming and relearning set it back.
 *
 * @param learned value of a healthy vehicle
 * @param fresh value of a module that has learned nothing yet
 */
public record Adaptation(
        int identifier, String key, String title, LiveValue.Scaling scaling, double learned, double fresh) {}

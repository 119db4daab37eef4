package codrane.core.job;

import java.util.List;

/**
 * What Identify knows.
 *
 * @param scans of the job, oldest first, whichever vehicle answered
 */
public record Identified(List<Scan> scans, List<FaultNote> faultNotes) implements Part {
    public static final Identified NONE = new Identified(List.of(), List.of());

    public Identified {
        scans = List.copyOf(scans);
        faultNotes = List.copyOf(faultNotes);
    }
}

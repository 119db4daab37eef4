package codrane.app.stage.intake;

import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.notes.Notes;
import codrane.app.records.AuditTrail;
import codrane.core.calibration.CalibrationFile;
import codrane.core.calibration.ReadResult;
import codrane.core.calibration.VinsInData;
import codrane.core.job.IntakeNotes;
import codrane.core.job.IntakeNotes.Identifier;
import codrane.core.job.JobState;
import codrane.core.job.stage.IntakeStage;
import codrane.core.octets.Source;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** What was read out of a module that does not speak any more: the VIN that stands in it, with its source. */
@Component
public class OldDataActs {
    private static final int MOST_ROWS = 3;
    private static final int MOST_ADDRESSES = 2;
    private static final int LONGEST_NAME = 12;
    private static final int HASH = 8;

    private final Acts acts;
    private final Notes notes;
    private final AuditTrail audit;

    OldDataActs(Acts acts, Notes notes, AuditTrail audit) {
        this.acts = acts;
        this.notes = notes;
        this.audit = audit;
    }

    /** @param octets Intel HEX, S-record or the plain memory from address 0 */
    public Acted find(long number, String name, byte[] octets, String who) {
        return acts.on(number, who, IntakeStage.OLD_DATA, state -> switch (CalibrationFile.read(Source.of(octets))) {
            case ReadResult.Damaged damaged ->
                Acted.refused("That file can't be read: " + damaged.sentence() + " Nothing was noted.");
            case ReadResult.Read(CalibrationFile file) -> found(state, name, file, who);
        });
    }

    private Acted found(JobState state, String name, CalibrationFile file, String who) {
        List<VinsInData.Found> found =
                VinsInData.of(file.image(), state.pack().wmi(), state.pack().vinRule());
        if (found.isEmpty())
            return Acted.refused("No VIN stands in its " + file.bytes() + " bytes. Nothing was noted.");
        List<Identifier> all = new ArrayList<>(state.intake().details().identifiers());
        all.removeIf(i -> i.what().equals(IntakeNotes.VIN_IN_OLD_DATA));
        int room = MOST_ROWS - all.size();
        if (room == 0) return Acted.refused("Three other numbers are noted: take one out first.");
        found.stream().limit(room).forEach(f -> all.add(identifier(f, name, file)));
        notes.put(
                state.job().id(),
                IntakeStored.KIND,
                IntakeStored.of(state.intake().with(all)),
                who);
        audit.record(
                who,
                "looked for a VIN in the old module's data",
                "job " + state.job().number(),
                name + ", SHA-256 " + file.sha256());
        return Acted.done();
    }

    private static Identifier identifier(VinsInData.Found found, String name, CalibrationFile file) {
        String at = found.addresses().stream()
                .limit(MOST_ADDRESSES)
                .map("0x%04X"::formatted)
                .collect(Collectors.joining(", "));
        int more = found.addresses().size() - MOST_ADDRESSES;
        String shown = name.length() > LONGEST_NAME ? name.substring(0, LONGEST_NAME) + "…" : name;
        return new Identifier(
                IntakeNotes.VIN_IN_OLD_DATA,
                found.vin().text(),
                shown + (found.backwards() ? ", backwards" : "") + " at " + at
                        + (more > 0 ? " and " + more + " more" : "") + "; "
                        + file.sha256().substring(0, HASH));
    }
}

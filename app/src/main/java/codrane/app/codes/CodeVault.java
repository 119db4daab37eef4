package codrane.app.codes;

import codrane.app.notes.Note;
import codrane.app.notes.Notes;
import codrane.app.records.AuditTrail;
import codrane.core.octets.Bytes;
import codrane.core.ready.Need;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Codes of the jobs' vehicles. */
@Component
public class CodeVault {
    /** In the order in which a vehicle takes them. */
    public static final List<Need.Kind> KINDS = List.of(Need.Kind.ACCESS_CODE, Need.Kind.DAILY_CODE);

    private final CodeSeal seal;
    private final Notes notes;
    private final AuditTrail audit;

    CodeVault(CodeSeal seal, Notes notes, AuditTrail audit) {
        this.seal = seal;
        this.notes = notes;
        this.audit = audit;
    }

    /** Which job's code. */
    public record Owner(long jobId, long jobNumber) {
        String of(Need.Kind kind) {
            return "job " + jobId + " " + kind.key();
        }
    }

    @Transactional
    public void keep(Owner owner, Need.Kind kind, String code, String who) {
        CodeStored stored = new CodeStored(seal.seal(code, owner.of(kind)));
        notes.put(owner.jobId(), CodeStored.KIND, kind.key(), stored, who);
        audit.record(who, "kept a code", "job " + owner.jobNumber(), kind.title());
    }

    @Transactional
    public void forget(Owner owner, Need.Kind kind, String who) {
        notes.forget(owner.jobId(), CodeStored.KIND, kind.key());
        audit.record(who, "forgot a code", "job " + owner.jobNumber(), kind.title());
    }

    /** The job is over: what it needed no more is not kept. */
    @Transactional
    public void forgetAll(Owner owner) {
        for (Need.Kind kind : KINDS) notes.forget(owner.jobId(), CodeStored.KIND, kind.key());
    }

    /** What one reads who gave a reason: the reading is recorded. */
    @Transactional
    public Optional<String> show(Owner owner, Need.Kind kind, String why, String who) {
        Optional<String> code = code(owner, kind);
        if (code.isPresent())
            audit.record(who, "looked at a code", "job " + owner.jobNumber(), kind.title() + ": " + why);
        return code;
    }

    /** For the run that sends them, one behind the other; empty when one is not here. */
    @Transactional(readOnly = true)
    public Optional<Bytes> take(Owner owner, List<Need.Kind> kinds) {
        StringBuilder codes = new StringBuilder();
        for (Need.Kind kind : kinds) {
            Optional<String> code = code(owner, kind);
            if (code.isEmpty()) return Optional.empty();
            codes.append(code.get());
        }
        return Optional.of(Bytes.ascii(codes.toString()));
    }

    /** The vehicle did not take them: none is sent a second time as it is. */
    @Transactional
    public void refused(Owner owner, List<Need.Kind> kinds, String who) {
        for (Need.Kind kind : kinds) notes.forget(owner.jobId(), CodeStored.KIND, kind.key());
        audit.record(who, "sent a code that was not taken", "job " + owner.jobNumber(), "it was forgotten");
    }

    private Optional<String> code(Owner owner, Need.Kind kind) {
        return notes.of(List.of(owner.jobId())).getOrDefault(owner.jobId(), List.of()).stream()
                .filter(n ->
                        n.kind().equals(CodeStored.KIND.name()) && n.subject().equals(kind.key()))
                .map(CodeStored.KIND::read)
                .map(Note.Read::content)
                .flatMap(stored -> seal.open(stored.sealed(), owner.of(kind)).stream())
                .findFirst();
    }
}

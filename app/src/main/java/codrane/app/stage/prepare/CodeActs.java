package codrane.app.stage.prepare;

import codrane.app.codes.CodeVault;
import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.job.Reason;
import codrane.core.job.Job;
import codrane.core.job.JobState;
import codrane.core.job.stage.PrepareStage;
import codrane.core.ready.Need;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Codes of the vehicle: typed twice, kept encrypted, forgotten, and shown to one who has a reason. */
@Component
public class CodeActs {
    private static final int MOST_DIGITS = 12;

    private final Acts acts;
    private final CodeVault vault;

    CodeActs(Acts acts, CodeVault vault) {
        this.acts = acts;
        this.vault = vault;
    }

    /** What was typed. */
    public record Typed(String code, String again) {
        /** In constant time: how much of it agrees is told to nobody. */
        boolean same() {
            return MessageDigest.isEqual(code.getBytes(StandardCharsets.UTF_8), again.getBytes(StandardCharsets.UTF_8));
        }

        @Override
        public String toString() {
            return "a code"; // whoever logs it tells nothing
        }
    }

    public Acted keep(long number, String key, Typed typed, String who) {
        return acts.on(number, who, PrepareStage.KEEP_CODE, state -> {
            Optional<Need.Kind> kind = needed(state, key);
            if (kind.isEmpty()) return Acted.refused("The plan needs no such code.");
            if (!typed.same()) return Acted.refused("What was typed twice is not the same. Nothing was kept.");
            int digits = digits(state, kind.get());
            boolean form = typed.code().matches("\\d{1," + MOST_DIGITS + "}")
                    && (digits == 0 || typed.code().length() == digits);
            if (!form)
                return Acted.refused(
                        digits == 0
                                ? "The code is digits, at most " + MOST_DIGITS + ". Nothing was kept."
                                : "The code of this model has " + digits + " digits. Nothing was kept.");
            vault.keep(owner(state.job()), kind.get(), typed.code(), who);
            return Acted.done();
        });
    }

    public Acted forget(long number, String key, String who) {
        return acts.on(number, who, PrepareStage.FORGET_CODE, state -> {
            Optional<Need.Kind> kind = Need.Kind.of(key).filter(Need.Kind::secret);
            if (kind.isEmpty()) return Acted.refused("There is no such code.");
            vault.forget(owner(state.job()), kind.get(), who);
            return Acted.done();
        });
    }

    /** A code that was looked at, or why it is not shown. */
    sealed interface Shown {
        record Code(String title, String digits) implements Shown {}

        record No(Acted acted) implements Shown {}
    }

    Shown show(long number, String key, String why, String who) {
        Shown.Code[] shown = new Shown.Code[1];
        Acted acted = acts.on(number, who, PrepareStage.SHOW_CODE, state -> {
            Optional<Need.Kind> kind = Need.Kind.of(key).filter(Need.Kind::secret);
            Optional<Acted> wrong = Reason.wrong(why, "you look at the code");
            if (wrong.isPresent()) return wrong.get();
            Optional<String> code = kind.flatMap(k -> vault.show(owner(state.job()), k, why.strip(), who));
            if (code.isEmpty()) return Acted.refused("There is no such code.");
            shown[0] = new Shown.Code(kind.orElseThrow().title(), code.get());
            return Acted.done();
        });
        return acted instanceof Acted.Done ? shown[0] : new Shown.No(acted);
    }

    private static Optional<Need.Kind> needed(JobState state, String key) {
        return state.readiness().stream()
                .flatMap(r -> r.needs().stream())
                .map(Need::kind)
                .filter(kind -> kind.secret() && kind.key().equals(key))
                .findFirst();
    }

    /** How many digits it has; 0 when the pack does not say. */
    static int digits(JobState state, Need.Kind kind) {
        return kind == Need.Kind.ACCESS_CODE
                ? state.pack()
                        .equipment()
                        .immobiliser()
                        .map(i -> i.codeDigits())
                        .orElse(0)
                : 0;
    }

    private static CodeVault.Owner owner(Job job) {
        return new CodeVault.Owner(job.id(), job.number());
    }
}

package codrane.app.stage.intake;

import codrane.app.account.Accounts;
import codrane.app.account.Role;
import codrane.core.job.IntakeNotes.Hand;
import codrane.core.plan.Workplace.Worker;
import java.util.List;
import org.springframework.stereotype.Component;

/** Who may be named as the one who works on a vehicle. */
@Component
class Hands {
    private final Accounts accounts;

    Hands(Accounts accounts) {
        this.accounts = accounts;
    }

    /** By name, each with what the workshop knows of them today. */
    List<Hand> all() {
        return accounts.hands().stream()
                .map(p -> new Hand(
                        p.name(),
                        new Worker(
                                p.role() == Role.TRAINEE,
                                p.qualified().licensed(),
                                p.qualified().highVoltage())))
                .toList();
    }
}

package codrane.app.stage.prepare;

import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.notes.Notes;
import codrane.app.records.AuditTrail;
import codrane.core.job.DerivedCoding;
import codrane.core.job.stage.PrepareStage;
import codrane.core.order.TypedOrder;
import codrane.core.pack.Equipment.VehicleOrder;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The vehicle order from the papers, when no module that is left keeps it. */
@Component
public class OrderTypedActs {
    private final Acts acts;
    private final Notes notes;
    private final AuditTrail audit;

    OrderTypedActs(Acts acts, Notes notes, AuditTrail audit) {
        this.acts = acts;
        this.notes = notes;
        this.audit = audit;
    }

    /** @param text codes, separated by blanks or commas */
    public Acted type(long number, String text, String who) {
        return acts.on(number, who, PrepareStage.TYPE_ORDER, state -> {
            Optional<VehicleOrder> order = state.pack().equipment().order();
            if (order.isEmpty() || !DerivedCoding.fromPapers(state))
                return Acted.refused("The plan needs no vehicle order from the papers.");
            return switch (TypedOrder.of(order.get(), text)) {
                case TypedOrder.Wrong(String sentence) -> Acted.refused(sentence + " Nothing was kept.");
                case TypedOrder.Codes(List<String> codes) -> {
                    notes.put(state.job().id(), OrderStored.KIND, new OrderStored(codes), who);
                    audit.record(who, "typed the vehicle order", "job " + number, String.join(" ", codes));
                    yield Acted.done();
                }
            };
        });
    }
}

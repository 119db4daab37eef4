package codrane.app.stage.intake;

import codrane.app.notes.NoteKind;
import codrane.core.job.IntakeNotes;
import codrane.core.plan.Workplace.Worker;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What was noted at arrival, as it is stored. */
record IntakeStored(Optional<IntakeNotes.OldModule> oldModule, String variant, Details details) {
    static final NoteKind<IntakeStored> KIND = new NoteKind<>("intake", IntakeStored.class, 2, IntakeStored::upcast);

    /** Before, nobody said who works. */
    private static JsonNode upcast(int was, JsonNode stored) {
        ObjectNode now = (ObjectNode) stored;
        ((ObjectNode) now.get("details")).putNull("hand");
        return now;
    }

    record Hand(String name, boolean trainee, boolean licensed, boolean highVoltage) {
        static Hand of(IntakeNotes.Hand hand) {
            Worker worker = hand.worker();
            return new Hand(hand.name(), worker.trainee(), worker.licensed(), worker.highVoltage());
        }

        IntakeNotes.Hand hand() {
            return new IntakeNotes.Hand(name, new Worker(trainee, licensed, highVoltage));
        }
    }

    record Line(String what, String value, String source) {}

    record Details(
            Optional<IntakeNotes.PartState> partState,
            String earlier,
            String papersVin,
            Optional<Integer> mileage,
            String lights,
            int keysHere,
            int keysAll,
            String ownership,
            List<Line> identifiers,
            Optional<Hand> hand) {}

    static IntakeStored of(IntakeNotes notes) {
        IntakeNotes.Details d = notes.details();
        return new IntakeStored(
                notes.oldModule(),
                notes.variant(),
                new Details(
                        d.partState(),
                        d.earlier(),
                        d.papersVin(),
                        d.mileage(),
                        d.lights(),
                        d.keysHere(),
                        d.keysAll(),
                        d.ownership(),
                        d.identifiers().stream()
                                .map(i -> new Line(i.what(), i.value(), i.source()))
                                .toList(),
                        d.hand().map(Hand::of)));
    }

    IntakeNotes notes() {
        return new IntakeNotes(
                oldModule,
                variant,
                new IntakeNotes.Details(
                        details.partState(),
                        details.earlier(),
                        details.papersVin(),
                        details.mileage(),
                        details.lights(),
                        details.keysHere(),
                        details.keysAll(),
                        details.ownership(),
                        details.identifiers().stream()
                                .map(l -> new IntakeNotes.Identifier(l.what(), l.value(), l.source()))
                                .toList(),
                        details.hand().map(Hand::hand)));
    }
}

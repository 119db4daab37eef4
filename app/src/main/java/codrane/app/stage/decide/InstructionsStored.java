package codrane.app.stage.decide;

import codrane.app.notes.NoteKind;
import codrane.core.pack.Pack;
import codrane.core.plan.InstructionNote;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Instructions from elsewhere that a job took, as they are stored: the workshop knows them by their model afterwards.
 *
 * @param pack of the vehicle
 * @param job its number
 */
record InstructionsStored(String pack, long job, List<One> taken) {
    static final NoteKind<InstructionsStored> KIND = NoteKind.first("instructions", InstructionsStored.class);

    record One(String line, String about, String source, String years, String software) {
        static One of(InstructionNote note) {
            return new One(note.line().text(), note.about(), note.source(), note.years(), note.software());
        }

        InstructionNote.Typed typed() {
            return new InstructionNote.Typed(about, source, years, software);
        }

        private Optional<InstructionNote> note() {
            return InstructionNote.read(line, typed()) instanceof InstructionNote.Read.Note(InstructionNote note)
                    ? Optional.of(note)
                    : Optional.empty();
        }
    }

    /** With one more; the same line again is said anew. */
    InstructionsStored with(InstructionNote note) {
        List<One> all = new ArrayList<>(taken);
        all.removeIf(one -> one.line().equals(note.line().text()));
        all.add(One.of(note));
        return new InstructionsStored(pack, job, all);
    }

    /** Without those whose byte is in a block that stays as it is. */
    InstructionsStored without(Pack held, String block) {
        List<One> left = taken.stream()
                .filter(one -> one.note()
                        .map(InstructionNote::line)
                        .flatMap(line -> line.module(held).flatMap(module -> line.place(held, module)))
                        .filter(place -> place.layout().id().equals(block))
                        .isEmpty())
                .toList();
        return new InstructionsStored(pack, job, left);
    }

    List<InstructionNote> notes() {
        return taken.stream().flatMap(one -> one.note().stream()).toList();
    }
}

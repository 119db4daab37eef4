package codrane.app.stage.intake;

import codrane.app.job.Viewer;
import codrane.app.photos.Photos;
import codrane.core.job.ArrivalCautions;
import codrane.core.job.HoldNote;
import codrane.core.job.IntakeNotes;
import codrane.core.job.Job;
import codrane.core.job.JobState;
import codrane.core.job.stage.IntakeStage;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.WorkAsked;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * The page of Intake.
 *
 * @param safety before anybody touches it
 * @param facts by title
 * @param form as it was kept; what was refused stands in its place
 */
public record IntakeView(
        long number,
        List<String> safety,
        Map<String, String> facts,
        IntakeForm form,
        Choices choices,
        List<Picture> photos,
        Correction correction,
        May may) {
    /**
     * @param partStates by value; none when nothing is replaced
     * @param hands names of those who may work on it
     */
    public record Choices(List<String> variants, Map<String, String> partStates, List<String> hands) {}

    /** A photo of the job. */
    public record Picture(String href, String caption, String taken) {}

    /** What this one may press. */
    public record May(boolean notes, boolean photos, boolean oldData, boolean correct, boolean cancel) {}

    /**
     * What the job is, to be corrected.
     *
     * @param work whether what is done can still be another work
     */
    public record Correction(
            String complaint, List<Option> kinds, List<Option> modules, List<Option> origins, boolean work) {
        static Correction of(JobState state) {
            Job job = state.job();
            return new Correction(
                    job.complaint(),
                    Arrays.stream(WorkAsked.values())
                            .map(w -> work(w, job.kind()))
                            .toList(),
                    state.pack().modules().values().stream()
                            .map(m -> new Option(
                                    m.id(), m.title(), job.replacedModule().equals(Optional.of(m.id()))))
                            .toList(),
                    Arrays.stream(PartOrigin.values())
                            .map(o ->
                                    new Option(o.name(), o.words(), job.origin().equals(Optional.of(o))))
                            .toList(),
                    state.plan().isEmpty());
        }

        /** What the job is stays what it is; of another part the kind follows from the part. */
        private static Option work(WorkAsked work, JobKind kind) {
            boolean chosen = WorkAsked.of(kind).equals(Optional.of(work));
            String other = work == WorkAsked.PART ? WorkAsked.PART_OF_ANY_KIND : work.value();
            return new Option(chosen ? kind.name() : other, work.sentence(), chosen);
        }
    }

    public record Option(String value, String title, boolean chosen) {}

    /** @param others modules like the one that is replaced, from other vehicles, that are here */
    static IntakeView of(
            JobState state,
            List<IntakeNotes.Hand> hands,
            List<Photos.Photo> photos,
            List<String> others,
            Viewer viewer) {
        long number = state.job().number();
        boolean open = state.job().closedAt().isEmpty();
        return new IntakeView(
                number,
                ArrivalCautions.of(state),
                facts(state, others),
                IntakeForm.of(state.intake()),
                choices(state, hands),
                photos.stream().map(p -> picture(state, p)).toList(),
                Correction.of(state),
                new May(
                        viewer.may(number, "notes"),
                        viewer.may(number, "photos"),
                        state.replaced().isPresent() && viewer.may(number, "old-module-data"),
                        open && viewer.may(number, "correct"),
                        open
                                && viewer.may(number, "cancel")
                                && IntakeStage.CANCEL.stop(state).isEmpty()));
    }

    private static Map<String, String> facts(JobState state, List<String> others) {
        Job job = state.job();
        Map<String, String> facts = new LinkedHashMap<>();
        facts.put("Complaint", job.complaint());
        facts.put("What is done", job.kind().title());
        state.replaced().ifPresent(module -> facts.put("Replaced", replaced(state, module.title())));
        if (!others.isEmpty()) facts.put("Old ones of ours", String.join("; ", others));
        facts.put(
                "Taken in",
                state.now().dayAndTime(job.life().createdAt()) + " by "
                        + job.life().createdBy());
        state.intake().details().hand().ifPresent(hand -> facts.put("Works on it", hand.words()));
        facts.put("VIN aloud", job.vin().spelled());
        String inData = state.intake().details().identifiers().stream()
                .filter(i -> i.what().equals(IntakeNotes.VIN_IN_OLD_DATA))
                .map(i -> i.value() + ", "
                        + (i.value().equals(job.vin().text()) ? "this vehicle's" : "another vehicle's") + " ("
                        + i.source()
                        + ")")
                .collect(Collectors.joining("; "));
        if (!inData.isEmpty()) facts.put(IntakeNotes.VIN_IN_OLD_DATA, inData);
        facts.put(
                "Consent",
                state.personHold(HoldPoint.CONSENT)
                        .map(note -> consent(state, note))
                        .orElse("not yet"));
        return facts;
    }

    private static String consent(JobState state, HoldNote note) {
        return (note.waived() ? "waived by " : "given, noted by ") + note.who() + ", "
                + state.now().dayAndTime(note.at());
    }

    private static String replaced(JobState state, String title) {
        IntakeNotes notes = state.intake();
        return title
                + state.job().origin().map(o -> ", " + o.words()).orElse("")
                + notes.oldModule().map(o -> "; the old one is " + o.words()).orElse("")
                + state.benched().oldReading().map(r -> ". " + r.sentence()).orElse("");
    }

    private static Choices choices(JobState state, List<IntakeNotes.Hand> hands) {
        Map<String, String> parts = new LinkedHashMap<>();
        if (state.replaced().isPresent())
            Arrays.stream(IntakeNotes.PartState.values()).forEach(p -> parts.put(p.name(), p.words()));
        return new Choices(
                state.variants(),
                parts,
                hands.stream().map(IntakeNotes.Hand::name).toList());
    }

    private static Picture picture(JobState state, Photos.Photo photo) {
        return new Picture(
                photo.href(state.job().number()),
                photo.caption(),
                state.now().dayAndTime(photo.at()) + ", " + photo.who());
    }
}

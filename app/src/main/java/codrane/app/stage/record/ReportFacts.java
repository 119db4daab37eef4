package codrane.app.stage.record;

import codrane.core.baseline.BaselineSummary;
import codrane.core.calibration.Manifest;
import codrane.core.calibration.Shelved;
import codrane.core.job.IntakeNotes.Identifier;
import codrane.core.job.Job;
import codrane.core.job.JobRun;
import codrane.core.job.JobState;
import codrane.core.text.Words;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Collectors;

/** The head of a report: what was wanted, what it rests on, what was used, and how it went, each by its title. */
final class ReportFacts {
    private static final int HASH = 16;

    private ReportFacts() {}

    /** @param programmed whether the job's file is in the vehicle */
    static Map<String, String> of(JobState state, boolean programmed) {
        Job job = state.job();
        Map<String, String> facts = new LinkedHashMap<>();
        facts.put("Complaint", job.complaint());
        facts.put("Work", work(state));
        facts.put(
                "Taken in",
                state.now().dayAndTime(job.life().createdAt()) + " by "
                        + job.life().createdBy());
        put(facts, "Other numbers", numbers(state));
        put(facts, "Instruction", instructions(state));
        state.baseline().ifPresent(b -> facts.put("Baseline", baseline(state, b)));
        if (programmed) state.calibration().map(Shelved::manifest).ifPresent(m -> facts.put("File", file(m)));
        state.run().ifPresent(r -> facts.put("Run", run(state, r)));
        state.baselined()
                .last(BaselineSummary.Purpose.AS_LEFT)
                .ifPresent(b -> facts.put("As left", baseline(state, b)));
        return facts;
    }

    private static void put(Map<String, String> facts, String title, String words) {
        if (!words.isEmpty()) facts.put(title, words);
    }

    private static String work(JobState state) {
        Job job = state.job();
        return state.replaced()
                .map(m -> job.kind().title() + ": " + m.title()
                        + job.origin().map(o -> ", " + o.words()).orElse(""))
                .orElse(job.kind().title());
    }

    private static String numbers(JobState state) {
        return state.intake().details().identifiers().stream()
                .map(ReportFacts::number)
                .collect(Collectors.joining("; "));
    }

    private static String number(Identifier number) {
        String what = number.what().isEmpty() ? "" : number.what() + ": ";
        String source = number.source().isEmpty() ? "" : " (" + number.source() + ")";
        return what + number.value() + source;
    }

    private static String instructions(JobState state) {
        return state.decided().instructions().stream()
                .map(note -> note.line().text() + (note.source().isEmpty() ? "" : ", found: " + note.source()))
                .collect(Collectors.joining("; "));
    }

    private static String baseline(JobState state, BaselineSummary b) {
        return "stored " + state.now().dayAndTime(b.takenAt()) + ", SHA-256 " + hash(b.sha256());
    }

    private static String hash(String sha256) {
        return sha256.substring(0, HASH) + "…";
    }

    private static String file(Manifest m) {
        return m.id() + ", software " + m.softwareAfter() + ", SHA-256 " + hash(m.sha256());
    }

    private static String run(JobState state, JobRun run) {
        String took = run.endedAt()
                .map(end -> ", "
                        + Words.lasting(Duration.between(run.startedAt(), end).toSeconds())
                        + " from its start to its end")
                .orElse("");
        return state.now().dayAndTime(run.startedAt()) + " by " + run.startedBy() + took + ": " + run.sentence();
    }
}

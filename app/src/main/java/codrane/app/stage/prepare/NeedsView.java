package codrane.app.stage.prepare;

import codrane.core.job.JobState;
import codrane.core.job.act.SpendingTooEarly;
import codrane.core.ready.Letter;
import codrane.core.ready.Need;
import codrane.core.ready.Readiness;
import codrane.core.text.Words;
import java.util.List;
import java.util.Optional;

/**
 * What the plan needs.
 *
 * @param before what stands before spending, as a sentence; empty when it may be spent
 */
public record NeedsView(String title, String before, List<Line> lines, Optional<Mail> letter) {
    /**
     * @param cost how long it takes and what it costs; empty when it is here
     * @param atUnlock whether it is seen to at Unlock
     * @param back whether what was said can be taken back
     */
    public record Line(
            String key,
            String title,
            Mark mark,
            String cost,
            String sentence,
            Optional<Say> say,
            boolean atUnlock,
            boolean back) {}

    /** @param row class of the row; empty when nothing is to be done */
    public record Mark(String id, String words, String row) {}

    /** What a person may say of it. */
    public record Say(String summary, String label, String button, boolean orderable) {
        static final String FACT = "Say what is so";
    }

    public record Mail(String title, String subject, String body) {}

    static NeedsView of(JobState state, Readiness readiness) {
        List<String> before = SpendingTooEarly.open(state);
        return new NeedsView(
                readiness.everythingHere()
                        ? "Everything that the plan needs is here"
                        : "What the plan needs; earliest start " + state.now().soon(readiness.earliestStart()),
                before.isEmpty() ? "" : "Nothing that costs is offered before: " + String.join("; ", before) + ".",
                readiness.needs().stream()
                        .map(n -> line(state, n, before.isEmpty()))
                        .toList(),
                state.job().replacedModule().flatMap(state.prepared()::letter).map(l -> mail(state, l)));
    }

    private static Line line(JobState state, Need need, boolean spend) {
        boolean noted = state.prepared().noted().containsKey(need.key()) && need.kind() != Need.Kind.FILE;
        return new Line(
                need.key(),
                need.title(),
                mark(need),
                cost(state, need),
                need.sentence(),
                say(need, spend),
                need.kind() == Need.Kind.AUTHORITY && !need.here(),
                noted);
    }

    private static Mark mark(Need need) {
        String words = need.state().words();
        return switch (need.state()) {
            case HERE -> new Mark("agrees", words, "");
            case LATE -> new Mark("differs", words, "hit");
            case ASKED, TO_GET -> new Mark("hold", words, "ask");
        };
    }

    private static Optional<Say> say(Need need, boolean spend) {
        if (need.here()) return Optional.empty();
        if (need.kind().secret())
            return spend || !need.costs()
                    ? Optional.of(new Say("Say when it is expected", "From whom; never the code itself", "", true))
                    : Optional.empty();
        if (need.kind() == Need.Kind.KEYS)
            return Optional.of(
                    new Say("Give the missing ones up", "Reason, for the record", "They are given up", false));
        return need.kind().noted()
                ? Optional.of(new Say(Say.FACT, "Number, name or balance", "It is here", spend || !need.costs()))
                : Optional.empty();
    }

    private static String cost(JobState state, Need need) {
        if (need.here()) return "";
        String lead = need.state() == Need.State.TO_GET
                ? Words.lead(need.lead())
                : need.due().map(d -> "expected " + state.now().soon(d)).orElse("");
        String price = need.price().map(p -> p == 0 ? "" : p + " cr").orElse("price unknown until asked");
        return lead + (lead.isEmpty() || price.isEmpty() ? "" : ", ") + price;
    }

    private static Mail mail(JobState state, Letter letter) {
        String sent = letter.sentAt()
                .map(at -> ", sent " + state.now().dayAndTime(at))
                .orElse(", not sent yet");
        String answered = letter.arrivedAt()
                .map(at -> ", answered " + state.now().dayAndTime(at) + " with " + letter.arrivedAs())
                .orElse("");
        return new Mail(
                "Letter to " + letter.text().recipient() + sent + answered,
                letter.text().subject(),
                letter.text().body());
    }
}

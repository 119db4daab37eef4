package codrane.app.job;

import codrane.app.job.NextAct.Act;
import codrane.app.job.NextAct.Tone;
import codrane.core.pack.FileRoute;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobProgress.Hold;
import codrane.core.ready.Letter;
import codrane.core.ready.Need;
import codrane.core.ready.Readiness;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What to do next while something that the plan needs is not here. */
final class NextNeedAct {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM, HH:mm", Locale.ENGLISH);

    private NextNeedAct() {}

    /** Whether the calibration of the job's module comes by mail. */
    static boolean byMail(JobFacts facts) {
        return facts.replaced()
                .map(m -> m.software().file().way() == FileRoute.Way.MAIL)
                .orElse(false);
    }

    /** The calibration is asked for by mail: drafted, sent, awaited. */
    static NextAct file(JobFacts facts) {
        String module = facts.replaced().orElseThrow().lowerTitle();
        Optional<Letter> letter =
                facts.decided().letter(facts.replaced().orElseThrow().id());
        String path = "/letters/" + facts.replaced().orElseThrow().id();
        if (letter.isEmpty())
            return new NextAct(
                    "Ask for the calibration of the " + module + " by mail",
                    "This maker sends it, it is not downloaded. The letter is drafted with VIN and numbers; nothing is typed by hand.",
                    NextActs.stop(facts),
                    Tone.DO,
                    List.of(Act.read("Draft the letter", path + "/draft")));
        if (letter.get().sentAt().isEmpty())
            return new NextAct(
                    "Send the letter",
                    "It stands below, ready. Codrane hands it to the maker's mail room and waits for the answer.",
                    NextActs.stop(facts),
                    Tone.DO,
                    List.of(
                            Act.read("Send it", path + "/sent"),
                            Act.read("Draft again", path + "/draft").second()));
        return new NextAct(
                "The calibration is on its way, expected "
                        + letter.get().dueAt().map(NextNeedAct::day).orElse("soon"),
                "Asked for under " + letter.get().reference()
                        + ". When it is here, it is checked and belongs to this job.",
                NextActs.stop(facts),
                Tone.WAITS,
                List.of(Act.read("Look for the answer", path + "/look")));
    }

    /** Whatever else is missing; the one that takes longest says when the job can start. */
    static Optional<NextAct> of(JobFacts facts) {
        if (facts.progress().hold(HoldPoint.EVERYTHING_HERE) != Hold.OPEN) return Optional.empty();
        Readiness readiness = facts.readiness().orElseThrow();
        List<Need> missing = readiness.missing();
        Need first = missing.getFirst();
        boolean waits = missing.stream().allMatch(n -> n.state() == Need.State.ASKED);
        String all =
                String.join(", ", missing.stream().map(n -> lower(n.title())).toList());
        String start = "Earliest start: " + day(readiness.earliestStart()) + ".";
        return Optional.of(
                waits
                        ? new NextAct(
                                "Waits for " + all,
                                start + " Everything else is here.",
                                NextActs.stop(facts),
                                Tone.WAITS,
                                List.of())
                        : new NextAct(
                                first.title() + ": " + first.state().words(),
                                first.sentence() + (missing.size() > 1 ? " Missing in all: " + all + "." : "") + " "
                                        + start + " Say below what is here.",
                                NextActs.stop(facts),
                                Tone.PERSON,
                                List.of()));
    }

    private static String lower(String title) {
        return title.toLowerCase(Locale.ROOT);
    }

    static String day(Instant at) {
        return DAY.format(at.atZone(ZoneId.systemDefault()));
    }
}

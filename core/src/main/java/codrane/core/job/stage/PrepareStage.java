package codrane.core.job.stage;

import codrane.core.job.JobState;
import codrane.core.job.ReferenceCoding;
import codrane.core.job.act.Ask;
import codrane.core.job.act.NextAct;
import codrane.core.job.act.NextAct.Act;
import codrane.core.job.act.NextAct.Tone;
import codrane.core.job.act.NoPlan;
import codrane.core.job.act.ReplacesNothing;
import codrane.core.job.act.RunBegun;
import codrane.core.job.act.RunHolds;
import codrane.core.job.act.Stop;
import codrane.core.job.act.TooEarly;
import codrane.core.job.hold.HoldRules;
import codrane.core.pack.FileRoute;
import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobProgress;
import codrane.core.plan.JobProgress.Hold;
import codrane.core.plan.Stage;
import codrane.core.ready.Letter;
import codrane.core.ready.Need;
import codrane.core.ready.Readiness;
import codrane.core.text.Words;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Prepare: the calibration, the line sheet, whatever else the plan needs, and the supply. */
public final class PrepareStage implements StageRules {
    public static final Ask FETCH = got("calibration", "fetched a calibration");
    public static final Ask UPLOAD = got("calibration-upload", "took a file");
    public static final Ask FETCH_SHEET = got("line-sheet", "fetched a line sheet");
    public static final Ask PASTE_SHEET = got("line-sheet-pasted", "pasted a line sheet");
    public static final Ask NOTE_NEED = need("needs", "noted a need");
    public static final Ask FORGET_NEED = need("needs", "took a need back");
    public static final Ask KEEP_CODE = need("codes", "typed a code");
    public static final Ask ASK_DAILY = need("codes/price", "asked what the code of the day costs");
    public static final Ask BUY_DAILY = need("codes/bought", "bought the code of the day");
    public static final Ask FORGET_CODE = need("codes", "forgot a code");
    public static final Ask SHOW_CODE = Ask.of("codes/shown", "looked at a code");
    public static final Ask TYPE_LEARNED = need("learned", "typed learned values");
    public static final Ask TYPE_ORDER = settled("order-typed", "typed the vehicle order");
    public static final Ask JUDGE_GAPS = settled("gaps", "judged settings");
    public static final Ask DRAFT = letter("draft", "drafted a letter");
    public static final Ask SEND = letter("sent", "sent a letter");
    public static final Ask LOOK = letter("look", "looked for an answer");

    private static Ask got(String name, String said) {
        return Ask.of(
                name,
                said,
                new TooEarly(Stage.PREPARE),
                new RunHolds("what it uses stays as it is"),
                new NoPlan(),
                new ReplacesNothing());
    }

    private static Ask need(String name, String said) {
        return Ask.of(name, said, new TooEarly(Stage.PREPARE), new RunHolds("its needs stay as they are"));
    }

    private static Ask settled(String name, String said) {
        return Ask.of(name, said, new TooEarly(Stage.PREPARE), new RunBegun());
    }

    private static Ask letter(String name, String said) {
        return Ask.of(
                "letters/" + name,
                said,
                new TooEarly(Stage.PREPARE),
                state -> Stop.unless(byMail(state), "Nothing of this is asked for by mail."),
                new NoPlan());
    }

    /** Whether the calibration of the job's module comes by mail. */
    public static boolean byMail(JobState state) {
        return state.replaced()
                .map(m -> m.software().file().way() == FileRoute.Way.MAIL)
                .orElse(false);
    }

    @Override
    public Stage stage() {
        return Stage.PREPARE;
    }

    @Override
    public NextAct next(JobState state, String who) {
        JobProgress progress = HoldRules.progress(state);
        if (progress.hold(HoldPoint.FILE_CHECKED) == Hold.OPEN)
            return byMail(state) ? letter(state, state.replaced().orElseThrow()) : download(state);
        if (progress.hold(HoldPoint.SHEET_CHECKED) == Hold.OPEN)
            return new NextAct(
                    "Fetch the line sheet of this VIN",
                    "It is the maker's record of how this vehicle was coded. Each line's check byte is judged.",
                    Safe.toStop(state),
                    Tone.DO,
                    List.of(Act.simple("Fetch the line sheet", FETCH_SHEET)));
        if (progress.hold(HoldPoint.EVERYTHING_HERE) == Hold.OPEN)
            return missing(state, state.readiness().orElseThrow());
        if (progress.hold(HoldPoint.GAPS_CONFIRMED) == Hold.OPEN) return gaps(state);
        return new NextAct(
                "The supply is not ready",
                state.power().reason()
                        + " Clamp the support unit at the jump posts, in programming mode; no open flame near the"
                        + " battery.",
                Safe.toStop(state),
                Tone.DIFFERS,
                List.of(Act.go("Look again", Stage.PREPARE)));
    }

    /** Of other vehicles' values where they disagree, or of a sheet that is older than the last programming. */
    private static NextAct gaps(JobState state) {
        Optional<ReferenceCoding> coding = ReferenceCoding.of(state);
        Optional<String> missing = coding.flatMap(ReferenceCoding::missing);
        if (missing.isPresent())
            return new NextAct(
                    "Judge the coding of the " + coding.get().module().lowerTitle(),
                    missing.get()
                            + " Where other vehicles and the factory disagree, look at this vehicle: what is fitted,"
                            + " what the customer knows. Each stands below with where it comes from.",
                    Safe.toStop(state),
                    Tone.PERSON,
                    List.of());
        return new NextAct(
                coding.map(PrepareStage::judged).orElse("Is everything of this vehicle on the sheet?"),
                coding.map(PrepareStage::sources)
                        .orElse("It is older than the last programming: what was retrofitted or changed since is not on"
                                + " it. Ask the customer, and look."),
                Safe.toStop(state),
                Tone.PERSON,
                List.of(Act.keep(
                        coding.isPresent() ? "It is right so" : "Everything is on it", HoldPoint.GAPS_CONFIRMED)));
    }

    private static String judged(ReferenceCoding coding) {
        return coding.gaps().isEmpty()
                ? "All sources of the coding agree: is it right so?"
                : "Every gap is judged: is it right so?";
    }

    private static String sources(ReferenceCoding coding) {
        String module = coding.module().lowerTitle();
        int gaps = coding.gaps().size();
        return gaps == 0
                ? "Nothing of the " + module + " has to be judged. Look through it below."
                : Words.count(gaps, "setting") + " of the " + module + (gaps == 1 ? " was" : " were")
                        + " judged by a person; for the others all sources agree. Look through them below.";
    }

    private static NextAct download(JobState state) {
        return new NextAct(
                "Fetch the calibration for the "
                        + state.replaced().map(PackModule::lowerTitle).orElse("module"),
                "Choose the file for its hardware below; size, SHA-256 and CRC-32 are checked before it is used.",
                Safe.toStop(state),
                Tone.DO,
                List.of());
    }

    /** The calibration is asked for by mail: drafted, sent, awaited. */
    private static NextAct letter(JobState state, PackModule module) {
        Optional<Letter> letter = state.prepared().letter(module.id());
        if (letter.isEmpty())
            return new NextAct(
                    "Ask for the calibration of the " + module.lowerTitle() + " by mail",
                    "This maker sends it, it is not downloaded. The letter is drafted with VIN and numbers; nothing is"
                            + " typed by hand.",
                    Safe.toStop(state),
                    Tone.DO,
                    List.of(Act.simple("Draft the letter", DRAFT, module.id())));
        if (letter.get().sentAt().isEmpty())
            return new NextAct(
                    letter.get().lostAt().isPresent() ? "The letter was lost: send it again" : "Send the letter",
                    letter.get()
                                    .lostAt()
                                    .map(at -> "The mail room knew nothing of it "
                                            + state.now().dayAndTime(at) + ". ")
                                    .orElse("")
                            + "It stands below, ready. Codrane hands it to the maker's mail room and waits for the answer.",
                    Safe.toStop(state),
                    Tone.DO,
                    List.of(
                            Act.simple("Send it", SEND, module.id()),
                            Act.simple("Draft again", DRAFT, module.id()).second()));
        return new NextAct(
                "The calibration is on its way, expected "
                        + letter.get().dueAt().map(state.now()::soon).orElse("soon"),
                "Asked for under " + letter.get().reference()
                        + ". When it is here, it is checked and belongs to this job.",
                Safe.toStop(state),
                Tone.WAITS,
                List.of(Act.simple("Look for the answer", LOOK, module.id())));
    }

    /** Whatever else is missing; the one that takes longest says when the job can start. */
    private static NextAct missing(JobState state, Readiness readiness) {
        List<Need> missing = readiness.missing();
        Need first = missing.getFirst();
        String all = String.join(
                ", ",
                missing.stream().map(n -> n.title().toLowerCase(Locale.ROOT)).toList());
        String start = "Earliest start: " + state.now().soon(readiness.earliestStart()) + ".";
        if (missing.stream().allMatch(n -> n.state() == Need.State.ASKED))
            return new NextAct(
                    "Waits for " + all, start + " Everything else is here.", Safe.toStop(state), Tone.WAITS, List.of());
        return new NextAct(
                first.title() + ": " + first.state().words(),
                first.sentence() + (missing.size() > 1 ? " Missing in all: " + all + "." : "") + " " + start
                        + toDo(first.kind()),
                Safe.toStop(state),
                Tone.PERSON,
                List.of());
    }

    private static String toDo(Need.Kind kind) {
        if (kind == Need.Kind.REFERENCE) return " Read one as a job of its own: it is found then.";
        return kind.typed() ? " Type it below." : " Say below what is here.";
    }

    @Override
    public Optional<String> found(JobState state) {
        if (HoldRules.progress(state).of(Stage.PREPARE).isEmpty()) return Optional.of("The plan needs nothing.");
        return Optional.of(state.calibration()
                .map(file -> "At hand: " + file.manifest().title() + "; everything else that the plan needs is here.")
                .orElse("Everything that the plan needs is here."));
    }
}

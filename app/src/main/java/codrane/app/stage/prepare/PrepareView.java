package codrane.app.stage.prepare;

import codrane.app.job.Viewer;
import codrane.app.photos.Photos;
import codrane.app.shelf.LineageView;
import codrane.core.calibration.CalibrationCheck;
import codrane.core.calibration.Manifest;
import codrane.core.coding.LineSheet;
import codrane.core.job.FileFit;
import codrane.core.job.JobState;
import codrane.core.job.JudgedSheet;
import codrane.core.job.act.SpendingTooEarly;
import codrane.core.octets.Bytes;
import codrane.core.pack.CodingSource;
import codrane.core.pack.FileRoute;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Operation;
import codrane.core.planner.CodingSources;
import codrane.core.power.PowerGate;
import codrane.core.ready.Need;
import codrane.core.ready.Noted;
import codrane.core.text.Words;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/**
 * The page of Prepare.
 *
 * @param needs empty while there is no plan
 * @param file empty when the plan programs nothing
 * @param sheet empty when no line sheet is asked for
 */
public record PrepareView(
        long number,
        Optional<NeedsView> needs,
        Optional<File> file,
        Optional<Sheet> sheet,
        Typed typed,
        Optional<PowerGate.Verdict> supply,
        May may) {
    /**
     * The calibration.
     *
     * @param atHand as a sentence; empty when there is none
     * @param trouble why the service could not be asked; empty when it could
     * @param asking whether the service is being asked: the page is loaded anew then
     * @param balance of tokens, as a sentence; empty when none are used
     */
    public record File(
            String atHand, String trouble, boolean asking, List<Offer> offers, String balance, LineageView lineage) {}

    /**
     * @param fetch words of the button; empty when it can't be fetched now
     * @param cost that is agreed to first, in words; empty when nothing is paid
     */
    public record Offer(
            String id, String title, String hardware, String size, Judged judged, String fetch, String cost) {}

    public record Judged(boolean good, String words) {}

    /**
     * @param content empty while it is not here
     * @param stale what may be missing on it, as a sentence; empty when nothing is known to be
     * @param example of a line of its module
     * @param photo where the newest photo of it is shown; empty without one
     */
    public record Sheet(Optional<Judged> judged, String content, String stale, String example, String photo) {}

    /** What people type in besides. */
    public record Typed(
            List<CodeView> codes, List<LearnedView> learned, Optional<OrderTypedView> order, Optional<GapsView> gaps) {
        static final Typed NOTHING = new Typed(List.of(), List.of(), Optional.empty(), Optional.empty());
    }

    /** What this one may press. */
    public record May(boolean needs, boolean upload, boolean paste, boolean photos) {}

    /** @param onShelf files that were paid already */
    static PrepareView of(
            JobState state, Offers.Known known, Predicate<Manifest> onShelf, List<Photos.Photo> photos, Viewer viewer) {
        long number = state.job().number();
        May may = new May(
                viewer.may(number, "needs"),
                viewer.may(number, "calibration-upload"),
                viewer.may(number, "line-sheet-pasted"),
                viewer.may(number, "photos"));
        if (state.plan().isEmpty())
            return new PrepareView(
                    number, Optional.empty(), Optional.empty(), Optional.empty(), Typed.NOTHING, Optional.empty(), may);
        boolean programs = state.planHas(Operation.Kind.PROGRAM);
        boolean sheet = state.planHolds(HoldPoint.SHEET_CHECKED);
        return new PrepareView(
                number,
                state.readiness().map(r -> NeedsView.of(state, r)),
                programs
                        ? Optional.of(file(state, known, onShelf, viewer.may(number, "calibration")))
                        : Optional.empty(),
                sheet ? Optional.of(sheet(state, photos)) : Optional.empty(),
                new Typed(
                        CodeView.of(state, viewer),
                        LearnedView.of(state, viewer),
                        OrderTypedView.of(state, viewer),
                        GapsView.of(state, viewer)),
                Optional.of(state.power()),
                may);
    }

    private static File file(JobState state, Offers.Known known, Predicate<Manifest> onShelf, boolean may) {
        String atHand = state.calibration()
                .map(c -> "At hand: " + c.manifest().title() + " ("
                        + c.manifest().id() + "). Size, SHA-256 and CRC-32 are the manifest’s.")
                .orElse("");
        return new File(
                atHand,
                known.answer().map(Offers.Answer::trouble).orElse(""),
                known.asking(),
                known.answer().map(Offers.Answer::offers).orElse(List.of()).stream()
                        .map(m -> offer(state, m, onShelf.test(m), may))
                        .toList(),
                balance(state),
                lineage(state, known, onShelf));
    }

    /** With the place of the module as it was read. */
    private static LineageView lineage(JobState state, Offers.Known known, Predicate<Manifest> onShelf) {
        List<Manifest> fitting = known.answer().map(Offers.Answer::offers).orElse(List.of()).stream()
                .filter(m -> FileFit.of(state, m).usable())
                .toList();
        return LineageView.of(
                state.pack(),
                state.replaced().orElseThrow(),
                fitting,
                fitting.stream().filter(onShelf).map(Manifest::softwareAfter).collect(Collectors.toSet()),
                FileFit.target(state).flatMap(CalibrationCheck.Target::software));
    }

    /** As somebody noted it: the maker's service does not tell. */
    private static String balance(JobState state) {
        FileRoute route = state.replaced().orElseThrow().software().file();
        if (route.tokens() == 0) return "";
        String key = Need.Kind.TOKENS.key() + ":" + state.pack().service();
        return Optional.ofNullable(state.prepared().noted().get(key))
                .map(Noted::detail)
                .filter(d -> !d.isEmpty())
                .map(d -> "Balance of tokens, as it was noted: " + d + ".")
                .orElse("Nobody noted the balance of tokens: look at the account first.");
    }

    /** @param paid whether it is on the shelf already, and so costs nothing */
    private static Offer offer(JobState state, Manifest m, boolean paid, boolean may) {
        CalibrationCheck fit = CalibrationCheck.origin(m, state.pack()).orElseGet(() -> FileFit.of(state, m));
        String cost =
                paid ? "" : state.replaced().orElseThrow().software().file().cost();
        return new Offer(
                m.id(),
                m.title(),
                String.join(", ", m.hardware()),
                Words.megabytes(m.size()),
                new Judged(fit.usable(), String.join(" ", fit.reasons())),
                may && fit.usable() ? fetch(state, cost) : "",
                cost);
    }

    private static String fetch(JobState state, String cost) {
        boolean tooEarly = !cost.isEmpty() && !SpendingTooEarly.open(state).isEmpty();
        if (state.runHolds() || tooEarly) return "";
        if (!cost.isEmpty()) return "Buy it for " + cost;
        return state.calibration().isPresent() ? "Fetch again" : "Fetch";
    }

    private static Sheet sheet(JobState state, List<Photos.Photo> photos) {
        Optional<JudgedSheet> sheet = state.sheet();
        return new Sheet(
                sheet.map(s -> new Judged(
                        s.good(),
                        s.good()
                                ? "At hand, from " + s.record().source()
                                        + ": every check byte fits, and it was made for this vehicle."
                                : String.join(" ", s.troubles()))),
                sheet.map(s -> s.record().content()).orElse(""),
                state.before()
                        .filter(scan -> sheet.isPresent())
                        .flatMap(scan -> CodingSources.stale(state.vehicleFacts(scan), CodingSource.LINE_SHEET))
                        .orElse(""),
                state.replaced()
                        .map(m -> new LineSheet.Line(m.tag(), 1, Bytes.of(0x00, 0x11, 0x22)).text())
                        .orElse(""),
                photos.reversed().stream()
                        .filter(photo -> photo.caption().equals(Photos.SHEET))
                        .findFirst()
                        .map(photo -> photo.href(state.job().number()))
                        .orElse(""));
    }
}

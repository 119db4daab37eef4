package codrane.app.stage.record;

import codrane.app.account.Routes;
import codrane.app.job.Viewer;
import codrane.app.records.ChangeLine;
import codrane.app.tools.MenuMap;
import codrane.app.web.LedgerView;
import codrane.core.job.CustomerCard;
import codrane.core.job.HoldNote;
import codrane.core.job.JobState;
import codrane.core.job.OldPart;
import codrane.core.pack.MarketRules;
import codrane.core.planner.LawAllows;
import codrane.core.text.Words;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpMethod;

/**
 * The report of a job.
 *
 * @param facts by title
 * @param ledger empty while no scan is from after the run
 * @param replaces whether a module came out, which is labelled
 * @param tracks whether who looks may say where that module is
 * @param cards for the customer, of equipment that was enabled
 * @param law what the market's rules want the customer to know
 */
public record RecordView(
        long number,
        Map<String, String> facts,
        List<ChangeLine> changes,
        Optional<LedgerView> ledger,
        List<Kept> kept,
        List<String> law,
        List<CustomerCard> cards,
        Menu menu,
        boolean replaces,
        boolean tracks) {
    /** A hold point that a person kept or waived. */
    public record Kept(String title, String state, String who, String at, String why) {}

    /**
     * What tools call operations.
     *
     * @param operations that can be named, by key; none when this one may not, or nothing is written
     */
    public record Menu(List<MenuMap.Entry> entries, Map<String, String> operations) {}

    static RecordView of(
            JobState state, List<ChangeLine> changes, boolean programmed, List<MenuMap.Entry> menus, Viewer viewer) {
        Map<String, String> operations = new LinkedHashMap<>();
        if (viewer.may(state.job().number(), "menu")) state.writes().forEach(o -> operations.put(o.key(), o.title()));
        return new RecordView(
                state.job().number(),
                ReportFacts.of(state, programmed),
                changes,
                state.after().filter(s -> state.before().isPresent()).map(s -> LedgerView.of(state, s)),
                state.holds().stream().map(h -> kept(state, h)).toList(),
                law(state),
                CustomerCard.of(state),
                new Menu(menus, operations),
                OldPart.of(state).isPresent(),
                OldPart.of(state).isPresent() && Routes.allows(viewer.role(), HttpMethod.POST, "/parts/1"));
    }

    private static Kept kept(JobState state, HoldNote note) {
        return new Kept(
                note.point().title(),
                note.waived() ? "waived" : "kept",
                note.who(),
                state.now().dayAndTime(note.at()),
                note.why());
    }

    private static List<String> law(JobState state) {
        return state.before().stream()
                .flatMap(scan -> LawAllows.rules(state.vehicleFacts(scan)).stream())
                .filter(r -> r.says() == MarketRules.Says.NOTE)
                .map(r -> r.sentence() + ". " + r.source() + ", since " + Words.day(r.from()))
                .toList();
    }
}

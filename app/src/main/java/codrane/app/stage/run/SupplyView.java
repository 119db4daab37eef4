package codrane.app.stage.run;

import codrane.app.live.RunStore.JournalRow;
import codrane.app.web.River;
import codrane.app.web.SupplyPicture;
import codrane.app.workshop.Times;
import codrane.core.job.Job;
import codrane.core.power.SupplyRecord;
import codrane.core.text.Words;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;

/**
 * The page of a run's supply.
 *
 * @param stretches one for each time that the run was started or recovered
 */
public record SupplyView(Job job, List<Stretch> stretches) {
    private static final int SECONDS_A_ROW = 60;

    /** @param minutes the lowest of each, as a table */
    public record Stretch(String title, String said, SupplyPicture picture, List<Minute> minutes) {}

    public record Minute(String from, String lowest) {}

    static SupplyView of(Job job, List<SupplyRecord> supplies, List<JournalRow> journal, Times times) {
        return new SupplyView(
                job, supplies.stream().map(s -> stretch(s, journal, times)).toList());
    }

    private static Stretch stretch(SupplyRecord supply, List<JournalRow> journal, Times times) {
        String from = times.clock(supply.begun());
        String to = times.clock(supply.begun().plus(supply.span()));
        String said = said(supply, times);
        int top = River.y(supply.upper());
        SupplyPicture picture = new SupplyPicture(
                "Supply from " + from + " to " + to + ". " + said,
                top,
                River.y(supply.hold()) - top,
                supply.hold(),
                supply.upper(),
                River.lines(supply),
                journal.stream()
                        .filter(JournalRow::writes)
                        .map(row ->
                                (int) Duration.between(supply.begun(), row.at()).toSeconds())
                        .filter(second -> second >= 0 && second <= supply.span().toSeconds())
                        .distinct()
                        .map(second -> River.x(second, supply.millivolts().size() - 1))
                        .toList(),
                from,
                to);
        return new Stretch(
                times.at(supply.begun()) + ", for "
                        + Words.lasting(supply.span().toSeconds()),
                said,
                picture,
                minutes(supply, times));
    }

    private static String said(SupplyRecord supply, Times times) {
        List<String> said = new ArrayList<>();
        said.add(supply.lowest()
                .map(low -> "Lowest " + Words.volts(low.volts()) + " at " + times.clock(low.at()) + ".")
                .orElse("Nothing was read: the meter was silent."));
        if (supply.secondsBelowHold() > 0)
            said.add("Below " + Words.volts(supply.hold()) + " for " + Words.lasting(supply.secondsBelowHold()) + ".");
        if (supply.secondsAboveLimit() > 0)
            said.add(
                    "Above " + Words.volts(supply.upper()) + " for " + Words.lasting(supply.secondsAboveLimit()) + ".");
        if (supply.lowest().isPresent() && supply.secondsUnknown() > 0)
            said.add("Not read for " + Words.lasting(supply.secondsUnknown()) + ".");
        if (said.size() == 1 && supply.lowest().isPresent()) said.add("It was in its window all the time.");
        return String.join(" ", said);
    }

    private static List<Minute> minutes(SupplyRecord supply, Times times) {
        List<Minute> minutes = new ArrayList<>();
        int size = supply.millivolts().size();
        for (int i = 0; i < size; i += SECONDS_A_ROW) {
            SupplyRecord minute = new SupplyRecord(
                    supply.begun().plusSeconds(i),
                    supply.hold(),
                    supply.upper(),
                    supply.millivolts().subList(i, Math.min(size, i + SECONDS_A_ROW)));
            minutes.add(new Minute(
                    times.clock(minute.begun()),
                    minute.lowest().map(low -> Words.volts(low.volts())).orElse("not read")));
        }
        return minutes;
    }
}

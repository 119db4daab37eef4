package codrane.app.job;

import codrane.core.ready.Letter;
import codrane.core.ready.Need;
import codrane.core.ready.Readiness;
import java.time.Duration;
import java.util.List;
import java.util.Optional;

/**
 * What the page of Prepare shows of needs.
 *
 * @param start the earliest, in words; empty when everything is here
 * @param before hold points that stand before spending, in words; none when it may be spent
 */
public record NeedsView(List<Line> lines, String start, List<String> before, Optional<Letter> letter) {
    /**
     * @param lead in words; empty when it is here
     * @param sayable whether a person may say that it is here
     * @param orderable whether a person may say that it was asked for
     */
    public record Line(Need need, String lead, String price, boolean sayable, boolean orderable) {}

    static NeedsView of(JobFacts facts, Readiness readiness) {
        List<String> before = NeedActs.beforeSpending(facts);
        List<Line> lines = readiness.needs().stream().map(n -> line(n, before)).toList();
        boolean all = readiness.needs().stream().allMatch(Need::here);
        String start = all ? "" : NextNeedAct.day(readiness.earliestStart());
        return new NeedsView(lines, start, before, facts.job().replacedModule().flatMap(facts.decided()::letter));
    }

    private static Line line(Need need, List<String> before) {
        boolean sayable = !need.here() && (need.kind().noted() || need.kind() == Need.Kind.KEYS);
        boolean orderable = sayable && need.kind().noted() && (before.isEmpty() || !need.costs());
        return new Line(need, lead(need), price(need), sayable, orderable);
    }

    private static String lead(Need need) {
        return switch (need.state()) {
            case HERE -> "";
            case ASKED, LATE ->
                need.due().map(d -> "expected " + NextNeedAct.day(d)).orElse("");
            case TO_GET -> span(need.lead());
        };
    }

    static String span(Duration lead) {
        if (lead.isZero()) return "at once";
        if (lead.toHours() < 1) return lead.toMinutes() + " min";
        if (lead.toHours() < 48) return lead.toHours() + " h";
        return lead.toDays() + " days";
    }

    private static String price(Need need) {
        if (need.here()) return "";
        return need.price().map(p -> p == 0 ? "" : p + " cr").orElse("price unknown until asked");
    }
}

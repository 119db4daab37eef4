package codrane.app.job;

import codrane.core.job.HoldNote;
import codrane.core.job.JobState;
import codrane.core.job.act.Ask;
import codrane.core.job.act.Stop;
import codrane.core.job.act.TooEarly;
import codrane.core.job.hold.HoldRule;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobProgress.Hold;
import java.time.InstantSource;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Keeping and waiving hold points. A refused act changes nothing. */
@Component
public class HoldActs {
    private final Acts acts;
    private final Holds holds;
    private final InstantSource time;

    HoldActs(Acts acts, Holds holds, InstantSource time) {
        this.acts = acts;
        this.holds = holds;
        this.time = time;
    }

    /** Keeps a hold point that is a person's to keep. */
    public Acted keep(long number, HoldPoint point, String who, String why) {
        if (point.by() != HoldPoint.By.PERSON) return Acted.refused("This is kept by what is read, not by a click.");
        if (point == HoldPoint.WRITES_RELEASED) return Acted.refused("The writes are released by starting the run.");
        HoldRule rule = HoldRules.of(point);
        Ask ask = ask("kept", point, state -> rule.missing(state).flatMap(Stop::because));
        return acts.on(number, who, ask, state -> {
            holds.put(state.job(), new HoldNote(point, false, who, time.instant(), why, rule.about(state)));
            return Acted.done();
        });
    }

    /** Waives a hold point by name, with a reason. */
    public Acted waive(long number, HoldPoint point, String who, String why) {
        if (!point.waivable()) return Acted.refused("This hold point can't be waived.");
        HoldRule rule = HoldRules.of(point);
        Ask ask = ask("waived", point, state -> rule.missingToWaive(state).flatMap(Stop::because));
        return acts.on(number, who, ask, state -> {
            Optional<Acted> wrong = Reason.wrong(why, "it is waived");
            if (wrong.isPresent()) return wrong.get();
            holds.put(state.job(), new HoldNote(point, true, who, time.instant(), why.strip(), rule.about(state)));
            return Acted.done();
        });
    }

    private static Ask ask(String did, HoldPoint point, codrane.core.job.act.StopRule missing) {
        return Ask.of(
                "hold/" + point.key(),
                did + " “" + point.title() + "”",
                new TooEarly(point.stage()),
                state -> Stop.unless(needed(state, point), "Nothing of this job needs that: " + point.title() + "."),
                missing);
    }

    private static boolean needed(JobState state, HoldPoint point) {
        return HoldRules.progress(state).hold(point) != Hold.NOT_NEEDED;
    }
}

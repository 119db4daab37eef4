package codrane.core.job.hold;

import codrane.core.job.HoldNote;
import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobProgress;
import codrane.core.plan.JobProgress.Hold;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/** All hold points, in the order of the stages. */
public final class HoldRules {
    static final List<HoldRule> ALL = List.of(
            new OldModuleAsked(),
            new PapersAgree(),
            new Consent(),
            new OwnershipProved(),
            new LinkProven(),
            new SupplyHeld(),
            new OldModuleRead(),
            new FaultsRecorded(),
            new IdentitySettled(),
            new VariantNamed(),
            new Authorised(),
            new BaselineStored(),
            new PlanAgreed(),
            new LeadApproved(),
            new PartInPlace(),
            new FileChecked(),
            new SheetChecked(),
            new GapsConfirmed(),
            new KeysCounted(),
            new EverythingHere(),
            new PowerReady(),
            new NoWayBack(),
            new WritesReleased(),
            new RunFinished(),
            new Settled(),
            new ReadBackAgrees(),
            new FunctionTested());

    private static final Map<HoldPoint, HoldRule> BY_POINT =
            ALL.stream().collect(Collectors.toMap(HoldRule::point, Function.identity()));

    private HoldRules() {}

    public static HoldRule of(HoldPoint point) {
        return Objects.requireNonNull(BY_POINT.get(point));
    }

    /** Where a job stands. */
    public static JobProgress progress(JobState state) {
        return state.once("progress", HoldRules::judge);
    }

    private static JobProgress judge(JobState state) {
        Map<HoldPoint, Hold> all = new EnumMap<>(HoldPoint.class);
        for (HoldRule rule : ALL) all.put(rule.point(), judge(rule, state));
        return new JobProgress(all);
    }

    private static Hold judge(HoldRule rule, JobState state) {
        if (!rule.needed(state)) return Hold.NOT_NEEDED;
        Optional<HoldNote> person = state.personHold(rule.point()).filter(note -> rule.holds(state, note));
        if (person.isPresent()) return person.get().waived() ? Hold.WAIVED : Hold.KEPT;
        return rule.kept(state) ? Hold.KEPT : Hold.OPEN;
    }
}

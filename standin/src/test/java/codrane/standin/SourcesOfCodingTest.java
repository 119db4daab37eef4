package codrane.standin;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.baseline.Baseline;
import codrane.core.baseline.BaselineFile;
import codrane.core.job.Baselined;
import codrane.core.job.DecideNotes;
import codrane.core.job.Decided;
import codrane.core.job.Job;
import codrane.core.job.JobState;
import codrane.core.job.Now;
import codrane.core.job.PlanVersion;
import codrane.core.job.ReferenceCoding;
import codrane.core.pack.MarketRules;
import codrane.core.pack.Pack;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.Plan;
import codrane.core.plan.Policy;
import codrane.link.scan.DeepReader;
import codrane.standin.module.Part;
import codrane.standin.vehicle.Setup;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.ObjectMapper;

/** Which readings of a module are a source of coding for another one. */
class SourcesOfCodingTest {
    private static final Pack DUNLIN = TestPacks.load("peregil-dunlin");
    private static final Instant MORNING = Instant.parse("2026-03-02T07:00:00Z");

    private static BaselineFile read(Setup setup) {
        VirtualWorkshop workshop = new VirtualWorkshop(setup);
        var reading =
                new DeepReader(workshop.link(), DUNLIN).read(DUNLIN.modules().values(), List.of(), m -> {});
        String json = Baseline.of(DUNLIN, setup.vin().text(), MORNING, reading).json();
        return ((BaselineFile.Read.File) BaselineFile.read(new ObjectMapper().readValue(json, Object.class)))
                .baseline();
    }

    private static ReferenceCoding from(BaselineFile... sources) {
        Operation write = Operation.of(
                        Operation.Kind.WRITE_CODING, "body", "Write the coding of the body", 5, "It was never coded.")
                .holding(HoldPoint.GAPS_CONFIRMED);
        Job job = new Job(
                1,
                2201,
                new Job.Vehicle(1, Conditions.DUNLIN, DUNLIN.id(), "Dunlin"),
                new Job.Wanted(JobKind.REPLACE_DEAD, "dead", Optional.of("body"), Optional.of(PartOrigin.NEW)),
                new Job.Life(MORNING, "desk", Optional.empty(), "", Optional.empty()),
                0);
        PlanVersion plan = new PlanVersion(1, 1, 1, MORNING, "tech", new Plan(List.of(write), List.of()));
        JobState state = new JobState(
                job,
                DUNLIN,
                new Now(MORNING, ZoneOffset.UTC),
                List.of(),
                List.of(
                        new Baselined(List.of(), id -> null, () -> List.of(sources)),
                        new Decided(DecideNotes.NONE, Policy.DEFAULT, MarketRules.NONE, List.of(), Optional.of(plan))));
        return ReferenceCoding.of(state).orElseThrow();
    }

    @Test
    void nothingRead_isMissing_andNotTheFactorys() {
        assertThat(from().missing().orElseThrow()).startsWith("No other vehicle of this model was read here");
    }

    @Test
    void anotherVehicle_thatDiffers_leavesGapsOfThatOnly() {
        assertThat(from(read(Conditions.privateDunlin(DUNLIN))).gaps().stream().map(ReferenceCoding.Line::key))
                .containsExactlyInAnyOrder(
                        "body-main/use", "body-main/roof.sign", "body-main/meter", "body-comfort/lock.walk");
    }

    /** Its comfort block bears no mark of a vehicle: it is the donor's like the block beside it that does. */
    @Test
    void anotherVehicle_withADonorsPart_isNoSource() {
        Setup fleet = Conditions.ofFleet(DUNLIN, 1);
        Part donors = Part.used(
                Conditions.DUNLIN_HEAVY, DUNLIN.module("body").software().current());
        assertThat(from(read(fleet.with("body", donors))).known()).isFalse();
    }

    @Test
    void anotherVehicle_withABlankModule_isNoSource() {
        Setup fleet = Conditions.ofFleet(DUNLIN, 1).withBlankPart("body");
        assertThat(from(read(fleet)).known()).isFalse();
    }

    @Test
    void thisVehicle_readBefore_leavesNothingToJudge() {
        ReferenceCoding coding =
                from(read(Setup.healthy(DUNLIN, Conditions.DUNLIN)), read(Conditions.privateDunlin(DUNLIN)));
        assertThat(coding.gaps()).isEmpty();
        assertThat(coding.missing()).isEmpty();
    }
}

package codrane.app.stage.decide;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.plan.HoldPoint;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.Plan;
import java.util.List;
import org.junit.jupiter.api.Test;

class PlanStoredTest {
    @Test
    void read_planOfAnEarlierVersion_isWholeWithoutCautions() {
        String stored =
                "{\"operations\":[{\"kind\":\"PROGRAM\",\"module\":\"body\",\"title\":\"Program the body\",\"reasons\":[\"Old.\"],"
                        + "\"needs\":[],\"holds\":[\"FILE_CHECKED\"],\"safeToStopDuring\":false,\"seconds\":60,\"prompts\":[\"Key on\"]}],"
                        + "\"decisions\":[{\"rule\":\"program-old-software\",\"outcome\":\"applies\",\"reason\":\"Old.\"}]}";
        Plan plan = PlanStored.read(1, stored);
        Operation program = plan.operations().getFirst();
        assertThat(program.kind()).isEqualTo(Kind.PROGRAM);
        assertThat(program.cautions()).isEmpty();
        assertThat(program.ifLeftHere()).isEmpty();
        assertThat(plan.blocked()).isFalse();
    }

    @Test
    void read_whatWasWritten_isTheSamePlanButForOperationsWithinDecisions() {
        Operation pair = Operation.of(Kind.PAIR, "engine", "Pair the engine", 45, "It must.")
                .needing("access code")
                .holding(HoldPoint.NO_WAY_BACK)
                .prompting(List.of("Key on"))
                .warning(List.of("Ownership proved."))
                .ifLeftHere("It does not start.");
        Plan plan = new Plan(
                List.of(pair),
                List.of(
                        new Plan.Decision("pair-immobiliser", new Judgement.Applies("It must.", List.of())),
                        new Plan.Decision("law-allows", new Judgement.Blocked("Refused.")),
                        new Plan.Decision("learn-keys", new Judgement.NotNeeded("No key."))));
        assertThat(PlanStored.read(1, PlanStored.write(plan))).isEqualTo(plan);
    }
}

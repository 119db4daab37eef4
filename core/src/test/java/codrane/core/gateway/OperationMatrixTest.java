package codrane.core.gateway;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.gateway.OperationMatrix.Operation;
import codrane.core.gateway.OperationMatrix.Verdict;
import java.time.Instant;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class OperationMatrixTest {
    private static final Instant NOW = Instant.parse("2026-03-01T10:00:00Z");

    private static boolean allowed(Operation operation, Gateway gateway) {
        return OperationMatrix.judge(operation, gateway, NOW) instanceof Verdict.Allowed;
    }

    @ParameterizedTest
    @EnumSource(Operation.class)
    void judge_everyOperation_followsTheMatrix(Operation operation) {
        boolean read = operation.name().startsWith("READ_");
        assertThat(allowed(operation, new Gateway.None())).isTrue();
        assertThat(allowed(operation, new Gateway.Locked())).isEqualTo(read);
        assertThat(allowed(operation, new Gateway.Authorised(NOW.plusSeconds(1))))
                .isTrue();
        assertThat(allowed(operation, new Gateway.Authorised(NOW))).isEqualTo(read);
    }
}

package codrane.core.access;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.access.AccessNeed.Kind;
import codrane.core.access.AccessNeed.State;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What stands between a technician and an authorisation. */
class AccessCheckTest {
    private static final Instant NOW = Instant.parse("2026-03-01T09:00:00Z");
    private static final String PLOVER = "PLV2-204417";

    private static WorkshopAccount account(
            Optional<Instant> checkedAt, List<String> people, Map<String, String> tools) {
        return new WorkshopAccount(
                "Brennick Trade Desk",
                true,
                true,
                Optional.of("Three tools"),
                Optional.of(NOW.plusSeconds(1)),
                3,
                checkedAt,
                people,
                tools,
                NOW);
    }

    private static Optional<AccessNeed> first(WorkshopAccount account, Optional<String> serial) {
        return AccessCheck.first(AccessCheck.judge(account, "tech", serial, NOW));
    }

    @Test
    void judge_unknownWorkshop_lacksTheAccountFirst() {
        AccessNeed need = first(WorkshopAccount.none("Brennick Trade Desk", NOW), Optional.of(PLOVER))
                .orElseThrow();
        assertThat(need.kind()).isEqualTo(Kind.ACCOUNT);
        assertThat(need.byOwner()).isTrue();
        assertThat(need.sentence()).contains("not registered at Brennick Trade Desk");
    }

    @Test
    void judge_checkUnderWay_waitsAndNothingElseIsAsked() {
        AccessNeed need = first(
                        account(Optional.of(NOW.plusSeconds(60)), List.of("tech"), Map.of(PLOVER, "Plover")),
                        Optional.of(PLOVER))
                .orElseThrow();
        assertThat(need.kind()).isEqualTo(Kind.CHECK);
        assertThat(need.state()).isEqualTo(State.WAITS);
    }

    @Test
    void judge_checkEnded_isHeld() {
        assertThat(first(account(Optional.of(NOW), List.of("tech"), Map.of(PLOVER, "Plover")), Optional.of(PLOVER)))
                .isEmpty();
    }

    @Test
    void judge_planThatHasEnded_isForTheOwnerToRenew() {
        AccessNeed need = AccessCheck.first(AccessCheck.judge(
                        account(Optional.empty(), List.of("tech"), Map.of(PLOVER, "Plover")),
                        "tech",
                        Optional.of(PLOVER),
                        NOW.plusSeconds(1)))
                .orElseThrow();
        assertThat(need.kind()).isEqualTo(Kind.PLAN);
        assertThat(need.sentence()).contains("has ended");
    }

    @Test
    void judge_technicianOfAnotherWorkshop_isForTheOwnerToAdd() {
        AccessNeed need = first(
                        account(Optional.empty(), List.of("lead"), Map.of(PLOVER, "Plover")), Optional.of(PLOVER))
                .orElseThrow();
        assertThat(need.kind()).isEqualTo(Kind.TECHNICIAN);
        assertThat(need.byOwner()).isTrue();
    }

    @Test
    void judge_toolNotRegistered_saysHowManyPlacesAreFree() {
        AccessNeed need = first(account(Optional.empty(), List.of("tech"), Map.of("A", "Wren")), Optional.of(PLOVER))
                .orElseThrow();
        assertThat(need.kind()).isEqualTo(Kind.TOOL);
        assertThat(need.sentence()).contains("2 of 3 places are free");
    }

    @Test
    void judge_planFull_saysThatAToolMustGo() {
        Map<String, String> full = Map.of("A", "Wren", "B", "Wren", "C", "Wren");
        assertThat(first(account(Optional.empty(), List.of("tech"), full), Optional.of(PLOVER))
                        .orElseThrow()
                        .sentence())
                .contains("3 places are taken");
    }

    @Test
    void judge_noToolConnected_asksToConnectIt() {
        assertThat(first(account(Optional.empty(), List.of("tech"), Map.of()), Optional.empty())
                        .orElseThrow()
                        .sentence())
                .contains("connect it");
    }
}

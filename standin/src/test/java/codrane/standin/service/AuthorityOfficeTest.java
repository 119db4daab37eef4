package codrane.standin.service;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.gateway.SignedGrant;
import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult.Decoded;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.Test;

/** An authority's counter: what it wants, in which order, and what it grants. */
class AuthorityOfficeTest {
    private static final String DESK = "brennick-trade-desk";
    private static final String YARD = "Second Yard";

    private final AtomicReference<Instant> now = new AtomicReference<>(Instant.parse("2026-03-01T09:00:00Z"));
    private final AuthorityOffice office = new AuthorityOffice(Duration.ofMinutes(10), now::get);

    private AuthorityOffice.Answer act(String counter, String... given) {
        Map<String, String> values = new java.util.HashMap<>();
        for (int i = 0; i < given.length; i += 2) values.put(given[i], given[i + 1]);
        List<String> path = counter.isEmpty() ? List.of(DESK, "workshops") : List.of(DESK, "workshops", YARD, counter);
        return office.ask("POST", path, values).orElseThrow();
    }

    private String code() {
        String text = office.mails().getFirst().text();
        return text.replaceAll("\\D+", "").substring(0, 6);
    }

    private AuthorityOffice.Answer grant(String tool) {
        return act("grants", "vin", "0BKAM7D26RN001906", "tool", tool, "technician", "tech");
    }

    @Test
    void chain_inItsOrder_endsWithAGrantThatTheGatewayTrusts() {
        assertThat(act("", "workshop", YARD, "mail", "second@yard.example", "owner", "lead")
                        .status())
                .isEqualTo(200);
        assertThat(act("plan", "plan", "one").body().toString()).contains("Confirm the mail first");
        assertThat(act("mail", "code", "000000x").status()).isEqualTo(409);
        assertThat(act("mail", "code", code()).status()).isEqualTo(200);
        assertThat(act("plan", "plan", "one").status()).isEqualTo(200);
        assertThat(act("technicians", "technician", "tech").status()).isEqualTo(200);
        assertThat(act("tools", "model", "Plover", "serial", "PLV2-204417")
                        .body()
                        .toString())
                .contains("not checked yet");
        assertThat(grant("PLV2-204417").body().toString()).contains("still being checked");
        now.set(now.get().plus(Duration.ofMinutes(10)));
        assertThat(act("tools", "model", "Plover", "serial", "PLV2-204417").status())
                .isEqualTo(200);
        assertThat(act("tools", "model", "Plover", "serial", "PLV2-118204")
                        .body()
                        .toString())
                .contains("allows 1 tools");
        assertThat(grant("PLV2-118204").body().toString()).contains("not registered");
        AuthorityOffice.Answer granted = grant("PLV2-204417");
        assertThat(granted.status()).isEqualTo(200);
        String hex = (String) ((Map<?, ?>) granted.body()).get("grant");
        SignedGrant grant = ((Decoded<SignedGrant>) SignedGrant.decode(Bytes.parse(hex))).value();
        assertThat(grant.grant().workshop()).isEqualTo(YARD);
        assertThat(grant.grant().until()).isEqualTo(now.get().plus(Duration.ofHours(1)));
        now.set(now.get().plus(Duration.ofDays(366)));
        assertThat(grant("PLV2-204417").body().toString()).contains("plan has ended");
        assertThat(act("plan", "plan", "one").status()).isEqualTo(200); // renewed
        assertThat(grant("PLV2-204417").status()).isEqualTo(200);
    }

    @Test
    void mode_downAndLying_isWhatATestNeeds() {
        office.demo();
        office.ask("POST", List.of(DESK, "mode", "down"), Map.of());
        assertThat(office.ask("GET", List.of(DESK), Map.of())).isEmpty();
        office.ask("POST", List.of(DESK, "mode", "right"), Map.of("grant-seconds", "30"));
        assertThat(office.ask("GET", List.of(DESK), Map.of())).isPresent();
    }

    @Test
    void ask_unknownAuthorityWorkshopOrCounter_isNotFound() {
        assertThat(office.ask("GET", List.of("nobody"), Map.of()).orElseThrow().status())
                .isEqualTo(404);
        assertThat(office.ask("GET", List.of(DESK, "workshops", "Nobody"), Map.of())
                        .orElseThrow()
                        .status())
                .isEqualTo(404);
        assertThat(act("", "workshop", "", "mail", "x").status()).isEqualTo(409);
    }
}

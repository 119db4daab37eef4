package codrane.app.access;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.TestApp;
import codrane.app.Until;
import codrane.app.packs.PackShelf;
import codrane.app.records.AuditTrail;
import codrane.app.workshop.CodraneSettings;
import codrane.core.access.AccessCheck;
import codrane.core.access.AccessNeed;
import codrane.core.access.KnownAccount;
import codrane.core.part.SerialMask;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A workshop that no authority knows yet, from the registration to the last thing that is wanted. */
class AccessChainTest {
    private static final String DESK = "brennick-trade-desk";
    private static final SerialMask MASK = SerialMask.parse("PLV2-999999").orElseThrow();

    private final CodraneSettings settings = TestApp.bean(CodraneSettings.class);
    private final Access access = new Access(
            TestApp.bean(AuthorityClient.class),
            TestApp.bean(AccessStore.class),
            TestApp.bean(PackShelf.class),
            TestApp.bean(AuditTrail.class),
            new CodraneSettings(
                    settings.packs(),
                    settings.var(),
                    true,
                    "New Yard",
                    "",
                    settings.serviceUrl(),
                    List.of(),
                    settings.interfaces()));

    private AccessNeed.Kind missing() {
        KnownAccount known = access.refresh(DESK).orElseThrow();
        return AccessCheck.first(AccessCheck.judge(
                        known.account(),
                        "tech",
                        Optional.of("PLV2-204417"),
                        InstantSource.system().instant()))
                .map(AccessNeed::kind)
                .orElse(null);
    }

    private String mailedCode() throws Exception {
        HttpRequest request = HttpRequest.newBuilder(URI.create(settings.serviceUrl() + "/mail"))
                .build();
        String body = HttpClient.newHttpClient()
                .send(request, HttpResponse.BodyHandlers.ofString())
                .body();
        return body.substring(body.indexOf("Your code is ") + 13).substring(0, 6);
    }

    @Test
    void chain_newWorkshop_isLedThroughEveryStep() throws Exception {
        assertThat(missing()).isEqualTo(AccessNeed.Kind.ACCOUNT);
        assertThat(access.register(DESK, "no mail", "lead")).get().asString().contains("mail address");
        assertThat(access.register(DESK, "new@yard.example", "lead")).isEmpty();
        assertThat(missing()).isEqualTo(AccessNeed.Kind.MAIL);
        assertThat(access.confirm(DESK, "12", "lead")).isPresent();
        assertThat(access.confirm(DESK, mailedCode(), "lead")).isEmpty();
        assertThat(missing()).isEqualTo(AccessNeed.Kind.PLAN);
        assertThat(access.plan(DESK, "one", "lead")).isEmpty();
        assertThat(missing()).isEqualTo(AccessNeed.Kind.CHECK);
        Until.so(() -> missing() != AccessNeed.Kind.CHECK);
        assertThat(missing()).isEqualTo(AccessNeed.Kind.TECHNICIAN);
        assertThat(access.addTechnician(DESK, "tech", "lead")).isEmpty();
        assertThat(missing()).isEqualTo(AccessNeed.Kind.TOOL);
        assertThat(access.addTool(DESK, "Plover", MASK, "PLV2-2O4417", "lead"))
                .get()
                .asString()
                .contains("Meant perhaps: PLV2-204417"); // never sent
        assertThat(access.addTool(DESK, "Plover", MASK, "PLV2-204417", "lead")).isEmpty();
        assertThat(missing()).isNull();
        assertThat(access.addTool(DESK, "Plover", MASK, "PLV2-118204", "lead")).isPresent(); // one place only
        assertThat(access.removeTool(DESK, "PLV2-204417", "lead")).isEmpty();
        assertThat(missing()).isEqualTo(AccessNeed.Kind.TOOL);
        assertThat(access.addTechnician("nobody", "tech", "lead")).contains("There is no such authority.");
    }
}

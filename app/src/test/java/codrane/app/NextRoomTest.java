package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The hand at the simulated vehicle: what is pressed on the page happens in the vehicle. */
@ExtendWith(RunningApp.class)
class NextRoomTest {
    private final App app;

    NextRoomTest(App app) {
        this.app = app;
    }

    @AfterEach
    void mend() {
        for (String path : new String[] {"/faults/clear", "/doors/closed", "/gear/park", "/key/on"})
            TestWorld.act(app.world(), path);
    }

    @Test
    void press_doorsGearAndKey_moveInTheVehicle() throws Exception {
        WebSession web = WebSession.signIn(app.url(), "tech");
        web.post("/next-room/Plover/doors-open");
        web.post("/next-room/Plover/gear-drive");
        web.post("/next-room/Plover/key-off");
        var look = TestWorld.look(app.world());
        assertThat(look.path("doors").asString()).isEqualTo("open");
        assertThat(look.path("gear").asString()).isEqualTo("drive");
        assertThat(look.path("key").asString()).isEqualTo("off");
        assertThat(web.get("/next-room")).contains("doors open", "gear in drive", "Close the doors");
    }

    @Test
    void fault_fromThePage_isBroughtOrRefusedInWords() throws Exception {
        WebSession web = WebSession.signIn(app.url(), "tech");
        web.post("/next-room/Plover/fault", "fault", "silent", "module", "tail-lift", "values", "");
        assertThat(web.get("/next-room")).contains("Done: silent:module=tail-lift");
        var instruments = TestWorld.look(app.world()).path("modules").path("instruments");
        assertThat(instruments.path("faults").has("U1167-00")).isTrue();
        web.post("/next-room/Plover/fault", "fault", "silent", "module", "", "values", "");
        assertThat(web.get("/next-room")).contains("silent needs a module");
        web.post("/next-room/Plover/fault", "fault", "sag", "module", "", "values", "depth=3");
        assertThat(web.get("/next-room")).contains("says nothing to sag");
    }
}

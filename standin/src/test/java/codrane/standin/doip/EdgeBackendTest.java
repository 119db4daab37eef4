package codrane.standin.doip;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.run.Reply;
import codrane.link.scan.VehicleScanner;
import codrane.standin.Conditions;
import codrane.standin.TestPacks;
import codrane.standin.VirtualWorkshop;
import codrane.standin.module.Disturbance;
import codrane.standin.vehicle.Setup;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** An edge node that serves several testers gives each its own answers. */
class EdgeBackendTest {
    private static final Pack GANNET = TestPacks.load("ardwyn-gannet");
    private static final int BODY = GANNET.module("body").address();

    private final VirtualWorkshop workshop = new VirtualWorkshop(
            Setup.healthy(GANNET, Conditions.standard(GANNET).vin()));
    private final EdgeBackend edge = new EdgeBackend(GANNET, workshop.bus(), workshop.time());

    /** One tester, and what it heard. */
    private final class Tester {
        final List<String> heard = new ArrayList<>();

        Tester ask(int address, String hex) {
            edge.request(address, Bytes.parse(hex), false, (from, message) -> heard.add(from + " " + message.hex()));
            return this;
        }

        Tester askAll(String hex) {
            edge.request(0, Bytes.parse(hex), true, (from, message) -> heard.add(from + " " + message.hex()));
            return this;
        }
    }

    private Disturbance body() {
        return workshop.vehicle().servers().stream()
                .filter(s -> s.module().id().equals("body"))
                .findFirst()
                .orElseThrow()
                .disturbance();
    }

    private void wait(int millis) {
        workshop.time().advance(Duration.ofMillis(millis));
    }

    private String vin() {
        return BODY + " 62F190" + Bytes.ascii(workshop.vin().text()).hex();
    }

    @Test
    void twoTesters_twoMillisecondsApart_eachHearsItsOwn() {
        Tester a = new Tester().ask(BODY, "22F190");
        wait(2);
        Tester b = new Tester().ask(BODY, "3E00");
        wait(1000);
        assertThat(a.heard).containsExactly(vin());
        assertThat(b.heard).containsExactly(BODY + " 7E00");
    }

    @Test
    void sameQuestion_ofBoth_isAnsweredToBothOnce() {
        Tester a = new Tester().ask(BODY, "22F190");
        Tester b = new Tester().ask(BODY, "22F190");
        wait(1000);
        assertThat(a.heard).containsExactly(vin());
        assertThat(b.heard).containsExactly(vin());
    }

    @Test
    void pendingAnswers_holdTheOtherUp_untilTheLast() {
        body().storm(3);
        Tester a = new Tester().ask(BODY, "22F190");
        Tester b = new Tester().ask(BODY, "3E00");
        wait(2000);
        assertThat(a.heard).containsExactly(BODY + " 7F2278", BODY + " 7F2278", BODY + " 7F2278", vin());
        assertThat(b.heard).containsExactly(BODY + " 7E00");
    }

    @Test
    void silentModule_holdsTheOtherUpForItsTimesOnly() {
        body().silence(true);
        Tester a = new Tester().ask(BODY, "22F190");
        Tester b = new Tester().ask(BODY, "3E00");
        wait(100);
        body().silence(false); // while the first is still waited for
        wait(2000);
        assertThat(a.heard).isEmpty();
        assertThat(b.heard).containsExactly(BODY + " 7E00");
    }

    @Test
    void keptSession_isNotAnswered_andDelaysNobody() {
        Tester a = new Tester().ask(BODY, "3E80");
        Tester b = new Tester().ask(BODY, "3E00");
        wait(20);
        assertThat(a.heard).isEmpty();
        assertThat(b.heard).containsExactly(BODY + " 7E00");
    }

    @Test
    void suppressedRequest_thatIsRefused_isToldToWhoAsked() {
        Tester a = new Tester().ask(BODY, "3E81");
        Tester b = new Tester().ask(BODY, "3E00");
        wait(500);
        assertThat(a.heard).containsExactly(BODY + " 7F3E12");
        assertThat(b.heard).containsExactly(BODY + " 7E00");
    }

    @Test
    void askingAll_besideOneThatAsksOne_crossesNothing() {
        Tester one = new Tester().ask(BODY, "3E00");
        wait(1);
        Tester all = new Tester().askAll("22F190");
        wait(1);
        one.ask(BODY, "22F190");
        wait(3000);
        assertThat(one.heard).containsExactly(BODY + " 7E00", vin());
        assertThat(all.heard).hasSize(GANNET.modules().size()).allMatch(m -> m.contains(" 62F190"));
    }

    @Test
    void manyTesters_atRandom_eachHearExactlyTheirOwn() {
        Random random = new Random(7);
        List<Tester> testers = List.of(new Tester(), new Tester(), new Tester(), new Tester());
        List<List<String>> expected =
                List.of(new ArrayList<>(), new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
        List<Integer> addresses =
                GANNET.modules().values().stream().map(m -> m.address()).toList();
        for (int i = 0; i < 120; i++) {
            int who = random.nextInt(testers.size());
            int address = addresses.get(random.nextInt(addresses.size()));
            boolean session = random.nextBoolean();
            testers.get(who)
                    .ask(address, session ? "3E00" : "22F1%02X".formatted(random.nextInt(2) == 0 ? 0x90 : 0xFF));
            expected.get(who).add(String.valueOf(address));
            wait(random.nextInt(4));
        }
        wait(60_000);
        for (int who = 0; who < testers.size(); who++)
            assertThat(testers.get(who).heard.stream().map(m -> m.split(" ")[0]))
                    .containsExactlyInAnyOrderElementsOf(expected.get(who));
    }

    @Test
    void lengths_thatItCannotCarry_areSaidBefore() {
        assertThat(edge.carries(4095, false)).isTrue();
        assertThat(edge.carries(4096, false)).isFalse();
        assertThat(edge.carries(62, true)).isTrue();
        assertThat(edge.carries(63, true)).isFalse();
        assertThat(edge.longest()).isEqualTo(4095);
    }

    @Test
    void testerOnTheBusItself_isServedBesideTheEdge() {
        Reply own = workshop.link().request(BODY, Bytes.parse("22F190"), VehicleScanner.waits(GANNET.module("body")));
        assertThat(own).isInstanceOf(Reply.Positive.class);
    }
}

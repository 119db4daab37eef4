package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.atMost;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import codrane.app.live.Witness;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.run.Reply;
import codrane.core.scan.ModuleReading;
import codrane.core.scan.ModuleReading.Presence;
import codrane.core.scan.WhoAnswers;
import codrane.link.DiagnosticLink;
import codrane.link.DiagnosticLink.Heard;
import codrane.standin.Conditions;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Which module is asked, and what its answer means. */
class WitnessTest {
    private static final Pack PACK = TestWorld.pack("brennick-lorne");
    private static final PackModule FIRST = PACK.module("body");
    private static final PackModule SECOND = PACK.module("tail-lift");

    private static final Reply PRESENT = new Reply.Positive(Bytes.of(0x7E, 0x00));

    private final DiagnosticLink link = mock(DiagnosticLink.class);
    private final Map<String, ModuleReading> before =
            Map.of(FIRST.id(), reading(FIRST, "BD-1"), SECOND.id(), reading(SECOND, "TL-1"));

    @BeforeEach
    void everyoneIsSilent() {
        when(link.request(anyInt(), any(), any())).thenReturn(new Reply.Silent(Duration.ofMillis(50)));
    }

    @Test
    void stranger_anotherSerialNumber_isNamed() {
        answers(FIRST, "BD-2");
        assertThat(Witness.stranger(link, PACK, before, Set.of()))
                .hasValueSatisfying(s -> assertThat(s).contains(FIRST.lowerTitle()));
    }

    @Test
    void stranger_writtenModuleDiffers_isNoWitness() {
        answers(FIRST, "BD-2");
        answers(SECOND, "TL-1");
        assertThat(Witness.stranger(link, PACK, before, Set.of(FIRST.id()))).isEmpty();
    }

    @Test
    void stranger_oneIsSilent_theNextIsAsked() {
        String asked = PACK.modules().values().stream()
                .filter(m -> before.containsKey(m.id()))
                .toList()
                .getLast()
                .id();
        answers(PACK.module(asked), "XX-9");
        assertThat(Witness.stranger(link, PACK, before, Set.of()))
                .hasValueSatisfying(
                        s -> assertThat(s).contains(PACK.module(asked).lowerTitle()));
    }

    @Test
    void stranger_nobodyAnswers_isNotClaimed() {
        assertThat(Witness.stranger(link, PACK, before, Set.of())).isEmpty();
    }

    /** With the key off nobody waits for the better part of a minute. */
    @Test
    void whoseAndStranger_nobodyAnswers_isSoonKnown() {
        assertThat(Witness.whose(link, PACK, Conditions.LORNE, "")).isInstanceOf(WhoAnswers.NobodySays.class);
        Witness.stranger(link, PACK, before, Set.of());
        verify(link, atMost(4)).requestAll(any(), any());
        verify(link, atMost(12)).request(anyInt(), any(), any());
    }

    /** Not every vehicle answers what is asked of all. */
    @Test
    void stranger_onlyAnswersSingly_isNamedAllTheSame() {
        answers(FIRST, "BD-2");
        when(link.requestAll(any(), any())).thenReturn(List.of());
        assertThat(Witness.stranger(link, PACK, before, Set.of())).isPresent();
    }

    private void answers(PackModule module, String serial) {
        when(link.requestAll(any(), any())).thenReturn(List.of(new Heard(module.address(), PRESENT)));
        int did = module.did(Ident.SERIAL);
        Bytes head = Bytes.of(0x62, did >> 8, did & 0xFF);
        when(link.request(eq(module.address()), any(), any()))
                .thenReturn(new Reply.Positive(head.plus(Bytes.ascii(serial))));
    }

    private static ModuleReading reading(PackModule module, String serial) {
        return new ModuleReading(
                module.id(), Presence.ANSWERS, Map.of(Ident.SERIAL, Bytes.ascii(serial)), Map.of(), List.of(), true);
    }
}

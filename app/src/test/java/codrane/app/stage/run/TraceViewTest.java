package codrane.app.stage.run;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.link.trace.TraceLine;
import codrane.link.trace.TraceLine.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class TraceViewTest {
    private static final TraceView.Filter ALL = new TraceView.Filter("", "", false, false);

    private static List<TraceLine> lines(int count, int... troubles) {
        List<TraceLine> lines = new ArrayList<>();
        for (int i = 0; i < count; i++) lines.add(line(Kind.MESSAGE, i));
        for (int at : troubles) lines.set(at, line(Kind.REFUSED, at));
        return lines;
    }

    private static TraceLine line(Kind kind, int nanos) {
        return new TraceLine(nanos, 1, "Body", true, kind, "words", Bytes.of(0x3E, 0), 1);
    }

    private static long ends(TraceView view) {
        return view.lines().stream().filter(TraceView.Line::end).count();
    }

    @Test
    void trace_thatEndedAtARefusal_opensThere() {
        TraceView view = TraceView.of(lines(950, 20, 940), ALL, Optional.empty());
        assertThat(view.page()).isEqualTo(5);
        assertThat(view.lines()).hasSize(150);
        assertThat(view.lines().get(140).end()).isTrue();
        assertThat(ends(view)).isEqualTo(1);
        assertThat(TraceView.of(lines(950, 940), ALL, Optional.of(2)).page()).isEqualTo(2);
    }

    @Test
    void trace_thatEndedWell_opensAtItsBeginning() {
        for (List<TraceLine> well : List.of(lines(950, 20, 500), lines(950), lines(0))) {
            TraceView view = TraceView.of(well, ALL, Optional.empty());
            assertThat(view.page()).isEqualTo(1);
            assertThat(ends(view)).isZero();
        }
    }
}

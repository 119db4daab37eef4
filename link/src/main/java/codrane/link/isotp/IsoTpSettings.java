package codrane.link.isotp;

import codrane.link.can.CanFrame;
import java.time.Duration;
import java.util.OptionalInt;

/**
 * What an endpoint asks for, how long its frames are and how long it waits. Source: unchecked (ISO 15765-2, timing
 * parameters and network layer limits).
 *
 * @param asked of the other side when it sends
 * @param frameOctets longest frame that it sends: 8, 12, 16, 20, 24, 32, 48 or 64
 * @param padding octet, 0..255; absent: frames stay as short as they can
 * @param longest message it receives, octets; a longer one is answered with overflow
 * @param timeouts in which the other side and the bus must act
 */
public record IsoTpSettings(Flow asked, int frameOctets, OptionalInt padding, int longest, Timeouts timeouts) {
    /**
     * @param blockSize frames until the next flow control, 0..255; 0: no further one
     * @param separationTime least time between frames
     * @param waits wait frames that it sends before each continue, as a busy module does
     * @param mostWaits wait frames in a row that it accepts when it sends itself (N_WFTmax)
     */
    public record Flow(int blockSize, Duration separationTime, int waits, int mostWaits) {
        public static final Flow FREE = new Flow(0, Duration.ZERO, 0, 8);
    }

    /**
     * @param send N_As, N_Ar: until a frame of ours is on the bus
     * @param flow N_Bs: until a flow control comes
     * @param betweenWaits N_Br: between two wait frames of ours; shorter than the other side's N_Bs
     * @param consecutive N_Cr: until a consecutive frame comes
     */
    public record Timeouts(Duration send, Duration flow, Duration betweenWaits, Duration consecutive) {
        public static final Timeouts STANDARD = new Timeouts(
                Duration.ofSeconds(1), Duration.ofSeconds(1), Duration.ofMillis(300), Duration.ofSeconds(1));
    }

    public static final IsoTpSettings STANDARD =
            new IsoTpSettings(Flow.FREE, 8, OptionalInt.of(0xCC), 4095, Timeouts.STANDARD);

    /** As a module whose pack asks for these. */
    public IsoTpSettings asking(int blockSize, Duration separationTime) {
        Flow flow = new Flow(blockSize, separationTime, asked.waits(), asked.mostWaits());
        return new IsoTpSettings(flow, frameOctets, padding, longest, timeouts);
    }

    public IsoTpSettings asking(Flow flow) {
        return new IsoTpSettings(flow, frameOctets, padding, longest, timeouts);
    }

    public IsoTpSettings withFrames(int octets) {
        return new IsoTpSettings(asked, octets, padding, longest, timeouts);
    }

    public IsoTpSettings withPadding(OptionalInt octet) {
        return new IsoTpSettings(asked, frameOctets, octet, longest, timeouts);
    }

    public IsoTpSettings receivingUpTo(int octets) {
        return new IsoTpSettings(asked, frameOctets, padding, octets, timeouts);
    }

    public IsoTpSettings waiting(Timeouts times) {
        return new IsoTpSettings(asked, frameOctets, padding, longest, times);
    }

    IsoTpLayout layout(IsoTpAddressing addressing) {
        CanFrame.Format format = frameOctets > 8 ? CanFrame.Format.FD_SWITCHED : CanFrame.Format.CLASSIC;
        return new IsoTpLayout(addressing, frameOctets, format, padding);
    }
}

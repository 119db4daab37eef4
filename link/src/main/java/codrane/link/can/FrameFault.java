package codrane.link.can;

import java.time.Duration;

/** The seam at which tests and demonstrations disturb a bus. */
@FunctionalInterface
public interface FrameFault {
    /** What happens to a frame that was sent. */
    sealed interface Fate {
        record Deliver() implements Fate {}

        /** The sender believes it was sent; nobody receives it. */
        record Drop() implements Fate {}

        record Delay(Duration by) implements Fate {}

        /** It arrives twice. */
        record Duplicate() implements Fate {}
    }

    Fate DELIVER = new Fate.Deliver();

    FrameFault NONE = (frame, nanos) -> DELIVER;

    /** @param nanos bus time */
    Fate judge(CanFrame frame, long nanos);
}

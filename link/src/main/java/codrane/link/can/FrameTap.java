package codrane.link.can;

/** Sees every frame at the end of its transmission. */
@FunctionalInterface
public interface FrameTap {
    /** @param nanos bus time */
    void frame(CanFrame frame, long nanos);
}

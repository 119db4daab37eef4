package codrane.app.press;

import java.time.Instant;

/** Who did what, and when. */
public record LastAct(String what, String who, Instant at) {}

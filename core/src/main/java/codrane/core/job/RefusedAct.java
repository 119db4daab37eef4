package codrane.core.job;

import codrane.core.plan.Stage;
import java.time.Instant;

/** An act that was refused for want of something else: the remedy leads back to it. */
public record RefusedAct(Stage stage, String title, String reason, Instant at, String who) {}

package codrane.app.tools;

import jakarta.persistence.Embeddable;
import java.time.Instant;

/** A step of a tool's setup that was done. */
@Embeddable
class ToolStepDone {
    Instant at;
    String who;
}

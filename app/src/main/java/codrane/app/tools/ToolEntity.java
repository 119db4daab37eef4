package codrane.app.tools;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.MapKeyColumn;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "tool")
class ToolEntity {
    @Id
    String name;

    @Nullable
    LocalDate licenceUntil;

    @Nullable
    Instant answeredAt;

    @Nullable
    Instant setupBegunAt;

    @Nullable
    String setupBy;

    /** Steps of the setup that were done, by their key. */
    @ElementCollection(fetch = FetchType.LAZY)
    @CollectionTable(name = "tool_step", joinColumns = @JoinColumn(name = "tool"))
    @MapKeyColumn(name = "step")
    Map<String, ToolStepDone> steps = new HashMap<>();
}

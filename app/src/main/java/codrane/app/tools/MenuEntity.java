package codrane.app.tools;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** What a tool calls an operation. */
@Entity
@Table(name = "menu_entry")
class MenuEntity {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String pack;
    String operation;
    String module;
    String tool;
    String wording;
    String path;
    String warning;
    long jobId;
    Instant at;
    String who;
}

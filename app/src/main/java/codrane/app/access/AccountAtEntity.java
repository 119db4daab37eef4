package codrane.app.access;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** What an authority said of the workshop when it was last asked. */
@Entity
@Table(name = "authority_account")
class AccountAtEntity {
    @Id
    String authority;

    Instant askedAt;
    int form;
    String content;
    String trouble = "";
}

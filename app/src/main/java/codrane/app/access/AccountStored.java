package codrane.app.access;

import codrane.core.access.WorkshopAccount;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.ObjectMapper;

/** An account at an authority, as it is stored. */
record AccountStored(
        String authority,
        boolean registered,
        boolean mailConfirmed,
        String plan,
        String planUntil,
        int toolLimit,
        String checkedAt,
        List<String> technicians,
        LinkedHashMap<String, String> tools) {
    static final int FORM = 1;

    private static final ObjectMapper JSON = new ObjectMapper();

    static String write(WorkshopAccount account) {
        return JSON.writeValueAsString(new AccountStored(
                account.authority(),
                account.registered(),
                account.mailConfirmed(),
                account.plan().orElse(""),
                account.planUntil().map(Instant::toString).orElse(""),
                account.toolLimit(),
                account.checkedAt().map(Instant::toString).orElse(""),
                account.technicians(),
                new LinkedHashMap<>(account.tools())));
    }

    /** @param form in which it was stored */
    static WorkshopAccount read(int form, String content, Instant askedAt) {
        if (form != FORM) throw new IllegalStateException("an account of form " + form + " is too new");
        AccountStored s = JSON.readValue(content, AccountStored.class);
        return new WorkshopAccount(
                s.authority(),
                s.registered(),
                s.mailConfirmed(),
                Optional.of(s.plan()).filter(p -> !p.isEmpty()),
                Optional.of(s.planUntil()).filter(t -> !t.isEmpty()).map(Instant::parse),
                s.toolLimit(),
                Optional.of(s.checkedAt()).filter(t -> !t.isEmpty()).map(Instant::parse),
                s.technicians(),
                s.tools(),
                askedAt);
    }
}

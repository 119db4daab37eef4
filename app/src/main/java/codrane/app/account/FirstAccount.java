package codrane.app.account;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.stereotype.Component;

/**
 * A workshop's first account: a lead, whose password the launcher made and left in a file. It is taken only when there is
 * no account yet; that it was taken is said by a file beside it, so that the launcher shows a password that works.
 */
@Component
class FirstAccount implements ApplicationRunner {
    private final Accounts accounts;
    private final String name;

    /** @param name of the file; empty when the launcher made none */
    FirstAccount(Accounts accounts, @Value("${codrane.first-password-file:}") String name) {
        this.accounts = accounts;
        this.name = name;
    }

    @Override
    public void run(ApplicationArguments arguments) throws IOException {
        Path file = Path.of(name);
        if (name.isEmpty() || !Files.exists(file)) return;
        if (accounts.nobody()) {
            accounts.add("lead", Files.readString(file, StandardCharsets.UTF_8).strip(), Role.LEAD);
            Files.writeString(file.resolveSibling(file.getFileName() + ".taken"), "");
        }
        Files.delete(file);
    }
}

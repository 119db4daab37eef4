package codrane.app.account;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.stereotype.Component;

/**
 * A workshop's first account: a lead, whose password the launcher made and left in a file. It is taken only when there is
 * no account yet; that it was taken is said by a file beside it, so that the launcher shows a password that works.
 */
@Component
@ConditionalOnExpression("!'${codrane.first-password-file:}'.isEmpty()")
class FirstAccount implements ApplicationRunner {
    private final Accounts accounts;
    private final Path file;

    FirstAccount(Accounts accounts, @Value("${codrane.first-password-file}") Path file) {
        this.accounts = accounts;
        this.file = file;
    }

    @Override
    public void run(ApplicationArguments arguments) throws IOException {
        if (!Files.exists(file)) return;
        if (accounts.nobody()) {
            accounts.add("lead", Files.readString(file, StandardCharsets.UTF_8).strip(), Role.LEAD);
            Files.writeString(file.resolveSibling(file.getFileName() + ".taken"), "");
        }
        Files.delete(file);
    }
}

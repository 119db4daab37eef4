package codrane.app.account;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** A workshop's first account: a lead, whose password the launcher makes and shows once. */
@Component
@ConditionalOnProperty("codrane.first-lead-password")
class FirstAccount implements ApplicationRunner {
    private final AccountRepository repository;
    private final Accounts accounts;
    private final String password;

    FirstAccount(
            AccountRepository repository, Accounts accounts, @Value("${codrane.first-lead-password}") String password) {
        this.repository = repository;
        this.accounts = accounts;
        this.password = password;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        if (repository.count() == 0) accounts.add("lead", password, Role.LEAD);
    }
}

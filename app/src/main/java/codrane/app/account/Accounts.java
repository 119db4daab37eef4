package codrane.app.account;

import java.util.List;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The workshop's accounts. */
@Service
@Transactional
public class Accounts implements UserDetailsService {
    private final AccountRepository accounts;
    private final PasswordEncoder encoder;

    Accounts(AccountRepository accounts, PasswordEncoder encoder) {
        this.accounts = accounts;
        this.encoder = encoder;
    }

    @Override
    @Transactional(readOnly = true)
    public UserDetails loadUserByUsername(String name) {
        AccountEntity account =
                accounts.findByName(name).orElseThrow(() -> new UsernameNotFoundException("no such account"));
        return User.withUsername(account.name)
                .password(account.password)
                .roles(account.role.name())
                .build();
    }

    /** Names of those who may work on vehicles. */
    @Transactional(readOnly = true)
    public List<String> technicians() {
        return accounts.findAll().stream()
                .filter(a -> a.role == Role.LEAD || a.role == Role.TECH || a.role == Role.SPECIALIST)
                .map(a -> a.name)
                .sorted()
                .toList();
    }

    /** Adds the account unless the name is taken. */
    public void add(String name, String password, Role role) {
        if (accounts.findByName(name).isPresent()) return;
        AccountEntity account = new AccountEntity();
        account.name = name;
        account.password = encoder.encode(password);
        account.role = role;
        accounts.save(account);
    }
}

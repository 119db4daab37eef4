package codrane.app;

import org.springframework.context.annotation.Configuration;
import org.springframework.data.jpa.repository.config.EnableJpaRepositories;

/** Repositories are nested in one file for each jpa package. */
@Configuration
@EnableJpaRepositories(considerNestedRepositories = true)
class JpaConfiguration {}

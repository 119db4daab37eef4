package codrane.app;

import java.time.InstantSource;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.context.annotation.Bean;

/** The web application. */
@SpringBootApplication
@ConfigurationPropertiesScan
public class CodraneApplication {
    public static void main(String[] args) {
        SpringApplication.run(CodraneApplication.class, args);
    }

    @Bean
    InstantSource time() {
        return InstantSource.system();
    }
}

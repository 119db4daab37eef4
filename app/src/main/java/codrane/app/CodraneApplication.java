package codrane.app;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;

/** The web application. */
@SpringBootApplication
@ConfigurationPropertiesScan
public class CodraneApplication {
    public static void main(String[] args) {
        SpringApplication.run(CodraneApplication.class, args);
    }
}
